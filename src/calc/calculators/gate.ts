import { METHODS, METHOD_NAME } from '@/core/methods/names'
import { isOf } from '@/core/kind/kind'
import { z } from 'zod'
import { cause as causeOf } from '@/almanac/causes'
import { causeFacts, hostFacts } from '@/almanac/gateFacts'
import { host as hostOf } from '@/almanac/hosts'
import type { OwnEntry } from '@/almanac/ownEntry'
import { retreatDays } from '@/almanac/retreat'
import { type Method } from '@/core/card/card'
import { LEAF } from '@/core/decide/way'
import { almanacWindow } from '@/core/gate/calendar'
import { gate as askGate, said, type Answer } from '@/core/gate/gate'
import { lastsDays } from '@/core/gate/history'
import { productFacts } from '@/core/gate/product'
import { RULES, type ProductFacts, type Question } from '@/core/gate/question'
import type { Use } from '@/core/history/use'
import { methodOf } from '@/core/methods/registry'
import { isSpray, isSystemicWay } from '@/core/methods/systemic'
import type { Problem } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import { isDate, spokenDate } from '@/core/time/calendar'
import type { Working } from '@/core/working/working'
import { calculator, MOST_ROWS } from '../calculator'
import { date, name, number, oneOf, quantity } from '../fields'

const method = oneOf(METHODS as unknown as readonly [Method, ...Method[]], 'How it is done.')
const actives = z.array(name('An active ingredient, as it is written.')).max(12).optional()

const request = {
  date: date('The day of the work.'),
  host: name('Kind of tree, by its id of the almanac.'),
  cause: name('What it is done against, by its id of the almanac.'),
  method,
  actives,
  group: name('Mode-of-action group; that of the almanac where it is left out.').optional(),
  kind: name('fungicide, insecticide …: rotation is asked within one.').optional(),
  facts: z
    .strictObject({
      leaf: oneOf(LEAF, 'How its leaves stand.').optional(),
      soil: oneOf(['moist', 'dry', 'saturated', 'frozen'], 'How the soil is.').optional(),
      bark: oneOf(['dry', 'wet'], 'How the bark is.').optional(),
      bloom: oneOf(['before', 'open', 'over'], 'This year’s flowers of the tree.').optional(),
      crownLost: number('Share of the crown that is lost, per cent.').optional(),
      drought: z.boolean().optional().meta({ description: 'It stands in a drought.' }),
      larvae: oneOf(['small', 'large'], 'How far the larvae are.').optional(),
      joined: z.boolean().optional().meta({
        description: 'A tree of the same kind stands within 50 ft, whose roots may be joined to it.',
      }),
      eaten: z.boolean().optional().meta({ description: 'People eat of it.' }),
      toWater: quantity('length', 'Distance to water').optional(),
      snow: z.boolean().optional().meta({ description: 'Snow lies.' }),
    })
    .optional(),
  card: z
    .strictObject({
      minDays: number('Fewest days between two uses.').optional(),
      maxApplications: number('Most uses in a calendar year.').optional(),
      waterSetback: quantity(
        'length',
        'Distance to water',
        'Distance kept from water and wells; a length with its unit.',
      ).optional(),
      hosts: z.array(name('A kind of tree.')).max(200).optional(),
    })
    .optional(),
  history: z
    .array(
      z.strictObject({
        date: date('The day it was done, or is planned for.'),
        method: method.optional(),
        actives,
        group: name('Mode-of-action group.').optional(),
        kind: name('fungicide, insecticide …').optional(),
        cause: name('What it was against.').optional(),
      }),
    )
    .max(MOST_ROWS)
    .optional()
    .meta({ description: 'What is done and what is planned, before and after the day.' }),
}

type Input = z.output<z.ZodObject<typeof request>>

