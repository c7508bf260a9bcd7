'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { plain, showSpeed, showTemperature, type UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import type { HoursFile as Read } from '@/core/weather/hoursFile'
import type { SeasonView } from '@/server/read/season'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { ChooseFile } from '@/ui/files/ChooseFile'
import { Button } from '@/ui/pieces/Button'
import { NotedList } from '@/ui/pieces/NotedList'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'

/** What a station writes in years is read in parts. */
const LARGEST_FILE = 3_000_000

type Told = Read['columns'][number]['told']

const NAMES: Record<Told, string> = {
  temperature: 'temperature',
  wind: 'wind',
  gust: 'gusts',
  windFrom: 'where the wind comes from',
  rain: 'rain',
  cloud: 'cloud',
  humidity: 'humidity',
  chance: 'chance of rain',
}

function saidOf(told: Told, value: number, units: UnitSystem): string {
  switch (told) {
    case 'temperature':
      return showTemperature(value, units)
    case 'wind':
    case 'gust':
      return showSpeed(value, units)
    case 'windFrom':
      return `${plain(value, 0)}°`
    case 'rain':
      return shown(value / 1000, 'in', units)
    default:
      return `${plain(value * 100, 0)} %`
  }
}

const hoursOf = (n: number) => `${n.toLocaleString('en-US')} ${n === 1 ? 'hour' : 'hours'}`

/** A station’s file: read on this device, shown with what each column is taken for, and kept by a press; what was kept is taken back. */
export function HoursFile({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const enter = useVerb('enter-hours', { makes: 'id' })
  const back = useVerb('take-hours-back')
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null)
  const [read, setRead] = useState<{ file: string; hours: Read } | null>(null)
  const [busy, setBusy] = useState(false)
  const { timeZone } = view.site

  async function open(file: File) {
    setSaid(null)
    setRead(null)
    if (file.size > LARGEST_FILE)
      return setSaid({ words: `${file.name} is larger than 3 MB; cut it in two.`, wrong: true })
    setBusy(true)
    const [{ readCsv }, { readHoursFile }] = await Promise.all([
      import('@/ui/files/csv'),
      import('@/core/weather/hoursFile'),
    ])
    const cells = readCsv(await file.text())
    const found = cells.ok ? readHoursFile(cells.value.lines, timeZone, cells.value.commaInNumbers) : cells
    if (found.ok) setRead({ file: file.name, hours: found.value })
    else setSaid({ words: `${file.name}: ${found.problem.message}`, wrong: true })
    setBusy(false)
  }
  async function keep() {
    if (!read) return
    const { from, hours, rows } = read.hours
    const kept = await enter.send({ siteId: view.site.id, from, hours })
    if (!kept) return
    const whose = kept.place === 'town' ? ', for all sites that have the town’s weather' : ''
    setSaid({
      words: `${hoursOf(rows)} of ${kept.days} ${kept.days === 1 ? 'day' : 'days'} kept${whose}.`,
      wrong: false,
    })
    setRead(null)
    router.refresh()
  }
  async function takeBack(enteredId: string) {
    const taken = await back.send({ enteredId })
    if (!taken) return
    setSaid({
      words: `Taken back: ${taken.days} ${taken.days === 1 ? 'day is' : 'days are'} as before.${taken.left > 0 ? ` ${taken.left} ${taken.left === 1 ? 'was' : 'were'} told anew since and stay.` : ''}`,
      wrong: false,
    })
    router.refresh()
  }
  return (
    <div className="mt-3">
      <ChooseFile accept=".csv,.txt,text/csv,text/plain" busy={busy} onFile={(file) => void open(file)}>
        {busy ? 'Reading' : 'Read a station’s file (CSV)'}
      </ChooseFile>
      <span role="status" className={`ml-3 ${said?.wrong ? 'text-plum font-bold' : ''}`}>
        {said?.words}
      </span>
      {read && (
        <section
          aria-label={`What is in ${read.file}`}
          className="bg-sheet border border-line p-4 mt-2 grid gap-3"
        >
          <h3 className="font-bold">{read.file}</h3>
          <p>
            {hoursOf(read.hours.rows)}, {shortDate(read.hours.from, timeZone)}{' '}
            {clockTime(read.hours.from, timeZone)} to {shortDate(lastOf(read.hours), timeZone)}{' '}
            {clockTime(lastOf(read.hours), timeZone)}
            {read.hours.missing > 0 &&
              `; ${hoursOf(read.hours.missing)} between are missing and stay as they are known`}
            .
          </p>
          <table className="text-left">
            <thead>
              <tr className="border-b border-ink2">
                <th className="py-1 pr-4">Column</th>
                <th className="pr-4">Taken for</th>
                <th className="pr-4">From</th>
                <th className="pr-4">To</th>
                <th>Hours</th>
              </tr>
            </thead>
            <tbody>
              {read.hours.columns.map((c) => (
                <tr key={c.told} className="border-b border-line">
                  <td className="py-1 pr-4">{c.name}</td>
                  <td className="pr-4">{NAMES[c.told]}</td>
                  <td className="pr-4">{c.least === null ? '–' : saidOf(c.told, c.least, view.units)}</td>
                  <td className="pr-4">{c.most === null ? '–' : saidOf(c.told, c.most, view.units)}</td>
                  <td>{c.hours.toLocaleString('en-US')}</td>
                </tr>
              ))}
              {read.hours.leftAside.map((name) => (
                <tr key={name} className="border-b border-line text-ink2">
                  <td className="py-1 pr-4">{name}</td>
                  <td colSpan={4}>left aside</td>
                </tr>
              ))}
            </tbody>
          </table>
          {read.hours.twice.map((at) => (
            <p key={at}>
              On {shortDate(at, timeZone)} the clock shows {clockTime(at, timeZone)} twice: the second line of
              that time is taken for the hour after the first.
            </p>
          ))}
          <div className="flex flex-wrap gap-2">
            <Button disabled={enter.busy} onClick={() => void keep()}>
              {enter.busy ? 'Keeping' : `Keep ${hoursOf(read.hours.rows)}`}
            </Button>
            <Button quiet onClick={() => setRead(null)}>
              Leave it
            </Button>
          </div>
        </section>
      )}
      <ProblemNote problem={enter.problem ?? back.problem} />
      <NotedList
        noted={view.entered.map((e) => ({
          id: e.id,
          what: (
            <>
              <b>{hoursOf(e.hours)}</b> from a file, {shortDate(e.from, timeZone)} to{' '}
              {shortDate(e.to, timeZone)}
            </>
          ),
          by: `by ${e.by}, ${shortDate(e.at, timeZone)}`,
        }))}
        busy={back.busy}
        onBack={may('take-hours-back') ? (id) => void takeBack(id) : null}
      />
      <p className="text-small text-ink2 mt-1">
        Its first line names what stands in it, with units: time, temperature (F), wind (mph), rain (in). One
        line an hour. Nothing is kept before you have seen what is in it.
      </p>
    </div>
  )
}

const lastOf = ({ from, rows, missing }: Read) => from + (rows + missing - 1) * 3_600_000
