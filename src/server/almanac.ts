import { writeNoteAsks } from '@/asks/almanac'
import { z } from 'zod'
import { ACTION_WORDS } from '@/almanac/actionWords'
import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { host as hostOf, HOSTS, type Host } from '@/almanac/hosts'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import { JURISDICTIONS } from '@/almanac/jurisdiction'
import { TESTS } from '@/almanac/laboratory'
import { waysOf } from '@/almanac/ways'
import { HOW_WELL, WAY_METHODS } from '@/core/decide/way'
import { hostsOf, ownId, type OwnEntry, type OwnHost } from '@/almanac/ownEntry'
import type { ActionClass } from '@/core/diagnose/almanac'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, type FirmSql } from '@/db/client'
import { addNote, ownEntries, setOwnEntry, withdrawOwnEntry } from '@/db/queries/almanac'
import { id, line, typed } from '@/asks/text'
import { verb } from './verb'

const often = z.enum(['always', 'usual', 'sometimes', 'seldom', 'never'], {
  error: 'How often is always, usual, sometimes, seldom or never.',
})
const hostId = z.string().max(60)

/** What can be set or added. */
const Own = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('frequency'),
    cause: z.string().max(60),
    finding: z.string().max(60),
    often,
  }),
  z.strictObject({ kind: z.literal('district'), cause: z.string().max(60) }),
  z.strictObject({
    kind: z.literal('jurisdiction'),
    place: z.enum(JURISDICTIONS, { error: 'Choose where the firm works from the list.' }),
  }),
  z.strictObject({
    kind: z.literal('host'),
    name: line('The name', 40, 3),
    botanical: line('The botanical name', 60, 3),
    edible: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('finding'),
    name: line('The name', 40, 3),
    question: line('The question', 200, 8),
    place: z.enum(['site', 'crown', 'leaf', 'shoot', 'trunk', 'base', 'soil', 'fruit']),
    minutes: z
      .number()
      .min(0.5, { error: 'A look takes at least half a minute.' })
      .max(60, { error: 'A look takes at most an hour.' }),
  }),
  z.strictObject({
    kind: z.literal('cause'),
    name: line('The name', 40, 3),
    hosts: z.array(hostId).min(1, { error: 'Choose at least one kind of tree.' }),
    findings: z
      .record(z.string().max(60), often)
      .refine((f) => Object.values(f).some((o) => o === 'always' || o === 'usual'), {
        error:
          'At least one finding must be there always or usually; otherwise the cause can never be found.',
      }),
    action: z
      .enum(Object.keys(ACTION_WORDS) as [ActionClass, ...ActionClass[]], {
        error: 'Choose what it calls for from the list.',
      })
      .default('wait'),
    months: z
      .array(z.int().min(1).max(12), { error: 'Months are numbers from 1 to 12.' })
      .refine((m) => new Set(m).size === m.length, { error: 'A month is named once.' })
      .default([]),
    oneLine: line('What it is', 200, 8),
    act: line('What to do', 400, 4),
    doNot: line('What not to do', 400, 4),
    expect: typed('What to expect', 400).default(''),
    spread: typed('How it spreads', 400).default(''),
  }),
  z.strictObject({
    kind: z.literal('test'),
    name: line('The name', 60, 3),
    settles: z
      .array(z.string().max(60))
      .min(1, { error: 'Say which cause the test proves.' })
      .max(6, { error: 'A test proves at most six causes; one that tells more apart is several tests.' }),
    how: z.enum(['sample', 'test'], { error: 'A test is sent to a laboratory or made on the spot.' }),
    days: z
      .int({ error: 'The days until the answer are a whole number.' })
      .min(0, { error: 'An answer does not come before the sample.' })
      .max(200, { error: 'No answer takes more than 200 days.' }),
    minutes: z
      .number({ error: 'Type the minutes it takes.' })
      .min(0.5, { error: 'It takes at least half a minute.' })
      .max(240, { error: 'It takes at most four hours.' }),
    take: line('What to take', 400, 8),
    note: line('What the answer is worth', 400, 4),
  }),
  z.strictObject({
    kind: z.literal('way'),
    cause: z.string().max(60),
    method: z.enum(WAY_METHODS, { error: 'Choose the method from the list.' }),
    what: line('What is done', 120, 4),
    when: line('When', 120, 3),
    well: z.enum(HOW_WELL, { error: 'Choose how well it works from the list.' }),
    again: line('How often', 60, 3),
  }),
])

/** A firm's own entries as the weighing takes them; what cannot be read any more is left out. */
export async function ownOf(sql: FirmSql): Promise<OwnEntry[]> {
  return (await ownEntries(sql)).map((row) => row.body as OwnEntry)
}

/** The same for whoever asks outside a transaction of the firm. */
export function ownOfFirm(firmId: string): Promise<OwnEntry[]> {
  return inFirm(firmId, ownOf)
}

/** The kinds of tree a firm has added. */
export async function ownHosts(sql: FirmSql): Promise<OwnHost[]> {
  return hostsOf(await ownOf(sql))
}

/** A kind of tree, of the almanac or of the firm's own. */
export function kindOf(
  id: string,
  own: readonly OwnHost[],
): Pick<Host, 'edible' | 'askFood' | 'noNeonicotinoid'> | undefined {
  return hostOf(id) ?? own.find((h) => h.id === id)
}

