import { z } from 'zod'
import { setOwnEntryAsks, writeNoteAsks } from '@/asks/almanac'
import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { host as hostOf, HOSTS, type Host } from '@/almanac/hosts'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import { TESTS } from '@/almanac/laboratory'
import { waysOf } from '@/almanac/ways'
import { hostsOf, ownId, type OwnEntry, type OwnHost } from '@/almanac/ownEntry'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, type FirmSql } from '@/db/client'
import { addNote, ownEntries, setOwnEntry, withdrawOwnEntry } from '@/db/queries/almanac'
import { id } from '@/asks/text'
import { verb } from './verb'

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
  input: setOwnEntryAsks,
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
