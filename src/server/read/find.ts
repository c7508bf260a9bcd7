import { entriesCalled } from '@/almanac/called'
import { hostName } from '@/almanac/hosts'
import { findCalled, treesOfHosts, type CalledRow } from '@/db/queries/find'
import { ownOf } from '../almanac'
import { searchable } from '@/asks/text'
import { reading } from './reader'

/** Something that was looked for, with where it leads. */
export interface Hit {
  kind: CalledRow['kind'] | 'cause' | 'finding' | 'host'
  id: string
  title: string
  detail: string
  href: string
}

/** Hits of one search. */
const MOST = 14

/**
 * Whatever has the name that is typed: trees, sites, clients, people, cards and records of the firm, causes, findings and
 * kinds of the almanac by any name people use, and trees of a kind. What begins with the text comes first.
 */
export function findView(typed: string) {
  return reading(async ({ sql }): Promise<Hit[]> => {
    const text = searchable(typed)
    if (text === '') return []
    const entries = entriesCalled(text, undefined, await ownOf(sql))
    const kinds = entries.filter((e) => e.kind === 'host').map((e) => e.id)
    const [called, ofKind] = [await findCalled(sql, text, MOST), await treesOfHosts(sql, kinds, 5)]
    const own = called.flatMap(hitOf)
    const almanac = entries.map((e): Hit => ({
      kind: e.kind,
      id: e.id,
      title: e.name,
      detail: { cause: 'cause', finding: 'finding', host: 'kind of tree' }[e.kind],
      href: `/almanac/${e.kind}/${e.id}`,
    }))
    const trees = ofKind.map((t): Hit => ({
      kind: 'tree',
      id: t.id,
      title: t.tag,
      detail: `${hostName(t.host)} · ${t.siteName}`,
      href: `/trees/${t.id}`,
    }))
    const begins = own.filter((h) => called.find((c) => c.id === h.id)!.how === 'begins')
    const rest = own.filter((h) => !begins.includes(h))
    const sure = entries.some((e) => e.fits === 0)
    const ordered = sure
      ? [...almanac, ...begins, ...trees, ...rest]
      : [...begins, ...almanac, ...trees, ...rest]
    return [...new Map(ordered.map((h) => [`${h.kind} ${h.id}`, h])).values()].slice(0, MOST)
  })
}

function hitOf(row: CalledRow): Hit[] {
  const base = { kind: row.kind, id: row.id, title: row.title, detail: row.detail }
  switch (row.kind) {
    case 'tree': {
      // A removed tree is not worked on; it is found through its records.
      if (row.detail === null) return []
      const [host, site] = row.detail.split('|')
      return [{ ...base, detail: `${hostName(host!)} · ${site}`, href: `/trees/${row.id}` }]
    }
    case 'site':
      return [{ ...base, href: `/grounds/${row.id}` }]
    case 'client':
      return [{ ...base, href: row.at ? `/grounds/${row.at}` : '/grounds' }]
    case 'record':
      return [{ ...base, href: `/ledger/${row.id}` }]
    case 'card':
      return [{ ...base, href: `/shelf/${row.at}` }]
    case 'person':
      return [{ ...base, href: '/settings' }]
  }
}