/** The almanac as the firm of this transaction has it. */
export async function firmAlmanac(sql: FirmSql): Promise<FirmAlmanac> {
  return withOwn(await ownOf(sql))
}

/** Sets a frequency, or adds a kind of tree, a finding, a cause, a test or a way of the firm's own. */
export const setOwnEntryVerb = verb({
  roles: ['arborist'],
  input: z.strictObject({ id: id(), entry: Own }),
  about: (input) => input.id,
  makes: (i) => i.id,
  run: async ({ sql, person, now }, input): Promise<Result<{ entry: OwnEntry }>> => {
    const own = await ownOf(sql)
    const almanac = withOwn(own)
    const known = (finding: string) => almanac.findings.has(finding)
    const e = input.entry
    let entry: OwnEntry
    let about: string
    const isHost = (h: string) => [...HOSTS, ...hostsOf(own)].some((x) => x.id === h)
    if (e.kind === 'frequency') {
      if (!almanac.causes.some((c) => c.id === e.cause))
        return refuse('unknown', 'cause', 'There is no such cause.')
      if (!known(e.finding)) return refuse('unknown', 'finding', 'There is no such finding.')
      entry = e
      about = `${e.cause} ${e.finding}`
    } else if (e.kind === 'jurisdiction') {
      entry = e
      about = e.kind
    } else if (e.kind === 'district') {
      if (!almanac.causes.some((c) => c.id === e.cause))
        return refuse('unknown', 'cause', 'There is no such cause.')
      entry = e
      about = e.cause
    } else {
      const id = ownId(e.kind === 'way' ? e.what : e.name)
      const isCause = (c: string) => almanac.causes.some((x) => x.id === c)
      if (e.kind === 'host') {
        if (HOSTS.some((h) => h.name.toLowerCase() === e.name.toLowerCase()))
          return refuse('conflict', 'name', 'The almanac has a tree of this name already.')
      } else if (e.kind === 'cause') {
        const i = e.hosts.findIndex((h) => !isHost(h))
        if (i >= 0) return refuse('unknown', `hosts[${i}]`, 'There is no such kind of tree.')
        const strange = Object.keys(e.findings).find((f) => !known(f))
        if (strange)
          return refuse('unknown', 'findings', 'One of the findings does not exist; choose it from the list.')
        if (CAUSES.some((c) => c.name.toLowerCase() === e.name.toLowerCase()))
          return refuse(
            'conflict',
            'name',
            'The almanac has a cause of this name; set its frequencies instead.',
          )
      } else if (e.kind === 'test') {
        const i = e.settles.findIndex((c) => !isCause(c))
        if (i >= 0) return refuse('unknown', `settles[${i}]`, 'There is no such cause.')
        if (e.how === 'sample' && e.days === 0)
          return refuse('out-of-range', 'days', 'A laboratory takes at least a day.')
        if (TESTS.some((t) => t.name.toLowerCase() === e.name.toLowerCase()))
          return refuse('conflict', 'name', 'The almanac has a test of this name already.')
      } else if (e.kind === 'way') {
        if (!isCause(e.cause)) return refuse('unknown', 'cause', 'There is no such cause.')
        if (
          waysOf(e.cause).some((w) => w.method === e.method && w.what.toLowerCase() === e.what.toLowerCase())
        )
          return refuse('conflict', 'what', 'The almanac has this way for this cause already.')
      } else if ([...FINDING_BY_ID.values()].some((f) => f.name.toLowerCase() === e.name.toLowerCase()))
        return refuse('conflict', 'name', 'The almanac has a finding of this name already.')
      const other = own.find(
        (o) => (o.kind === 'finding' || o.kind === 'test') && o.kind !== e.kind && o.id === id,
      )
      // A test is entered on a tree as a finding is: two of one name would be one.
      if (other && (e.kind === 'finding' || e.kind === 'test'))
        return refuse('conflict', 'name', `You have a ${other.kind} of this name already; choose another.`)
      entry = { ...e, id }
      about = id
    }
    await setOwnEntry(sql, {
      id: input.id,
      firmId: person.firmId,
      kind: e.kind,
      about,
      body: entry,
      by: person.id,
      at: now,
    })
    return ok({ entry })
  },
})

/** Takes one of the firm's own entries out of use. Signed diagnoses keep what they were weighed with. */
export const withdrawOwnEntryVerb = verb({
  roles: ['arborist'],
  input: z.strictObject({ id: id() }),
  about: (input) => input.id,
  run: async ({ sql, now }, input): Promise<Result<{ withdrawn: true }>> =>
    (await withdrawOwnEntry(sql, input.id, now)) === 1
      ? ok({ withdrawn: true })
      : refuse('unknown', 'id', 'There is no such entry; it may be withdrawn already.'),
})

/** Writes the firm's note beside an entry of the almanac. An empty note takes the old one away. */
export const writeNoteVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  input: writeNoteAsks,
  makes: (i) => i.id,
  run: async ({ sql, person, now }, input): Promise<Result<{ at: string }>> => {
    await addNote(sql, { ...input, firmId: person.firmId, by: person.id, at: now })
    return ok({ at: now.toISOString() })
  },
})
