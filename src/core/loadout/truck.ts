import { capital } from '../capital'
import { handMethod } from '../methods/hand'
import type { Values } from '../methods/lines'
import { isHand, METHOD_NAME } from '../methods/names'
import type { Method } from '../card/card'
import { isFromTank } from '../methods/crown-spray/isFromTank'
import { byAdding, whyNotOneTank, type Tanked } from '../methods/crown-spray/tank'
import type { SubjectPlan, UseOf } from '../methods/plan'
import { sayEquipment } from '../methods/say'
import { showProduct } from '../methods/showProduct'
import { isByPorts } from '../methods/trunk-injection/isByPorts'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { ceilGuarded } from '../quantity/whole'
import { grouped } from '../grouped'
import { loadOut } from './loadout'
import { counted } from '../text/counted'

/** A lot that may be put on from. */
export interface LotToLoad {
  number: string
  /** A calendar date; null where the package says none. */
  expiresOn: string | null
  opened: boolean
  /** m³ or kg; null where nobody has counted it. */
  left: number | null
}

/** What is done at one site by one use of a card, as a truck loads for it. */
export interface WorkToLoad {
  site: string
  /** What shares a tank is one work. */
  tank: string | null
  product: { code: string; name: string; actives: readonly { name: string }[] }
  use: UseOf<Method>
  /** Lots that may be put on from on the day, the first to be used up first. */
  lots: readonly LotToLoad[]
  /** One a tree. */
  plans: readonly SubjectPlan[]
  /** Who is told before the work. */
  notices: readonly string[]
}

/** One thing that goes on the truck. */
export interface LoadLine {
  /** The same thing on the same day has the same key, whatever its amount. */
  key: string
  kind: 'product' | 'water' | 'injection' | 'by hand' | 'measure' | 'gear' | 'notice'
  name: string
  /** How much, in words; null where it is simply brought. */
  amount: string | null
  /** What more is to be known of it: its lots, what it is for. */
  detail: string
  /** What stands against it as things are: no lot may be used. */
  short: string | null
}

/** What goes into one tank, in the order of adding. */
export interface TankToMix {
  site: string
  /** m³, product and water together. */
  spray: number
  products: readonly { name: string; product: number; plan: Pick<SubjectPlan, 'kind' | 'method'> }[]
  /** What of the day’s other work may never come into it, with why. */
  never: readonly string[]
}

export interface TruckLoad {
  lines: readonly LoadLine[]
  tanks: readonly TankToMix[]
  trees: number
}

/** So much more is taken of what is used up: spills, a bark that runs over. House figure. */
export const SPARE = 0.1

/**
 * What a truck takes for a day: products by lot with a spare, water, what injections need, what work by hand needs, measures that can show
 * the doses, gear of the cards and notices; and what is mixed. Source: handbook, the crew's day.
 *
 * @example loadTruck([{ site: 'Ropewalk School', use: emamectin, plans: [ash14], … }], '2026-06-12', 'us').lines[0].amount // '181.5 mL'
 */
export function loadTruck(works: readonly WorkToLoad[], day: string, units: UnitSystem): TruckLoad {
  const own = works.filter((w) => w.plans.length > 0)
  return {
    lines: [
      ...products(own, day, units),
      ...water(own, units),
      ...injection(own),
      ...byHand(own, units),
      ...measures(own, units),
      ...gear(own),
      ...notices(own),
    ],
    tanks: tanks(own),
    trees: plansOf(own).length,
  }
}

const sum = (plans: readonly SubjectPlan[], of: (plan: SubjectPlan) => number) =>
  plans.reduce((n, p) => n + of(p), 0)
const once = <T>(all: readonly T[]) => [...new Set(all)]

/** A line that is simply brought, but for what is said of it. */
const line = (of: Pick<LoadLine, 'key' | 'kind' | 'name' | 'detail'> & Partial<LoadLine>): LoadLine => ({
  amount: null,
  short: null,
  ...of,
})
const puttingOn = (works: readonly WorkToLoad[]) => works.filter((w) => !isHand(w.use.method))
const plansOf = (works: readonly WorkToLoad[]) => works.flatMap((w) => w.plans)
const sites = (works: readonly WorkToLoad[]) => once(works.map((w) => w.site)).join(', ')

