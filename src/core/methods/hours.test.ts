import { CARDS, useOf } from '../../../demo/cards'
import type { Method } from '../card/card'
import { toSI } from '../quantity/units'
import { type ForecastHour } from './hourReasons'
import { stretches, usualSprayHours, workHours } from './hours'
import type { UseOf } from './plan'

const cardOf = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const use = (code: string, method: Method) => useOf(cardOf(code), method as never) as UseOf<Method>
const oil = use('HO1', 'crown-spray')
const drench = use('SD2', 'soil-drench')
const inject = use('EB4', 'trunk-injection')
const cut = use('HC-PRUNE', 'prune')

/** Fair weather from midnight on; `at` changes single hours. */
const fair = (n: number, at: Record<number, Partial<ForecastHour>> = {}): ForecastHour[] =>
  Array.from({ length: n }, (_, i) => ({
    time: `2026-06-${String(12 + Math.floor(i / 24)).padStart(2, '0')}T${String(i % 24).padStart(2, '0')}:00`,
    temperature: toSI(68, 'F'),
    wind: toSI(5, 'mph'),
    gust: toSI(8, 'mph'),
    rain: 0,
    sun: 0.3,
    cloud: 0.5,
    soil: 'moist',
    ...at[i],
  }))
const hoursOf = (u: UseOf<Method>, hours: ForecastHour[], need = 2, actives: { name: string }[] = []) => {
  const r = workHours(u, actives, hours, need)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value!
}
const reasonsAt = (u: UseOf<Method>, hours: ForecastHour[], at: number, actives: { name: string }[] = []) =>
  hoursOf(u, hours, 1, actives).hours[at]!.reasons

it('is closed at night, whatever is done, and open by day in fair weather', () => {
  const { hours, best, next } = hoursOf(oil, fair(48))
  expect(hours[4]!.reasons).toEqual(['night'])
  expect(hours[5]!.open).toBe(true)
  expect(hours[20]!.open).toBe(true)
  expect(hours[21]!.reasons).toEqual(['night'])
  expect(best).toEqual({ from: '2026-06-12T05:00', hours: 16 })
  expect(next).toEqual(best)
})

it('keeps the card’s wind, gust, sun and rain for a spray', () => {
  const windy = fair(48, { 9: { wind: toSI(14, 'mph') }, 10: { gust: toSI(25, 'mph') }, 12: { sun: 0.9 } })
  expect(reasonsAt(oil, windy, 9)).toEqual(['wind'])
  expect(reasonsAt(oil, windy, 10)).toEqual(['gust'])
  expect(reasonsAt(oil, windy, 12)).toEqual(['sun'])
  // Four dry hours follow an oil.
  const wet = fair(48, { 16: { rain: 0.002 } })
  expect(reasonsAt(oil, wet, 11)).toEqual([])
  expect(reasonsAt(oil, wet, 12)).toEqual(['rain'])
})

it('looks for heat in the hours after an oil, by its active', () => {
  const hot = fair(48, { 15: { temperature: toSI(95, 'F') } })
  expect(reasonsAt(oil, hot, 10)).toEqual([])
  expect(reasonsAt(oil, hot, 10, [{ name: 'horticultural oil' }])).toEqual(['hot'])
  expect(reasonsAt(oil, hot, 8, [{ name: 'horticultural oil' }])).toEqual([])
})

it('closes a drench on full or frozen soil and before a wet day', () => {
  expect(reasonsAt(drench, fair(48, { 9: { soil: 'saturated' } }), 9)).toEqual(['saturated'])
  expect(reasonsAt(drench, fair(48, { 9: { soil: 'frozen' } }), 9)).toEqual(['frozen'])
  const storm = fair(48, { 30: { rain: toSI(0.6, 'in') } })
  expect(reasonsAt(drench, storm, 6)).toEqual([])
  expect(reasonsAt(drench, storm, 8)).toEqual(['rain to come'])
  expect(reasonsAt(drench, fair(48, { 30: { rain: toSI(0.4, 'in') } }), 8)).toEqual([])
})

it('closes an injection in the cold, in the heat and in dry soil', () => {
  const day = fair(48, {
    6: { temperature: toSI(40, 'F') },
    14: { temperature: toSI(99, 'F') },
    16: { soil: 'dry' },
  })
  expect(reasonsAt(inject, day, 6)).toEqual(['cold'])
  expect(reasonsAt(inject, day, 14)).toEqual(['hot'])
  expect(reasonsAt(inject, day, 16)).toEqual(['dry'])
  expect(reasonsAt(inject, day, 10)).toEqual([])
})

it('waits with a cut for dry bark and a dry day to come', () => {
  const rain = fair(72, { 10: { rain: 0.001 }, 50: { rain: 0.001 } })
  expect(reasonsAt(cut, rain, 9)).toEqual(['rain to come'])
  expect(reasonsAt(cut, rain, 14)).toEqual(['wet bark'])
  expect(reasonsAt(cut, rain, 15)).toEqual([])
  expect(reasonsAt(cut, rain, 30)).toEqual(['rain to come'])
})

it('says nothing of work that no weather closes', () => {
  expect(workHours(use('HC-BAND', 'band'), [], fair(24), 1)).toEqual({ ok: true, value: null })
})

it('names the next stretch that is long enough beside the longest', () => {
  const { next, best } = hoursOf(
    oil,
    fair(48, { 9: { wind: toSI(14, 'mph') }, 14: { wind: toSI(14, 'mph') } }),
    3,
  )
  expect(next).toEqual({ from: '2026-06-12T05:00', hours: 4 })
  expect(best).toEqual({ from: '2026-06-13T05:00', hours: 16 })
})

