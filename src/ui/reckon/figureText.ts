import { causeName } from '@/almanac/causes'
import { findingName } from '@/almanac/findings'
import { testOf } from '@/almanac/laboratory'
import { plain, tapeInches } from '@/core/quantity/format'
import { sensible, SIGNS, type Quantity } from '@/core/quantity/pair'
import { valueAt } from '@/ui/fields/paths'
import type { Figure } from './sheet'
import { spokenDate } from '@/core/time/calendar'

type Row = Record<string, unknown>

const isQuantity = (v: unknown): v is Quantity =>
  typeof v === 'object' && v !== null && 'value' in v && 'unit' in v

/** A quantity as a person reads it: inches as on the tape, everything else with three digits or two decimals. */
export function quantityText({ value, unit }: Quantity): string {
  if (unit === 'in' && Math.abs(value) >= 1) {
    const tape = tapeInches(value)
    return `${Math.abs(value * 8 - Math.round(value * 8)) < 1e-6 ? tape : `${plain(value, 2)}`} in`
  }
  return `${sensible(value, Math.abs(value) >= 100 ? 1 : 2)} ${SIGNS[unit] ?? unit}`
}

const hour = (time: string) => `${spokenDate(time.slice(0, 10))}, ${time.slice(11, 16)}`
const list = (items: unknown[]) => (items.length === 0 ? 'none' : items.join(', '))
const alike = (texts: string[]) => {
  const counts = new Map<string, number>()
  for (const t of texts) counts.set(t, (counts.get(t) ?? 0) + 1)
  return [...counts].map(([t, n]) => (n > 1 ? `${n} × ${t}` : t)).join(', ')
}

const treesBy = (a: Row, way: string | null) =>
  (a['choice'] as { id: string; way: string | null }[]).filter((c) => c.way === way).map((c) => c.id)

const RULES: Record<string, string> = {
  apart: 'must keep apart from',
  bloom: 'not in bloom',
  harvest: 'too near the harvest',
  'same-group': 'same group again after',
  'too-many': 'more than its year allows',
  'too-soon': 'too soon beside',
}

type LoadedRow = { product: string; take: Quantity; short: Quantity; lots: { lot: string; take: Quantity }[] }
const percent = (share: number) => `${plain(share * 100, 0)} %`