export const gate = calculator({
  name: 'gate',
  title: 'May it go on?',
  description:
    'Whether work may go on at a tree on a day, by the gate that prescribes, plans, begins and records. `closed` names every rule that stands against it, with `until`, the first day on which that rule no longer closes it, where only time does. What is not given is asked in `asks` where it matters and closes nothing. `again` says after how many days this way with this active is due again for this cause; null where it is done once. History is held in both directions; an active is one however it is written.',
  request,
  answer: {
    open: z.boolean(),
    closed: z.array(
      z.strictObject({ rule: z.enum(RULES), message: z.string(), until: z.string().nullable() }),
    ),
    asks: z.array(z.strictObject({ field: z.string(), message: z.string() })),
    again: z.strictObject({ days: z.number().nullable() }),
  },
  example: {
    date: '2026-06-12',
    host: 'ash',
    cause: 'emerald-ash-borer',
    method: 'soil-drench',
    actives: ['imidacloprid'],
    facts: { leaf: 'out', soil: 'moist', crownLost: 10, toWater: '60 ft' },
    card: { minDays: 7, maxApplications: 4, waterSetback: '25 ft', hosts: ['ash'] },
    history: [
      {
        date: '2025-06-10',
        method: 'soil-drench',
        actives: ['Imidacloprid'],
        group: '4A',
        kind: 'insecticide',
        cause: 'emerald-ash-borer',
      },
    ],
  },
  work: (input, units, _, { own = [] }) => {
    const wrong = whatIsWrong(input, own)
    if (wrong) return { ok: false, problem: wrong }
    const question = questionOf(input, units, own)
    const { closed, asks, again } = askGate(question)
    return {
      ok: true,
      value: {
        open: closed.length === 0,
        closed: closed.map((r) => ({
          rule: r.rule,
          message: said(r),
          until: r.until,
        })),
        asks: asks.map((a) => ({
          field: `facts.${a.field === 'water' ? 'toWater' : a.field}`,
          message: a.message,
        })),
        again: { days: again },
        working: workingOf(question, { closed, asks, again }),
      },
    }
  },
})

function whatIsWrong(input: Input, own: readonly OwnEntry[]): Problem | null {
  const problem = (code: Problem['code'], field: string, message: string): Problem => ({
    code,
    field,
    message,
  })
  const dates = [
    ['date', input.date] as const,
    ...(input.history ?? []).map((h, i) => [`history[${i}].date`, h.date] as const),
  ]
  for (const [field, day] of dates)
    if (!isDate(day)) return problem('bad-quantity', field, 'A date is written as 2026-05-01; check it.')
  const known = (kind: 'host' | 'cause', id: string) => own.some((e) => e.kind === kind && e.id === id)
  const kinds = [
    ['host', input.host] as const,
    ...(input.card?.hosts ?? []).map((id, i) => [`card.hosts[${i}]`, id] as const),
  ]
  for (const [field, id] of kinds)
    if (!hostOf(id) && !known('host', id))
      return problem('unknown', field, `The almanac has no kind "${id.slice(0, 40)}"; check its spelling.`)
  const causes = [
    ['cause', input.cause] as const,
    ...(input.history ?? []).flatMap((h, i) =>
      h.cause === undefined ? [] : [[`history[${i}].cause`, h.cause] as const],
    ),
  ]
  for (const [field, id] of causes)
    if (!causeOf(id) && !known('cause', id))
      return problem('unknown', field, `The almanac has no cause "${id.slice(0, 40)}"; check its spelling.`)
  const { crownLost } = input.facts ?? {}
  if (crownLost !== undefined && !(crownLost >= 0 && crownLost <= 100))
    return problem(
      'out-of-range',
      'facts.crownLost',
      'The share of the crown that is lost lies from 0 to 100 per cent.',
    )
  const { minDays, maxApplications } = input.card ?? {}
  if (minDays !== undefined && !(minDays >= 0 && minDays <= 4000))
    return problem('out-of-range', 'card.minDays', 'The days between two uses lie from 0 to 4,000.')
  if (
    maxApplications !== undefined &&
    !(Number.isInteger(maxApplications) && maxApplications >= 1 && maxApplications <= 400)
  )
    return problem(
      'out-of-range',
      'card.maxApplications',
      'The most uses a year are a whole number from 1 to 400.',
    )
  return null
}

