import type { Method } from '@/core/card/card'
import { actsOn, feedsOnly, usedActives } from '@/core/history/use'
import { retreatDays } from './retreat'
import { waysOf } from './ways'

const YEAR = 365

/** How long what is put on works on a cause, by way and active: the figures by which it is due again and by which nothing else is shut out. */
test.each<[cause: string, method: Method, active: string, days: number]>([
  ['emerald-ash-borer', 'trunk-injection', 'emamectin benzoate', 2 * YEAR],
  ['emerald-ash-borer', 'trunk-injection', 'azadirachtin', YEAR],
  ['emerald-ash-borer', 'trunk-injection', 'imidacloprid', YEAR],
  ['emerald-ash-borer', 'soil-drench', 'imidacloprid', YEAR],
  ['emerald-ash-borer', 'soil-injection', 'imidacloprid', YEAR],
  ['emerald-ash-borer', 'bark-spray', 'dinotefuran', YEAR],
  ['bronze-birch-borer', 'trunk-injection', 'emamectin benzoate', 2 * YEAR],
  ['two-lined-chestnut-borer', 'soil-drench', 'imidacloprid', YEAR],
  ['hemlock-woolly-adelgid', 'soil-drench', 'imidacloprid', 5 * YEAR],
  ['hemlock-woolly-adelgid', 'soil-drench', 'dinotefuran', YEAR],
  ['lecanium-scale', 'soil-drench', 'imidacloprid', YEAR],
  ['elongate-hemlock-scale', 'bark-spray', 'dinotefuran', YEAR],
  ['dutch-elm-disease', 'trunk-injection', 'thiabendazole', 3 * YEAR],
  ['dutch-elm-disease', 'trunk-injection', 'propiconazole', YEAR],
  ['oak-wilt', 'trunk-injection', 'propiconazole', 2 * YEAR],
  ['bacterial-leaf-scorch', 'trunk-injection', 'oxytetracycline', YEAR],
  ['iron-chlorosis', 'trunk-injection', 'iron', YEAR],
  ['iron-chlorosis', 'soil-injection', 'iron', 2 * YEAR],
])('%s by %s with %s is due again after %i days', (cause, method, active, days) => {
  const actives = usedActives([{ name: active }])
  const product = {
    code: 'X1',
    name: 'Example X1',
    actives,
    kind: actsOn(actives),
    feeds: feedsOnly(actives),
  }
  expect(retreatDays(cause, method, product, waysOf(cause))).toBe(days)
})
