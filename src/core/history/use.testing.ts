import { actsOn, feedsOnly, usedActives, type Use } from './use'

/** A use as history keeps it, for tests: of a product with these actives, on a day. */
export function used(code: string, actives: readonly string[], on: string, more: Partial<Use> = {}): Use {
  const named = usedActives(actives.map((name) => ({ name })))
  return {
    workId: null,
    signedIn: null,
    on,
    state: 'done',
    cause: 'emerald-ash-borer',
    method: 'soil-drench',
    code,
    name: `Example ${code}`,
    actives: named,
    kind: actsOn(named),
    from: 'record 7',
    amount: 1,
    treated: true,
    failed: false,
    lastsDays: 0,
    sprayed: false,
    feeds: feedsOnly(named),
    keeps: {},
    ...more,
  }
}