type Applied = Pick<Input, 'actives' | 'group' | 'kind'>

function productOf({ actives, group, kind }: Applied): ProductFacts | null {
  if (actives === undefined || actives.length === 0) return null
  return productFacts({
    code: null,
    name: actives.join(' with '),
    actives: actives.map((name) => ({ name, group })),
    kind: kind?.trim().toLowerCase(),
  })
}

function questionOf(input: Input, units: UnitSystem, own: readonly OwnEntry[]): Question {
  const { facts = {}, card } = input
  const cause = causeFacts(input.cause, input.host, own)
  const product = productOf(input)
  const due = retreatDays(input.cause, input.method, product, cause.ways)
  const again = due === null ? (card?.minDays ?? null) : Math.max(due, card?.minDays ?? 0)
  const { toWater, ...seen } = facts
  return {
    on: input.date,
    today: input.date,
    units,
    south: false,
    host: hostFacts(input.host, own),
    cause,
    method: input.method,
    product,
    card: card
      ? {
          namesHost: card.hosts === undefined || isOf(card.hosts, input.host),
          namesCause: true,
          timesPerYear: card.maxApplications,
          waterSetback: card.waterSetback,
          forbiddenOnFood: false,
          // A label that names the crop may go on it, a spray where it is silent too; days to harvest are a question of their own.
          foodCrops: (card.hosts ?? (isSystemicWay(input.method) ? [] : [input.host])).map((host) => ({
            host,
            harvestDays: 0,
          })),
        }
      : null,
    keeps: { leastDays: card?.minDays },
    facts: {
      ...seen,
      ...(toWater !== undefined && { water: { distance: toWater, what: 'water' } }),
    },
    history: (input.history ?? []).map((h) => useOf(h, input.date, own)),
    again,
    onGround: methodOf(input).onGround,
    rules: [],
    inWindow: (window) => almanacWindow(window, input.date, false, []),
    own: [],
  }
}

function useOf(h: NonNullable<Input['history']>[number], on: string, own: readonly OwnEntry[]): Use {
  const product = productOf(h)
  const how = h.method ?? 'crown-spray'
  const ways = h.cause === undefined ? [] : causeFacts(h.cause, '', own).ways
  const again = h.cause === undefined ? null : retreatDays(h.cause, how, product, ways)
  return {
    workId: null,
    signedIn: null,
    on: h.date,
    state: h.date > on ? 'on a day' : 'done',
    cause: h.cause ?? '',
    method: how,
    code: null,
    name: product?.name ?? 'Work by hand',
    actives: product?.actives ?? [],
    kind: product?.kind ?? null,
    from: 'as said',
    amount: 0,
    treated: true,
    failed: false,
    lastsDays: lastsDays({ method: how, product, again }),
    sprayed: isSpray(how),
    feeds: product?.feeds ?? false,
    keeps: {},
  }
}

function workingOf(q: Question, { closed, asks, again }: Answer): Working {
  const day = spokenDate(q.on)
  return [
    {
      label: 'Asked',
      expression: `${METHOD_NAME[q.method]}${q.product ? ` of ${q.product.name}` : ''} on ${q.host.name.toLowerCase()} against ${q.cause.name.toLowerCase()}, ${day}`,
      result:
        closed.length === 0
          ? 'open'
          : `closed by ${closed.length === 1 ? 'one rule' : `${closed.length} rules`}`,
      source: 'handbook',
    },
    ...closed.map((r) => ({
      label: `Rule: ${r.rule}`,
      expression: r.why,
      result: r.until === null ? 'closed' : `closed until ${spokenDate(r.until)}`,
      source: 'handbook' as const,
    })),
    ...asks.map((a) => ({
      label: `Asked: ${a.field}`,
      expression: a.message,
      result: 'not said',
      source: 'handbook' as const,
    })),
    {
      label: 'Due again',
      expression: 'what the cause bears by this way with this active, never before the card’s least',
      result: again === null ? 'done once, or nobody says' : `after ${again} days`,
      source: 'handbook',
    },
  ]
}
