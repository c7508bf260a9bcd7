import { workHours } from '@/core/methods/hours'
import { openDays, type WindowRule } from '@/core/season/window'
import { warmthOf } from '@/core/season/year'
import { addDays } from '@/core/time/calendar'
import { CARDS } from '../demo/cards'

/**
 * A year of hourly weather of fifty sites, and five hundred windows on it: degree days from the hours, each window by its rules, and the hours of a spray over the ten
 * days ahead of each. Weather is drawn, the same each time.
 */
const SITES = 50
const WINDOWS = 500
const DAYS = 365
const FROM = '2026-01-01'

function drawn(seed: number): () => number {
  let state = seed
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}

const random = drawn(7)
const sites = Array.from({ length: SITES }, () =>
  Array.from({ length: DAYS * 24 }, (_, h) => {
    const day = Math.floor(h / 24)
    const warm =
      10 - 14 * Math.cos((2 * Math.PI * (day - 20)) / 365) + 5 * Math.sin((2 * Math.PI * (h - 9)) / 24)
    return {
      time: `${addDays(FROM, day)}T${String(h % 24).padStart(2, '0')}:00`,
      temperature: warm + 4 * (random() - 0.5),
      wind: 4 * random(),
      gust: 7 * random(),
      rain: random() < 0.06 ? 0.002 * random() : 0,
      sun: 0.5,
      soil: 'moist' as const,
    }
  }),
)
const spray = CARDS.flatMap(({ card }) => card.uses.map((use) => ({ card, use }))).find(
  (c) => c.use.method === 'crown-spray',
)!

function once(): { ms: number; open: number; hours: number } {
  const began = performance.now()
  let [open, hours] = [0, 0]
  const each = WINDOWS / SITES
  for (const site of sites) {
    const days = Array.from({ length: DAYS }, (_, d) => {
      const own = site.slice(d * 24, d * 24 + 24).map((h) => h.temperature)
      return { date: addDays(FROM, d), min: Math.min(...own), max: Math.max(...own) }
    })
    const warmth = warmthOf(days, { base: 10 }, FROM, addDays(FROM, DAYS - 1))
    const totals = days.flatMap((d, i) =>
      typeof warmth[i] === 'number' ? [{ date: d.date, degreeDays: warmth[i] }] : [],
    )
    for (let w = 0; w < each; w++) {
      const low = 100 + 60 * w
      const rules: WindowRule[] = [
        { kind: 'dates', from: '03-01', to: '10-31' },
        { kind: 'degree-days', from: low, to: low + 150 },
        { kind: 'not-stage', stage: 'bloom', daysAfter: 3 },
        { kind: 'apart', from: addDays(FROM, 120 + w), days: 14 },
      ]
      const found = openDays({
        from: FROM,
        to: addDays(FROM, DAYS - 1),
        days: totals,
        stages: [{ stage: 'bloom', from: addDays(FROM, 125), to: addDays(FROM, 136) }],
        rules,
      })
      if (!found.ok) throw new Error(found.problem.message)
      open += found.value.days
      const first = found.value.open[0]
      if (!first) continue
      const at = site.findIndex((h) => h.time.startsWith(first.from))
      const held = workHours(spray.use, spray.card.actives, site.slice(at, at + 240), 2)
      if (held.ok && held.value) hours += held.value.hours.filter((h) => h.open).length
    }
  }
  return { ms: performance.now() - began, open, hours }
}

once()
const runs = Array.from({ length: 5 }, once)
const sorted = runs.map((r) => r.ms).sort((a, b) => a - b)
console.log(
  `${WINDOWS} windows on a year of hours at ${SITES} sites, with the spray hours of ten days each: p50 ${sorted[2]!.toFixed(0)} ms, slowest of 5 ${sorted[4]!.toFixed(0)} ms (${runs[0]!.open} open days, ${runs[0]!.hours} open hours)`,
)
