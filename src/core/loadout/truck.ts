import { capital } from '../capital'
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

/** What is done at one site by one use of a card, as a truck loads for it. */
export interface WorkToLoad {
  site: string
  /** What shares a tank is one work. */
  tank: string | null
  product: { code: string; name: string; actives: readonly { name: string }[] }
  use: UseOf<Method>
  /** Lots that may be put on from on the day, the first to be used up first. */
  lots: readonly string[]
  /** One a tree. */
  plans: readonly SubjectPlan[]
  /** Who is told before the work. */
  notices: readonly string[]
}

/** What sort of thing a line of the list is; they are loaded in this order. */
export const LOAD_KINDS = ['product', 'water', 'injection', 'by hand', 'measure', 'gear', 'notice'] as const
export type LoadKind = (typeof LOAD_KINDS)[number]

/** One thing that goes on the truck. */
export interface LoadLine {
  /** The same thing on the same day has the same key, whatever its amount. */
  key: string
  kind: LoadKind
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
 * @example loadTruck([{ site: 'Ropewalk School', use: emamectin, plans: [ash14], … }], 'us').lines[0].amount // '181.5 mL'
 */
export function loadTruck(works: readonly WorkToLoad[], units: UnitSystem): TruckLoad {
  const done = works.filter((w) => w.plans.length > 0)
  return {
    lines: [
      ...products(done, units),
      ...water(done, units),
      ...injection(done),
      ...byHand(done, units),
      ...measures(done, units),
      ...gear(done),
      ...notices(done),
    ],
    tanks: tanks(done),
    trees: done.reduce((n, w) => n + w.plans.length, 0),
  }
}

const sum = (plans: readonly SubjectPlan[], of: (plan: SubjectPlan) => number) =>
  plans.reduce((n, p) => n + of(p), 0)
const once = (words: readonly string[]) => [...new Set(words)]
const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`
const puttingOn = (works: readonly WorkToLoad[]) => works.filter((w) => !isHand(w.use.method))
const plansOf = (works: readonly WorkToLoad[]) => works.flatMap((w) => w.plans)
const sites = (works: readonly WorkToLoad[]) => once(works.map((w) => w.site)).join(', ')

function products(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  return [...grouped(puttingOn(works), (w) => w.product.code)].map(([code, own]) => {
    const plans = plansOf(own)
    const { kind, method } = plans[0]!
    const need = sum(plans, (p) => p.product)
    const { name } = own[0]!.product
    const lots = once(own.flatMap((w) => w.lots))
    const show = (amount: number) => showProduct(amount, kind, method, units)
    return {
      key: `product ${code}`,
      kind: 'product',
      name,
      amount: show(need * (1 + SPARE)),
      detail: `${show(need)} for ${counted(plans.length, 'tree')}, and a tenth to spare · ${
        lots.length === 0 ? 'no lot' : `${lots.length === 1 ? 'lot' : 'lots'} ${lots.join(', then ')}`
      } · ${sites(own)}`,
      short: lots.length === 0 ? `No lot of ${name} on the shelf may be put on from on this day.` : null,
    }
  })
}

function water(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  const own = works.filter((w) => w.plans.some((p) => (p.water ?? 0) > 0))
  const volume = sum(plansOf(own), (p) => p.water ?? 0)
  if (!(volume > 0)) return []
  return [
    {
      key: 'water',
      kind: 'water',
      name: 'Water',
      amount: shown(volume, 'gal', units),
      detail: `beside the product, for ${sites(own)}; filled at the yard, or where there is water`,
      short: null,
    },
  ]
}

function injection(works: readonly WorkToLoad[]): LoadLine[] {
  const line = (key: string, name: string, amount: string | null, detail: string): LoadLine => ({
    key,
    kind: 'injection',
    name,
    amount,
    detail,
    short: null,
  })
  const ports = (plan: SubjectPlan) => (isByPorts(plan) ? plan.shape.ports.length : 0)
  const own = works.flatMap((w) => (isByPorts(w.use) ? [{ work: w, terms: w.use.terms }] : []))
  return [
    ...[...grouped(own, ({ terms }) => `${terms.hardware} ${terms.capsule ? 'once' : 'again'}`)].map(
      ([key, of]) => {
        const all = of.flatMap(({ work }) => work.plans.map(ports))
        const n = all.reduce((a, b) => a + b, 0)
        // A capsule is used once; a bottle or tube goes on to the next tree.
        return of[0]!.terms.capsule
          ? line(
              `hardware ${key}`,
              capital(of[0]!.terms.hardware),
              `${n} + ${ceilGuarded(n * SPARE)}`,
              'one a port, used once',
            )
          : line(
              `hardware ${key}`,
              capital(of[0]!.terms.hardware),
              String(Math.max(...all)),
              `for the most ports of one tree; ${counted(n, 'port')} in all`,
            )
      },
    ),
    ...[...grouped(own, ({ terms }) => terms.bit)].map(([bit, of]) =>
      line(
        `bit ${bit}`,
        `Bits ${bit}`,
        '2',
        `one and a spare, sharp; holes ${once(of.map(({ terms }) => `${terms.depth} deep, ${terms.hole}`)).join(' or ')}`,
      ),
    ),
  ]
}

/** What of work by hand is counted or measured, from the figures of its plans; in words of the shop. */
const BY_THE_PIECE: Readonly<
  Record<string, (plans: readonly SubjectPlan[], units: UnitSystem) => string | null>
> = {
  guard: (plans, units) =>
    `${counted(plans.length, 'piece')}, ${shown(figure(plans, 'length'), 'ft', units)} of mesh`,
  fence: (plans, units) =>
    `${shown(figure(plans, 'length'), 'ft', units)} of net, ${counted(figure(plans, 'posts'), 'post')}`,
  band: (plans, units) =>
    `${counted(figure(plans, 'stems'), 'band')}, ${shown(figure(plans, 'length'), 'ft', units)}`,
  bag: (plans) => counted(figure(plans, 'fruits'), 'bag'),
  repel: (plans) => counted(figure(plans, 'pieces'), 'piece'),
  shelter: (plans, units) => `${shown(figure(plans, 'area'), 'ft2', units)} of cover`,
}

const figure = (plans: readonly SubjectPlan[], name: string) =>
  sum(plans, (p) => Number((p.shape as Readonly<Record<string, unknown>>)[name] ?? 0))

function byHand(works: readonly WorkToLoad[], units: UnitSystem): LoadLine[] {
  return [
    ...grouped(
      works.filter((w) => isHand(w.use.method)),
      (w) => w.use.method,
    ),
  ].map(([method, own]) => ({
    key: `by hand ${method}`,
    kind: 'by hand',
    name: METHOD_NAME[own[0]!.use.method],
    amount:
      BY_THE_PIECE[method]?.(plansOf(own), units) ??
      counted(
        own.reduce((n, w) => n + w.plans.length, 0),
        'tree',
      ),
    detail: `${sayEquipment(own[0]!.use)} · ${sites(own)}`,
    short: null,
  }))
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
    return {
      key: `measure ${of[0]!.product.code}`,
      kind: 'measure',
      name,
      amount: null,
      detail:
        show(least) === show(most)
          ? `that shows ${show(least)}`
          : `that shows ${show(least)} to ${show(most)}`,
      short: null,
    }
  })
}

function gear(works: readonly WorkToLoad[]): LoadLine[] {
  const worn = once(works.flatMap((w) => w.use.protectiveGear.map((g) => g.toLowerCase())))
  const lines: LoadLine[] = worn.map((piece) => ({
    key: `gear ${piece}`,
    kind: 'gear',
    name: capital(piece),
    amount: null,
    detail: `for ${once(
      works
        .filter((w) => w.use.protectiveGear.some((g) => g.toLowerCase() === piece))
        .map((w) => w.product.name),
    ).join(', ')}`,
    short: null,
  }))
  return puttingOn(works).length === 0
    ? lines
    : [
        ...lines,
        {
          key: 'spill kit',
          kind: 'gear',
          name: 'Spill kit and wash-off',
          amount: null,
          detail: 'and the label of every product on the truck',
          short: null,
        },
      ]
}

function notices(works: readonly WorkToLoad[]): LoadLine[] {
  const closed = puttingOn(works).filter((w) => w.use.reentryHours > 0)
  const signs: LoadLine[] = [...grouped(closed, (w) => w.site)].map(([site, own]) => ({
    key: `sign ${site}`,
    kind: 'notice',
    name: `Notice for ${site}`,
    amount: null,
    detail: `closed for ${Math.max(...own.map((w) => w.use.reentryHours))} h after the last drop`,
    short: null,
  }))
  const told: LoadLine[] = [...grouped(works, (w) => w.site)].flatMap(([site, own]) => {
    const whom = once(own.flatMap((w) => w.notices))
    return whom.length === 0
      ? []
      : [
          {
            key: `told ${site}`,
            kind: 'notice',
            name: `Told before work at ${site}`,
            amount: null,
            detail: whom.join('; '),
            short: null,
          },
        ]
  })
  return [...signs, ...told]
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
