import { z } from 'zod'
import { ACTION_WORDS } from '@/almanac/actionWords'
import { JURISDICTIONS } from '@/almanac/jurisdiction'
import { HOW_WELL, WAY_METHODS } from '@/core/decide/way'
import type { ActionClass } from '@/core/diagnose/almanac'
import { choice, number, said, saying, tick } from './field'
import { id, line, typed } from './text'

const OFTEN = ['always', 'usual', 'sometimes', 'seldom', 'never'] as const
const often = z.enum(OFTEN, { error: 'How often is always, usual, sometimes, seldom or never.' })
const named = z.string().max(60)
const nameOf = (most: number) => saying(line('The name', most, 3), { label: 'Name' })

/** A kind of tree of the firm’s own. */
export const ownHostAsks = z.strictObject({
  kind: z.literal('host'),
  name: nameOf(40),
  botanical: saying(line('The botanical name', 60, 3), { label: 'Botanical name' }),
  edible: tick('Bears food'),
})

/** A finding of the firm’s own on the walk. */
export const ownFindingAsks = z.strictObject({
  kind: z.literal('finding'),
  name: nameOf(40),
  question: saying(line('The question', 200, 8), { label: 'What to look for, as a question' }),
  place: choice(
    'Where on the walk',
    (['site', 'crown', 'leaf', 'shoot', 'trunk', 'base', 'soil', 'fruit'] as const).map(
      (p) => [p, p] as const,
    ),
  ),
  minutes: number('Minutes it takes', { least: 0.5, most: 60 }),
})

const cause = {
  kind: z.literal('cause'),
  name: nameOf(40),
  hosts: z
    .array(named)
    .min(1, { error: 'Choose at least one kind of tree.' })
    .register(said, { label: 'Trees that can have it', input: 'ticks' }),
  action: choice('What it calls for', Object.entries(ACTION_WORDS) as [ActionClass, string][]).default(
    'wait',
  ),
  months: z
    .array(z.int().min(1).max(12), { error: 'Months are numbers from 1 to 12.' })
    .refine((m) => new Set(m).size === m.length, { error: 'A month is named once.' })
    .default([])
    .register(said, { label: 'Seen in; tick none where it is seen in any month', input: 'ticks' }),
  oneLine: saying(line('What it is', 200, 8), { label: 'What it is, in one line' }),
  act: line('What to do', 400, 4),
  doNot: line('What not to do', 400, 4),
  expect: saying(typed('What to expect', 400), {
    label: 'What to expect, by when (if it is known)',
  }).default(''),
  spread: saying(typed('How it spreads', 400), { label: 'How it spreads (if it is known)' }).default(''),
}

const findings = z
  .record(named, often)
  .refine((f) => Object.values(f).some((o) => o === 'always' || o === 'usual'), {
    error: 'At least one finding must be there always or usually; otherwise the cause can never be found.',
  })

/** A cause of the firm’s own as its form asks for it: what it shows, one by one. */
export const ownCauseAsks = z.strictObject({
  ...cause,
  signs: z.array(z.strictObject({ finding: named, often })),
})

/** A test of the firm’s own that proves a cause. */
export const ownTestAsks = z.strictObject({
  kind: z.literal('test'),
  name: nameOf(60),
  settles: z
    .array(named)
    .min(1, { error: 'Say which cause the test proves.' })
    .max(6, { error: 'A test proves at most six causes; one that tells more apart is several tests.' }),
  how: choice('Where it is made', [
    ['sample', 'in a laboratory'],
    ['test', 'on the spot'],
  ]),
  days: number('Days until the answer', { least: 0, most: 200 }).refine(Number.isInteger, {
    error: 'The days until the answer are a whole number.',
  }),
  minutes: number('Minutes to take it', { least: 0.5, most: 240 }),
  take: saying(line('What to take', 400, 8), { label: 'What to take, and how' }),
  note: line('What the answer is worth', 400, 4),
})

/** A way of working on a cause of the firm’s own. */
export const ownWayAsks = z.strictObject({
  kind: z.literal('way'),
  cause: named,
  method: z
    .enum(WAY_METHODS, { error: 'Choose the method from the list.' })
    .register(said, { label: 'Method', input: 'choice' }),
  what: line('What is done', 120, 4),
  when: line('When', 120, 3),
  well: choice(
    'How well it works',
    HOW_WELL.map((h) => [h, h] as const),
  ),
  again: line('How often', 60, 3),
})

/** What can be set or added beside the almanac. */
export const setOwnEntryAsks = z.strictObject({
  id: id(),
  entry: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('frequency'), cause: named, finding: named, often }),
    z.strictObject({ kind: z.literal('district'), cause: named }),
    z.strictObject({
      kind: z.literal('jurisdiction'),
      place: z.enum(JURISDICTIONS, { error: 'Choose where the firm works from the list.' }),
    }),
    ownHostAsks,
    ownFindingAsks,
    z.strictObject({ ...cause, findings }),
    ownTestAsks,
    ownWayAsks,
  ]),
})

/** The firm’s own words beside an entry of the almanac; empty, the old ones are taken away. */
export const writeNoteAsks = z.strictObject({
  id: id(),
  entry: z
    .string()
    .regex(/^(cause|finding|host|method|school):[a-z0-9-]{2,60}$/, { error: 'There is no such entry.' }),
  words: z
    .string()
    .trim()
    .max(2000, { error: 'The note is longer than 2,000 characters; shorten it.' })
    .register(said, { label: 'Our own note', input: 'words', placeholder: 'What we have seen of it here' }),
})
