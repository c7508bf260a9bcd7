import { isByPorts } from './trunk-injection/isByPorts'
import { capital } from '../capital'
import type { Method } from '../card/card'
import { shown } from '../quantity/pair'
import type { UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import type { Speed, Temperature } from '../quantity/units'
import { sayWallClock } from '../time/wallClock'
import { offsetIn } from '../time/zone'
import { HOUR_REASON, type ForecastHour, type HourReason } from './hourReasons'
import { workHours } from './hours'
import type { SubjectPlan, UseOf } from './plan'
import type { RunningStep } from './running'
import { sayAgo } from './sayTime'
import { tooQuick } from './trunk-injection/deviations'

/** Something of the moment of a press that its card does not allow: by which name it is accepted, and in words. */
export interface Outside {
  what: HourReason | 'not dried' | 'too quick' | 'seen before'
  say: string
}

/** What a press does that opens something, or puts something on. What closes is never held up. */
const OPENS: ReadonlySet<string> = new Set(['drill', 'start', 'do'])
/** A night is no limit of a card, and of what is not known nothing is said. */
const SAYS_NOTHING: ReadonlySet<HourReason> = new Set(['night', 'not known'])

const DAY_MS = 86_400_000

/** The wall clock’s hour of an instant. `hourAt('America/New_York', Date.UTC(2026, 5, 12, 14, 40))` is '2026-06-12T10:00' */
export function hourAt(timeZone: string, at: number): string {
  return `${sayWallClock(at + offsetIn(timeZone, at)).slice(0, 13)}:00`
}

/**
 * What of an hour lies outside what a card allows, each with its figure where it has one; none where the hour is not among those
 * given. `hours` follow one another and begin before the hour where what came before it counts. Source: the label; handbook, what
 * happened is what is written.
 *
 * @example outsideHour(captan, [{ name: 'captan' }], hours, '2026-06-12T10:00', 'us')[0].say // 'wind 15 mph, of at most 10 mph on the card'
 */
export function outsideHour(
  use: UseOf<Method>,
  actives: readonly { name: string }[],
  hours: readonly ForecastHour[],
  time: string,
  units: UnitSystem,
): Outside[] {
  const now = hours.find((h) => h.time === time)
  const held = now && workHours(use, actives, hours, 1)
  if (!held?.ok || held.value === null) return []
  const { reasons } = held.value.hours.find((h) => h.time === time)!
  return reasons.flatMap((what) =>
    SAYS_NOTHING.has(what) ? [] : [{ what, say: figureOf(use, what, now!, units) ?? HOUR_REASON[what] }],
  )
}

/** What speaks against pressing a step now: the hour, a time to dry that is not over, an uptake that cannot be, looks of an earlier day. */
export function outsideNow(q: {
  use: UseOf<Method>
  actives: readonly { name: string }[]
  plan: SubjectPlan
  hours: readonly ForecastHour[]
  timeZone: string
  units: UnitSystem
  /** All steps of the tree, as they stand. */
  steps: readonly RunningStep[]
  step: RunningStep
  press: { kind: string; noted?: string }
  /** Epoch ms. */
  at: number
  /** Why what was seen at the tree no longer holds; null while it does. */
  seenBefore: string | null
}): Outside[] {
  const { step, at } = q
  if (step.kind === 'port' && q.press.kind === 'stop' && isByPorts(q.plan)) {
    const quick = step.startedAt !== null && tooQuick(at - step.startedAt, q.plan.shape.uptake)
    return quick
      ? [
          {
            what: 'too quick',
            say: `it was set ${sayAgo(at - step.startedAt!)} ago and takes ${sayAgo(q.plan.shape.uptake.from * 1000)} at least: it leaked, or is not empty yet`,
          },
        ]
      : []
  }
  if (!OPENS.has(q.press.kind)) return []
  const dries =
    step.kind === 'task'
      ? notDried(q.steps, { ...step, startedAt: at, noted: q.press.noted ?? step.noted })
      : null
  return [
    ...outsideHour(q.use, q.actives, q.hours, hourAt(q.timeZone, at), q.units),
    ...(dries === null ? [] : [{ what: 'not dried' as const, say: dries }]),
    ...(q.seenBefore === null || goesOnLater(step)
      ? []
      : [{ what: 'seen before' as const, say: q.seenBefore }]),
  ]
}

/** A step that is planned for a later day than the first, as it waits for something to dry. */
export function goesOnLater(step: RunningStep): boolean {
  return step.kind === 'task' && step.waits !== undefined
}

/**
 * Why a step came before what it waits for was over, or null. A step at which nothing was written down as done (`0`) waits for
 * nothing.
 */
export function notDried(
  steps: readonly RunningStep[],
  step: Extract<RunningStep, { kind: 'task' }>,
): string | null {
  const { waits, startedAt } = step
  if (!waits || startedAt === null) return null
  if (step.noted !== null && Number(step.noted) === 0) return null
  const before = steps.find((s) => s.kind === 'task' && s.task === waits.after)
  if (before?.kind !== 'task' || before.endedAt === null || before.givenUp !== null) return null
  const passed = startedAt - before.endedAt
  return passed < (waits.days - HALF) * DAY_MS
    ? `it dried for ${sayAgo(passed)}, of at least ${waits.days} ${waits.days === 1 ? 'day' : 'days'}`
    : null
}

/** A morning after an afternoon is a day. */
const HALF = 0.5

/**
 * What of the hours in which a tree was worked lay outside its card, a sentence each with the first and the last hour of it.
 *
 * @example hoursOutside(captan, actives, [Date.UTC(2026, 5, 12, 14, 40)], hours, 'America/New_York', 'us')
 * // ['At 10:40: wind 15 mph, of at most 10 mph on the card.']
 */
export function hoursOutside(
  use: UseOf<Method>,
  actives: readonly { name: string }[],
  /** Of what opened something or put something on, epoch ms. */
  pressed: readonly number[],
  hours: readonly ForecastHour[],
  timeZone: string,
  units: UnitSystem,
): string[] {
  const found = new Map<string, { first: number; last: number; say: string }>()
  const byHour = new Map<string, Outside[]>()
  for (const at of [...pressed].sort((a, b) => a - b)) {
    const time = hourAt(timeZone, at)
    if (!byHour.has(time)) byHour.set(time, outsideHour(use, actives, hours, time, units))
    for (const { what, say } of byHour.get(time)!) {
      const before = found.get(what)
      if (before) before.last = at
      else found.set(what, { first: at, last: at, say })
    }
  }
  const clock = (at: number) => sayWallClock(at + offsetIn(timeZone, at)).slice(11, 16)
  return [...found.values()].map(({ first, last, say }) =>
    clock(first) === clock(last)
      ? `At ${clock(first)}: ${say}.`
      : `From ${clock(first)} to ${clock(last)}: ${say}.`,
  )
}

/** When something was opened or put on at steps, by what of it stands; epoch ms. */
export function openings(steps: readonly RunningStep[]): number[] {
  return steps
    .flatMap((s) =>
      s.kind === 'port' ? [s.drilledAt, s.startedAt] : [s.startedAt, s.givenUp === null ? s.endedAt : null],
    )
    .filter((at) => at !== null)
}

/**
 * What of the weather it was done in lies outside what its card allows, a sentence each with both figures; none where the card says
 * nothing of it. Source: the label; handbook, what happened is what is written.
 *
 * @example weatherDeviations(captan, { wind: 6.7, temperature: 19 }, 'us') // ['Wind 15 mph, of at most 10 mph on the card.']
 */
export function weatherDeviations(
  use: UseOf<Method>,
  weather: { wind: Speed; temperature: Temperature },
  units: UnitSystem,
): string[] {
  return beyond(use, weather, units).map(({ say }) => `${capital(say)}.`)
}

/** The readings that lie beyond a card's bounds, each in words. */
function beyond(
  use: UseOf<Method>,
  weather: { wind: Speed; temperature: Temperature },
  units: UnitSystem,
): { of: 'wind' | 'temperature'; say: string }[] {
  return BOUNDED.flatMap(({ name, of, dimension, unit }) => {
    const now = weather[of]
    const bounds = (use.terms as CardBounds)[of]
    return (['least', 'most'] as const).flatMap((way) => {
      const text = bounds?.[way]
      const bound = text === undefined ? null : readQuantity(text, dimension, way)
      if (!bound?.ok) return []
      // A tenth of a unit is the reading’s own.
      const out = way === 'least' ? now < bound.value.si - SLACK : now > bound.value.si + SLACK
      return out
        ? [
            {
              of,
              say: `${name} ${shown(now, unit, units, 0)}, of at ${way} ${shown(bound.value.si, unit, units, 0)} on the card`,
            },
          ]
        : []
    })
  })
}

type CardBounds = Partial<Record<'wind' | 'temperature', { least?: string; most?: string }>>

const SLACK = 0.06
const BOUNDED = [
  { name: 'wind', of: 'wind', dimension: 'speed', unit: 'mph' },
  { name: 'air', of: 'temperature', dimension: 'temperature', unit: 'F' },
] as const
/** Which reading a reason is of. */
const READING: Partial<Record<HourReason, 'wind' | 'temperature'>> = {
  wind: 'wind',
  calm: 'wind',
  cold: 'temperature',
  hot: 'temperature',
}

/** A reason with the figure of its hour; null where it has none. */
function figureOf(
  use: UseOf<Method>,
  what: HourReason,
  { wind, temperature }: ForecastHour,
  units: UnitSystem,
): string | null {
  const of = READING[what]
  if (!of || wind === undefined || temperature === undefined) return null
  return beyond(use, { wind, temperature }, units).find((b) => b.of === of)?.say ?? null
}
