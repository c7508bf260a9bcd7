import { type FirmAlmanac } from '@/almanac/own'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import { HOSTS } from '@/almanac/hosts'
import { METHODS } from '@/almanac/methods'
import { CAUTIONS, SCHOOLS } from '@/almanac/schools'

export type EntryKind = 'cause' | 'finding' | 'host' | 'method' | 'school' | 'caution'

/** A line of the almanac's list, with the words it is found by. */
export interface EntryLine {
  kind: EntryKind
  id: string
  name: string
  says: string
  words: string
}

export const KIND_WORD: Record<EntryKind, string> = {
  cause: 'Causes',
  finding: 'Findings',
  host: 'Trees',
  method: 'Methods',
  school: 'Schools of practice',
  caution: 'Cautions',
}

/** Every entry of a firm's almanac as a list can show and search it. */
export function entriesOf(almanac: FirmAlmanac, own: readonly OwnEntry[] = []): EntryLine[] {
  const make = (kind: EntryKind, id: string, name: string, says: string, more = ''): EntryLine => ({
    kind,
    id,
    name,
    says,
    words: `${name} ${says} ${more} ${id}`.toLowerCase(),
  })
  return [
    ...[...almanac.causes]
      .sort((a, b) => (a.name < b.name ? -1 : 1))
      .map((c) => make('cause', c.id, c.name, c.oneLine, `${c.kind} ${c.act} ${c.doNot}`)),
    ...[...almanac.findings.values()].map((f) => make('finding', f.id, f.name, f.question, f.place)),
    ...HOSTS.map((h) => make('host', h.id, h.name, h.note ?? h.botanical, h.botanical)),
    ...hostsOf(own).map((h) => make('host', h.id, h.name, h.botanical, h.botanical)),
    ...METHODS.map((m) => make('method', m.id, m.name, m.use, `${m.notWhen} ${m.mind}`)),
    ...SCHOOLS.map((s) => make('school', s.id, s.matter, `${s.one}, or: ${s.other}`, s.why)),
    ...CAUTIONS.map((c) => make('caution', c.id, c.name, c.text)),
  ]
}

/** Entries that hold every word typed, those whose name begins with it first. */
export function search(entries: readonly EntryLine[], typed: string): EntryLine[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return [...entries]
  const rank = (e: EntryLine) =>
    e.name.toLowerCase().startsWith(words[0]!) ? 0 : e.name.toLowerCase().includes(words[0]!) ? 1 : 2
  return entries.filter((e) => words.every((w) => e.words.includes(w))).sort((a, b) => rank(a) - rank(b))
}