function products(works: readonly WorkToLoad[], day: string, units: UnitSystem): LoadLine[] {
  return [...grouped(puttingOn(works), (w) => w.product.code)].map(([code, own]) => {
    const plans = plansOf(own)
    const { kind, method } = plans[0]!
    const need = sum(plans, (p) => p.product)
    const { name } = own[0]!.product
    const show = (amount: number) => showProduct(amount, kind, method, units)
    const lots = [...new Map(own.flatMap((w) => w.lots).map((l) => [l.number, l])).values()]
    const { said, short } = outOfLots({ name, code, day, need, lots, show })
    return line({
      key: `product ${code}`,
      kind: 'product',
      name,
      amount: show(need * (1 + SPARE)),
      detail: `${show(need)} for ${counted(plans.length, 'tree')}, and a tenth to spare · ${said} · ${sites(own)}`,
      short,
    })
  })
}

/** A lot whose last day is not known is as good as any. */
const NO_LAST_DAY = '9999-12-31'

/** Which lots a product is taken out of, in words, and what they do not cover. Where one of them was never counted, nothing is known to be short. */
function outOfLots(of: {
  name: string
  code: string
  day: string
  need: number
  lots: readonly LotToLoad[]
  show: (amount: number) => string
}): { said: string; short: string | null } {
  const { name, code, day, need, lots, show } = of
  if (lots.length === 0)
    return { said: 'no lot', short: `No lot of ${name} on the shelf may be put on from on this day.` }
  const inTurn = `${lots.length === 1 ? 'lot' : 'lots'} ${lots.map((l) => l.number).join(', then ')}`
  const loaded = lots.every((l) => l.left !== null)
    ? loadOut({
        day,
        spare: SPARE,
        needs: [{ id: code, product: code, amount: need }],
        lots: lots.map((l) => ({
          lot: l.number,
          product: code,
          left: Math.max(0, l.left!),
          expires: l.expiresOn ?? NO_LAST_DAY,
          opened: l.opened,
        })),
        measures: [],
      })
    : null
  if (!loaded?.ok) return { said: inTurn, short: null }
  const { lots: out, short } = loaded.value.products[0]!
  const each = ({ lot, take }: (typeof out)[number]) => (out.length === 1 ? lot : `${lot} (${show(take)})`)
  return {
    said: out.length === 0 ? inTurn : `${out.length === 1 ? 'lot' : 'lots'} ${out.map(each).join(', then ')}`,
    short: short > 0 ? sayShort(show(short), name) : null,
  }
}

const sayShort = (amount: string, name: string) =>
  `${amount} of ${name} are short: by their counts the lots on the shelf hold no more. Count them, or take another lot, another day or another truck.`

function water(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  const own = works.filter((w) => w.plans.some((p) => (p.water ?? 0) > 0))
  const volume = sum(plansOf(own), (p) => p.water ?? 0)
  if (!(volume > 0)) return []
  return [
    line({
      key: 'water',
      kind: 'water',
      name: 'Water',
      amount: shown(volume, 'gal', units),
      detail: `beside the product, for ${sites(own)}; filled at the yard, or where there is water`,
    }),
  ]
}

function injection(works: readonly WorkToLoad[]): LoadLine[] {
  const own = works.flatMap((w) => (isByPorts(w.use) ? [{ plans: w.plans, terms: w.use.terms }] : []))
  const hardware = grouped(own, ({ terms }) => `${terms.hardware} ${terms.capsule ? 'once' : 'again'}`)
  const bits = grouped(own, ({ terms }) => terms.bit)
  return [
    ...[...hardware].map(([key, of]) => {
      const { terms } = of[0]!
      const ports = of.flatMap(({ plans }) => plans.map((p) => (isByPorts(p) ? p.shape.ports.length : 0)))
      const n = ports.reduce((a, b) => a + b, 0)
      return line({
        key: `hardware ${key}`,
        kind: 'injection',
        name: capital(terms.hardware),
        // A capsule is used once; a bottle or tube goes on to the next tree.
        ...(terms.capsule
          ? { amount: `${n} + ${ceilGuarded(n * SPARE)}`, detail: 'one a port, used once' }
          : {
              amount: String(Math.max(...ports)),
              detail: `for the most ports of one tree; ${counted(n, 'port')} in all`,
            }),
      })
    }),
    ...[...bits].map(([bit, of]) => {
      const holes = once(of.map(({ terms }) => `${terms.depth} deep, ${terms.hole}`))
      return line({
        key: `bit ${bit}`,
        kind: 'injection',
        name: `Bits ${bit}`,
        amount: '2',
        detail: `one and a spare, sharp; holes ${holes.join(' or ')}`,
      })
    }),
  ]
}

