import type { PutOnMethod } from '@/core/methods/names'
import type { Method } from '@/core/card/card'
import type { Way } from '@/core/decide/way'
import type { ProductFacts } from '@/core/gate/question'
import { waysHere } from '@/core/gate/ways'

/** How long what is put on works on a cause, by way and active. */
interface Retreat {
  causes: readonly string[]
  methods: readonly PutOnMethod[]
  /** By their keys; any where left out. */
  actives?: readonly string[]
  days: number
}

const YEAR = 365
const TRUNK: readonly PutOnMethod[] = ['trunk-injection']
const SOIL: readonly PutOnMethod[] = ['soil-drench', 'soil-injection']
const BARK: readonly PutOnMethod[] = ['bark-spray']
const TAKEN_UP: readonly PutOnMethod[] = [...TRUNK, ...SOIL, ...BARK]
const BORERS = ['emerald-ash-borer', 'bronze-birch-borer', 'two-lined-chestnut-borer']
const SOFT = [
  'tuliptree-scale',
  'lecanium-scale',
  'cottony-maple-scale',
  'bark-scale-felted',
  'aphids',
  'mealybug',
  'cottony-cushion-scale',
]
const ARMOURED = ['armored-scale', 'elongate-hemlock-scale', 'euonymus-scale', 'pine-needle-scale']
const SHORT_OF = ['iron-chlorosis', 'manganese-shortage', 'nutrient-shortage']

/**
 * Where a range is given, the usual figure, else the first: what falls due is looked at before it is put on again. Source:
 * handbook, how long it works; extension figures.
 */
const RETREATS: readonly Retreat[] = [
  { causes: BORERS, methods: TRUNK, actives: ['emamectin benzoate'], days: 2 * YEAR },
  { causes: BORERS, methods: TAKEN_UP, days: YEAR },
  { causes: ['hemlock-woolly-adelgid'], methods: SOIL, actives: ['imidacloprid'], days: 5 * YEAR },
  { causes: ['hemlock-woolly-adelgid'], methods: TRUNK, actives: ['imidacloprid'], days: 2 * YEAR },
  { causes: ['hemlock-woolly-adelgid'], methods: TAKEN_UP, days: YEAR },
  { causes: SOFT, methods: TAKEN_UP, days: YEAR },
  { causes: ARMOURED, methods: TAKEN_UP, days: YEAR },
  { causes: ['dutch-elm-disease'], methods: TRUNK, actives: ['thiabendazole'], days: 3 * YEAR },
  { causes: ['dutch-elm-disease'], methods: TRUNK, days: YEAR },
  { causes: ['oak-wilt'], methods: TRUNK, days: 2 * YEAR },
  { causes: ['bacterial-leaf-scorch'], methods: TRUNK, days: YEAR },
  { causes: SHORT_OF, methods: TRUNK, days: YEAR },
  { causes: SHORT_OF, methods: ['feed', ...SOIL], days: 2 * YEAR },
]

/**
 * For how many days a product works on a cause by a method before it is due again: by the table of causes, else by the way of the
 * almanac; null where neither says so, where it is done once, or where it does nothing for it.
 *
 * @example retreatDays('emerald-ash-borer', 'trunk-injection', ['emamectin benzoate'], ways) // 730
 */
export function retreatDays(
  cause: string,
  method: Method,
  product: ProductFacts | null,
  ways: readonly Way[],
): number | null {
  const keys = product?.actives.map((a) => a.key) ?? []
  const row = RETREATS.find(
    (r) =>
      r.causes.includes(cause) &&
      (r.methods as readonly string[]).includes(method) &&
      (r.actives === undefined || r.actives.some((a) => keys.includes(a))),
  )
  if (row) return row.days
  const here = waysHere({ method, cause: { ways }, product })
  return here.map((w) => w.againDays ?? null).find((d) => d !== null) ?? null
}