/** Figures that are put together from several of the answer's. */
const MADE: Record<string, (answer: Row) => string> = {
  bearings: (a) => list((a['ports'] as Row[]).map((p) => `${String(p['bearing'])}°`)),
  poured: (a) => alike((a['pours'] as Row[]).map((p) => quantityText(p['pour'] as Quantity))),
  loaded: (a) =>
    alike(
      ((a['loads'] as Row[] | undefined) ?? []).map(
        (l) => `${quantityText(l['volume'] as Quantity)} with ${quantityText(l['product'] as Quantity)}`,
      ),
    ) || 'no tank given',
  ringHoles: (a) => list(((a['rings'] as Row[] | undefined) ?? []).map((r) => String(r['holes']))),
  stemByStem: (a) => list((a['perStem'] as Quantity[]).map(quantityText)),
  drenched: (a) => list(treesBy(a, 'drench')),
  injected: (a) => list(treesBy(a, 'inject')),
  left: (a) => list(treesBy(a, null)),
  pieces: (a) => alike((a['cuts'] as Row[]).map((c) => quantityText(c['length'] as Quantity))),
  treat: (a) => list(a['treat'] as unknown[]),
  wait: (a) => list(a['wait'] as unknown[]),
  conflictList: (a) => {
    const conflicts = a['conflicts'] as {
      date: string
      product: string
      rule: string
      with: { date: string; product: string } | null
    }[]
    if (conflicts.length === 0) return 'nothing'
    return conflicts
      .map(
        (c) =>
          `${c.product} on ${spokenDate(c.date)}: ${RULES[c.rule]}${c.with ? ` ${c.with.product} on ${spokenDate(c.with.date)}` : ''}`,
      )
      .join('; ')
  },
  mayGoOn: (a) => (a['open'] === true ? 'It may go on' : 'It may not go on'),
  closedBy: (a) => (a['closed'] as { message: string }[]).map((c) => c.message).join(' ') || 'nothing',
  askedOf: (a) => (a['asks'] as { message: string }[]).map((c) => c.message).join(' ') || 'nothing',
  'again.days': (a) => {
    const { days } = a['again'] as { days: number | null }
    if (days === null) return 'done once, or by a look'
    const years = days / 365
    return years >= 1
      ? `after ${plain(years, 1)} ${years === 1 ? 'year' : 'years'}`
      : `after ${plain(days, 0)} ${days === 1 ? 'day' : 'days'}`
  },
  taken: (a) =>
    list(
      (a['products'] as LoadedRow[]).map(
        (p) =>
          `${quantityText(p.take)} of ${p.product} (${list(p.lots.map((l) => `${l.lot} ${quantityText(l.take)}`))})`,
      ),
    ),
  shortOf: (a) =>
    (a['products'] as LoadedRow[])
      .filter((p) => p.short.value > 0)
      .map((p) => `${quantityText(p.short)} of ${p.product}`)
      .join(', ') || 'nothing',
  measuredBy: (a) =>
    list(
      (a['doses'] as { id: string; measure: string | null; fills: number; reading: Quantity | null }[]).map(
        (d) =>
          d.reading === null
            ? `${d.id}: none shows it`
            : `${d.id}: ${quantityText(d.reading)} by ${d.measure}${d.fills > 1 ? `, ${d.fills} fills` : ''}`,
      ),
    ),
  worksFor: (a) =>
    list(
      (a['groups'] as { group: string; credible: { low: number; high: number } }[]).map(
        (g) => `${g.group}: ${percent(g.credible.low)} to ${percent(g.credible.high)} of trees`,
      ),
    ),
  betterOf: (a) =>
    (a['pairs'] as { a: string; b: string; chance: number }[])
      .map(({ a: one, b: other, chance }) => {
        const [better, worse] = chance >= 0.5 ? [one, other] : [other, one]
        return `${better} than ${worse}, with a chance of ${percent(Math.max(chance, 1 - chance))}`
      })
      .join('; ') || 'one alone',
  leading: (a) => {
    const [first] = a['causes'] as { cause: string; probability: number }[]
    return first ? `${causeName(first.cause)}, ${plain(first.probability, 2)}` : 'nothing'
  },
  check: (a) => {
    const [first] = a['next'] as { finding?: string; test?: string }[]
    if (!first) return 'nothing more to look at'
    return first.test
      ? (testOf(first.test)?.name ?? findingName(first.test))
      : findingName(first.finding ?? '')
  },
}

/** One figure of an answer in words; null where the answer has none. */
export function figureText(figure: Figure, answer: Row, units: 'us' | 'si'): string | null {
  if (figure.path === 'total' && 'days' in answer) {
    const days = answer['days'] as Row[]
    return `${sensible(Number(days.at(-1)?.['total'] ?? 0), 1)} ${units === 'us' ? '°F·d' : '°C·d'}`
  }
  // One stem has nothing to add up.
  if (figure.path === 'summedDiameter' && (answer['stems'] as unknown[]).length < 2) return null
  const value = valueAt(answer, figure.path)
  const made = MADE[figure.path]
  if (made && (typeof value !== 'number' || figure.path === 'again.days')) return made(answer)
  if (value === undefined) return null
  if (value === null) return 'none'
  if (isQuantity(value)) return quantityText(value)
  if (typeof value === 'number') {
    if (figure.unit === '$') return `${value < 0 ? '−' : ''}$${plain(Math.abs(value), 0)}`
    return [sensible(value, 2), figure.unit].filter(Boolean).join(' ')
  }
  const text = typeof value === 'string' ? value : JSON.stringify(value)
  // Money comes as it is written, with its cents.
  if (figure.unit === '$') return `$${text.replace(/\B(?=(\d{3})+(?!\d))/g, ',')}`
  return figure.path.endsWith('from') ? hour(text) : text
}