function byHand(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  const methods = once(works.map((w) => w.use.method)).filter(isHand)
  return methods.map((method) => {
    const own = works.filter((w) => w.use.method === method)
    const shapes = plansOf(own).map((p) => p.shape as Values)
    return line({
      key: `by hand ${method}`,
      kind: 'by hand',
      name: METHOD_NAME[method],
      amount: handMethod(method).brought?.(shapes, units) ?? counted(shapes.length, 'tree'),
      detail: `${sayEquipment(own[0]!.use)} · ${sites(own)}`,
    })
  })
}

function measures(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  // A tank's dose is one of the whole load; a capsule has its dose in it.
  const own = puttingOn(works).filter((w) => !isFromTank(w.use) && !(isByPorts(w.use) && w.use.terms.capsule))
  return [
    ...grouped(own, (w) => `${w.plans[0]!.kind === 'weight' ? 'Scale' : 'Measure'} for ${w.product.name}`),
  ].map(([name, of]) => {
    const plans = plansOf(of)
    // At a trunk it is what one port gets that is measured.
    const doses = plans.map((p) => (isByPorts(p) ? p.shape.perPort : p.product))
    const show = (amount: number) => showProduct(amount, plans[0]!.kind, plans[0]!.method, units)
    const [least, most] = [Math.min(...doses), Math.max(...doses)]
    return line({
      key: `measure ${of[0]!.product.code}`,
      kind: 'measure',
      name,
      detail:
        show(least) === show(most)
          ? `that shows ${show(least)}`
          : `that shows ${show(least)} to ${show(most)}`,
    })
  })
}

function gear(works: readonly WorkToLoad[]): LoadLine[] {
  const worn = grouped(
    works.flatMap((w) => w.use.protectiveGear.map((g) => ({ piece: g.toLowerCase(), by: w.product.name }))),
    ({ piece }) => piece,
  )
  return [
    ...[...worn].map(([piece, of]) =>
      line({
        key: `gear ${piece}`,
        kind: 'gear',
        name: capital(piece),
        detail: `for ${once(of.map(({ by }) => by)).join(', ')}`,
      }),
    ),
    ...(puttingOn(works).length === 0
      ? []
      : [
          line({
            key: 'spill kit',
            kind: 'gear',
            name: 'Spill kit and wash-off',
            detail: 'and the label of every product on the truck',
          }),
        ]),
  ]
}

function notices(works: readonly WorkToLoad[]): LoadLine[] {
  const closed = grouped(
    puttingOn(works).filter((w) => w.use.reentryHours > 0),
    (w) => w.site,
  )
  const told = grouped(
    works.filter((w) => w.notices.length > 0),
    (w) => w.site,
  )
  return [
    ...[...closed].map(([site, own]) =>
      line({
        key: `sign ${site}`,
        kind: 'notice',
        name: `Notice for ${site}`,
        detail: `closed for ${Math.max(...own.map((w) => w.use.reentryHours))} h after the last drop`,
      }),
    ),
    ...[...told].map(([site, own]) =>
      line({
        key: `told ${site}`,
        kind: 'notice',
        name: `Told before work at ${site}`,
        detail: once(own.flatMap((w) => w.notices)).join('; '),
      }),
    ),
  ]
}

function tanks(works: readonly WorkToLoad[]): TankToMix[] {
  const sprays = works.flatMap((w) => (isFromTank(w.use) ? [{ ...w, use: w.use }] : []))
  const tanked = (w: (typeof sprays)[number]): Tanked => ({
    use: w.use,
    name: w.product.name,
    actives: w.product.actives,
  })
  return [...grouped(sprays, (w) => `${w.site} ${w.tank ?? w.product.code}`)].map(([, own]) => {
    const codes = new Set(own.map((w) => w.product.code))
    const others = [...grouped(sprays, (w) => w.product.code)].flatMap(([code, [other]]) =>
      codes.has(code) || !other ? [] : [other],
    )
    const inIt = [...grouped(own, (w) => w.product.code)].map(([, of]) => ({
      name: of[0]!.product.name,
      product: sum(plansOf(of), (p) => p.product),
      plan: of[0]!.plans[0]!,
    }))
    return {
      site: own[0]!.site,
      // Every product of the tank is planned for the same spray.
      spray: sum(
        own.filter((w) => w.product.code === own[0]!.product.code).flatMap((w) => w.plans),
        (p) => (isFromTank(p) ? p.shape.spray : 0),
      ),
      products: byAdding(inIt, (p) => p.plan.kind),
      never: once(own.flatMap((w) => others.flatMap((o) => whyNotOneTank(tanked(w), tanked(o)) ?? []))),
    }
  })
}
