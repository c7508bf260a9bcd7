import { actsOn, feedsOnly, usedActives } from '../history/use'
import type { ProductFacts } from './question'

/**
 * A product as gate and history know it, by what its card says is in it. `code` null where it is none of ours; `kind` where
 * somebody says what it is against, that of its actives else.
 *
 * @example productFacts({ code: null, name: 'x', actives: [{ name: 'Imidacloprid' }] }).actives[0].key // 'imidacloprid'
 */
export function productFacts({
  code,
  name,
  actives,
  kind,
}: {
  code: string | null
  name: string
  actives: readonly { name: string; group?: string }[]
  kind?: string
}): ProductFacts {
  const used = usedActives(actives)
  return { code, name, actives: used, kind: kind ?? actsOn(used), feeds: feedsOnly(used) }
}
