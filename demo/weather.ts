import { inFirm, closePool } from '@/db/client'
import { refreshWeather } from '@/server/weather/refresh'
import { FIRM, OTHER } from './story'

/** Fetches the past years and the forecast of every place of the demo, so that it is there when the first page is opened. */
export async function fetchWeather(): Promise<number> {
  let squares = 0
  for (const { id } of [FIRM, OTHER]) {
    const cells = await inFirm(
      id,
      (sql) => sql<{ north: number; east: number; timeZone: string; offset: number }[]>`
        select distinct coalesce(s.cell_north, f.cell_north) as north, coalesce(s.cell_east, f.cell_east) as east,
          s.time_zone as "timeZone", (extract(epoch from f.clock_offset) * 1000)::double precision as offset
        from site s join firm f on f.id = s.firm_id
        union
        select f.cell_north, f.cell_east, f.time_zone, (extract(epoch from f.clock_offset) * 1000)::double precision from firm f`,
    )
    for (const { offset, ...cell } of cells) await refreshWeather(id, cell, new Date(Date.now() + offset))
    squares += cells.length
  }
  return squares
}

if (process.argv[1]?.endsWith('weather.ts'))
  void fetchWeather()
    .then((n) => console.log(`The weather of ${n} places is fetched.`))
    .finally(() => void closePool())