it('finds no stretch that is too short', () => {
  const broken = fair(24, Object.fromEntries([7, 10, 13, 16, 19].map((h) => [h, { wind: toSI(14, 'mph') }])))
  expect(hoursOf(oil, broken, 3).best).toBeNull()
  expect(hoursOf(oil, broken, 2).best).toEqual({ from: '2026-06-12T05:00', hours: 2 })
})

it('puts hours of the same reasons together', () => {
  const { hours } = hoursOf(oil, fair(24, { 9: { wind: toSI(14, 'mph') } }))
  expect(stretches(hours)).toEqual([
    { from: '2026-06-12T00:00', hours: 5, reasons: ['night'] },
    { from: '2026-06-12T05:00', hours: 4, reasons: [] },
    { from: '2026-06-12T09:00', hours: 1, reasons: ['wind'] },
    { from: '2026-06-12T10:00', hours: 11, reasons: [] },
    { from: '2026-06-12T21:00', hours: 3, reasons: ['night'] },
  ])
})

it('keeps a spray off wet leaves and out of air that does not mix, and lets other work go on', () => {
  const dewy = fair(48, { 6: { wet: true }, 7: { inversion: true }, 8: { wet: true, rain: 0.001 } })
  expect(reasonsAt(oil, dewy, 6)).toEqual(['wet leaves', 'rain'])
  expect(reasonsAt(oil, dewy, 7)).toEqual(['inversion', 'rain'])
  expect(reasonsAt(oil, dewy, 8)).toEqual(['rain'])
  expect(reasonsAt(inject, dewy, 6)).toEqual([])
  expect(reasonsAt(drench, dewy, 7)).toEqual([])
})

it('counts an hour that likely rains as rain', () => {
  const at = (chance: number) => reasonsAt(oil, fair(48, { 12: { chance } }), 12)
  expect(at(0.39)).toEqual([])
  expect(at(0.4)).toEqual(['rain'])
})

it('closes an hour of which too little is known, and no other', () => {
  const gap = fair(48, { 12: { wind: undefined, rain: undefined } })
  expect(reasonsAt(oil, gap, 12)).toEqual(['not known'])
  expect(reasonsAt(oil, gap, 11)).toEqual([])
  // A trunk takes up whatever the wind does.
  expect(reasonsAt(inject, gap, 12)).toEqual([])
})

it('looks ahead by the usual limits before a card is chosen, by the same rules', () => {
  const found = usualSprayHours(
    fair(24, {
      8: { wind: toSI(11, 'mph') },
      10: { gust: undefined },
      12: { wet: true },
      15: { chance: 0.5 },
    }),
  )
  if (!found.ok) throw new Error(found.problem.message)
  expect([4, 7, 8, 10, 12, 13, 16].map((h) => found.value[h]!.reasons.join())).toEqual([
    'night',
    '',
    'wind',
    'not known',
    'wet leaves',
    'rain',
    '',
  ])
  expect(usualSprayHours([])).toEqual({ ok: true, value: [] })
})

test('the hours of the site close an hour, also for work that no weather closes', () => {
  const hours = fair(24, { 9: { shut: true } })
  expect(reasonsAt(drench, hours, 9)).toEqual(['site'])
  expect(reasonsAt(drench, hours, 10)).toEqual([])
  const guard = use('HC-MESH', 'guard')
  expect(workHours(guard, [], fair(24), 1)).toEqual({ ok: true, value: null })
  expect(reasonsAt(guard, hours, 9)).toEqual(['site'])
})

it('closes a bark spray in wind and cold, on wet bark and before rain', () => {
  const bark = use('PS3', 'bark-spray')
  expect(reasonsAt(bark, fair(48), 9)).toEqual([])
  expect(reasonsAt(bark, fair(48, { 9: { wind: toSI(12, 'mph') } }), 9)).toEqual(['wind'])
  expect(reasonsAt(bark, fair(48, { 9: { temperature: toSI(39, 'F') } }), 9)).toEqual(['cold'])
  const shower = fair(48, { 9: { rain: 0.002 } })
  expect(reasonsAt(bark, shower, 11)).toEqual(['wet bark'])
  expect(reasonsAt(bark, shower, 14)).toEqual([])
  // Twelve dry hours follow it.
  const later = fair(48, { 20: { rain: 0.002 } })
  expect(reasonsAt(bark, later, 7)).toEqual([])
  expect(reasonsAt(bark, later, 9)).toEqual(['rain'])
})

it('sets helpers free on days that are warm enough', () => {
  const card = CARDS.find((c) => c.card.uses.some((u) => u.method === 'release'))!.card.code
  const free = use(card, 'release')
  const warm = Number((free.terms as Record<string, unknown>)['warm'])
  const day = (top: number) =>
    fair(
      48,
      Object.fromEntries(
        Array.from({ length: 48 }, (_, i) => [i, { temperature: toSI(i % 24 === 15 ? top : 50, 'F') }]),
      ),
    )
  expect(reasonsAt(free, day(warm), 18)).toEqual([])
  expect(reasonsAt(free, day(warm - 1), 18)).toEqual(['cold'])
  expect(
    reasonsAt(
      free,
      fair(48).map(({ temperature, ...h }) => (void temperature, h)),
      18,
    ),
  ).toEqual([])
})
