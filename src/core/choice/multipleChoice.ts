import { improved, repaired, type Choice } from './fittingChoice'
import { pricesFor, times, type Figures } from './prices'

/** One way a tree can be worked, in whole numbers: what it is worth, its minutes, its active ingredient. */
export interface Way {
  value: number
  minutes: number
  active: number
}

type Figure = keyof Way
/** What of a way is made least, and what is held at or below a bound; `value` counts as its negative. */
interface Aim {
  least: Figure
  held: readonly [Figure, Figure]
  bounds: readonly [number, number]
}

/** A way left to choose: its place in the list as given (`none` comes after the last), and its figures. */
interface Option extends Way {
  at: number
}

/** More part-answers than this are not held at once; then only those that promise most go on. */
const MOST_STATES = 150_000
/** So many in the first, narrow search, and in every search that has looked at {@link MUCH_WORK}. */
const FEW_STATES = 1000
const MUCH_WORK = 2_000_000

/** Bounds are floating sums; a bound that misses a whole number by less than this part of it has reached it. */
const SLACK = 1e-12

/**
 * The exact multiple-choice knapsack with two bounds: for every tree one of its ways or none, for the greatest total
 * value with at most `active` and at most `minutes` in all. Of equal values the fewest minutes, then the least active,
 * then tree by tree the earlier way, none last.
 *
 * Whole numbers below 2⁵³ throughout, so that sums and ties are exact. Four searches of one kind, each bounded by its
 * own prices for the two scarce things: the value, the minutes at that value, the active at those, the first such
 * choice. A search begins with every tree at its cheapest way at those prices and changes trees in the order of how
 * little that costs, keeping no part-answer that another beats or that cannot reach the best known. Beyond
 * {@link MOST_STATES} part-answers at once (thousands of trees whose worth is exactly their active) it goes on with the
 * most promising, and the answer may then be short of the best.
 *
 * @example chooseWays([[{ value: 5, minutes: 12, active: 5 }], [{ value: 4, minutes: 12, active: 3 }]], { active: 6, minutes: 60 })
 * // [0, null]
 */
export function chooseWays(
  trees: readonly (readonly Way[])[],
  room: { active: number; minutes: number },
): (number | null)[] {
  const options = trees.map((ways) => worthwhile(ways, room))
  // None, or a way that costs nothing.
  const free = options.map((o) => o.findIndex((w) => w.minutes === 0 && w.active === 0))
  const first = least(options, free, {
    least: 'value',
    held: ['active', 'minutes'],
    bounds: [room.active, room.minutes],
  })
  const value = -first.total
  const second = least(options, first.choice, {
    least: 'minutes',
    held: ['active', 'value'],
    bounds: [room.active, -value],
  })
  const third = least(options, second.choice, {
    least: 'active',
    held: ['minutes', 'value'],
    bounds: [second.total, -value],
  })
  const choice = earliest(options, [first, second, third]) ?? third.choice
  return choice.map((o, i) => {
    const at = options[i]![o]!.at
    return at < trees[i]!.length ? at : null
  })
}

/** The figure as it is made least. */
const read = (way: Way, figure: Figure): number => (figure === 'value' ? -way.value : way[figure])

/** The ways of a tree, and none, without those that never fit and those that another of them beats. */
function worthwhile(ways: readonly Way[], room: { active: number; minutes: number }): Option[] {
  const all: Option[] = [...ways, { value: 0, minutes: 0, active: 0 }]
    .map((w, at) => ({ value: w.value, minutes: w.minutes, active: w.active, at }))
    .filter((w) => w.active <= room.active && w.minutes <= room.minutes)
  const beats = (a: Option, b: Option) =>
    a.value >= b.value &&
    a.minutes <= b.minutes &&
    a.active <= b.active &&
    (a.at < b.at || a.value > b.value || a.minutes < b.minutes || a.active < b.active)
  return all.filter((b) => !all.some((a) => a !== b && beats(a, b)))
}

/** What a search found, and the prices that bound it. */
interface Found {
  choice: Choice
  total: number
  aim: Aim
  prices: readonly [number, number]
  /** No choice can be less. */
  bound: number
}

/** A part-answer: what it comes to with every tree not yet looked at as it began, and which trees differ. */
interface State {
  cost: number
  one: number
  two: number
  loss: number
  changed: { tree: number; option: number; before: State['changed'] } | null
}

/** The choice with the least total of a figure within two bounds; `known` is one that keeps them. */
function least(options: readonly Option[][], known: Choice, aim: Aim): Found {
  const figures = options.map((o) =>
    o.map((w) => [read(w, aim.least), read(w, aim.held[0]), read(w, aim.held[1])] as const),
  )
  const prices = pricesFor(figures, aim.bounds)
  const priced = figures.map((o) => o.map(([c, r, s]) => c + prices[0] * r + prices[1] * s))
  const start = priced.map((p) => p.indexOf(Math.min(...p)))
  const bound =
    priced.reduce((sum, p, i) => sum + p[start[i]!]!, 0) -
    times(prices[0], aim.bounds[0]) -
    times(prices[1], aim.bounds[1])
  const sum = (choice: Choice): [number, number, number] => {
    const t: [number, number, number] = [0, 0, 0]
    choice.forEach((o, i) => {
      for (let k = 0; k < 3; k++) t[k]! += figures[i]![o]![k]!
    })
    return t
  }
  const keeps = (r: number, s: number) => r <= aim.bounds[0] && s <= aim.bounds[1]
  let best = known
  let bestCost = sum(known)[0]
  const consider = (choice: () => Choice, cost: number, r: number, s: number) => {
    if (cost >= bestCost || !keeps(r, s)) return
    bestCost = cost
    best = choice()
  }
  const mended = improved(figures, repaired(figures, priced, start, aim.bounds), aim.bounds)
  if (mended) consider(() => mended, ...sum(mended))

  const grain = slackOf(bound, bestCost, prices, aim.bounds)
  const [cost, one, two] = sum(start)
  consider(() => start, cost, one, two)
  const unlike = priced.map((p, i) =>
    Math.min(...p.map((x, o) => (o === start[i] ? Infinity : x - p[start[i]!]!))),
  )
  const order = options.map((_, i) => i).sort((a, b) => unlike[a]! - unlike[b]! || a - b)
  const ways = waysBack(figures, priced, start, order)
  /** Whether a part-answer that has lost this much could still end below the best known. */
  const promising = (loss: number) => Math.ceil(bound + loss - grain) < bestCost
  const views = viewsFrom(figures, prices, start, order)
  /** Whether it could still, seen with other prices too; those tell where one thing is overspent and the other left over. */
  const hopeful = (s: State, stage: number) => {
    const r = s.one - aim.bounds[0]
    const t = s.two - aim.bounds[1]
    for (const v of views)
      if (Math.ceil(s.cost + v.one * r + v.two * t + v.rest[stage]! - grain) >= bestCost) return false
    return true
  }
  const search = (wide: number) => {
    let work = 0
    let states: State[] = [{ cost, one, two, loss: 0, changed: null }]
    for (const [stage, i] of order.entries()) {
      if (!promising(unlike[i]!)) break
      const back = ways[stage + 1]!
      /** What it must lose besides, to come back within its bounds or to use what they leave. */
      const more = (s: State) =>
        Math.max(
          needed(s.one - aim.bounds[0], prices[0], back.one),
          needed(s.two - aim.bounds[1], prices[1], back.two),
        )
      const from = figures[i]![start[i]!]!
      const lists = [states.filter((s) => promising(s.loss + more(s)) && hopeful(s, stage + 1))]
      figures[i]!.forEach((to, o) => {
        if (o === start[i]) return
        const lost = priced[i]![o]! - priced[i]![start[i]!]!
        const list: State[] = []
        for (const s of states) {
          if (!promising(s.loss + lost)) continue
          const state: State = {
            cost: s.cost - from[0] + to[0],
            one: s.one - from[1] + to[1],
            two: s.two - from[2] + to[2],
            loss: s.loss + lost,
            changed: { tree: i, option: o, before: s.changed },
          }
          consider(() => changedFrom(start, state), state.cost, state.one, state.two)
          if (promising(state.loss + more(state)) && hopeful(state, stage + 1)) list.push(state)
        }
        lists.push(list)
      })
      states = unbeaten(lists)
      work += states.length
      const most = work > MUCH_WORK ? FEW_STATES : wide
      if (states.length > most) states = mostPromising(states, (t) => t.loss + more(t), most / 2)
      if (states.length === 0) break
    }
  }
  // A narrow search finds a good answer; the wide one then only looks at what could better it.
  search(FEW_STATES)
  search(MOST_STATES)
  return { choice: best, total: bestCost, aim, prices, bound }
}

/** Other prices, and for every stage what the trees from there on could still save at them. */
interface View {
  one: number
  two: number
  rest: number[]
}

const LEANINGS = [0.4, 0.7, 0.85, 0.95, 1, 1.05, 1.2, 1.5, 3]

function viewsFrom(
  figures: Figures,
  [one, two]: readonly [number, number],
  start: Choice,
  order: readonly number[],
): View[] {
  if (one === 0 || two === 0) return []
  const pairs = LEANINGS.flatMap((f) => LEANINGS.map((g) => [f, g] as const))
    .filter(([f, g]) => f !== 1 || g !== 1)
    .sort((a, b) => Math.abs(Math.log(b[0] / b[1])) - Math.abs(Math.log(a[0] / a[1])))
  return pairs.map(([f, g]) => {
    const view: View = { one: one * f, two: two * g, rest: [0] }
    const at = ([c, r, s]: readonly [number, number, number]) => c + view.one * r + view.two * s
    for (const i of [...order].reverse())
      view.rest.unshift(view.rest[0]! + Math.min(...figures[i]!.map(at)) - at(figures[i]![start[i]!]!))
    return view
  })
}

/** How far sums of these sizes may be off by floating noise. */
const slackOf = (
  bound: number,
  total: number,
  prices: readonly [number, number],
  bounds: readonly [number, number],
) =>
  SLACK *
  Math.max(
    1,
    Math.abs(bound),
    Math.abs(total),
    ...prices.map((price, k) => Math.abs(times(price, bounds[k]!))),
  )

/** What a unit less and a unit more of a figure costs at least. */
interface Rates {
  less: number
  more: number
}

/** For every stage, the cheapest way of the trees from there on to less and to more of each held figure. */
function waysBack(
  figures: Figures,
  priced: readonly (readonly number[])[],
  start: Choice,
  order: readonly number[],
): { one: Rates; two: Rates }[] {
  const none = { one: { less: Infinity, more: Infinity }, two: { less: Infinity, more: Infinity } }
  const rates = [none]
  for (const i of [...order].reverse()) {
    const { one, two } = rates[0]!
    const next = { one: { ...one }, two: { ...two } }
    figures[i]!.forEach((to, o) => {
      const from = figures[i]![start[i]!]!
      const lost = Math.max(0, priced[i]![o]! - priced[i]![start[i]!]!)
      for (const [rate, by] of [
        [next.one, to[1] - from[1]],
        [next.two, to[2] - from[2]],
      ] as const) {
        if (by < 0) rate.less = Math.min(rate.less, lost / -by)
        if (by > 0) rate.more = Math.min(rate.more, lost / by)
      }
    })
    rates.unshift(next)
  }
  return rates
}

/** What must be lost to bring a figure that is `over` its bound back to it, or that is under it (below zero) up to it. */
function needed(over: number, price: number, rate: Rates): number {
  if (over > 0) return over * rate.less
  return over === 0 || price === 0 ? 0 : -over * Math.min(price, rate.more)
}

/** So many of them that have the least to lose, in their order. */
function mostPromising<S>(states: S[], loss: (s: S) => number, many: number): S[] {
  const losses = states.map(loss)
  const most = [...losses].sort((a, b) => a - b)[many - 1]!
  return states.filter((_, i) => losses[i]! <= most).slice(0, many)
}

function changedFrom(start: Choice, state: State): Choice {
  const choice = [...start]
  for (let c = state.changed; c; c = c.before) choice[c.tree] = c.option
  return choice
}

/**
 * The part-answers that no other beats in cost and both held figures, out of lists that are each in the order of the first
 * held figure, then the second, then the cost; in that order again. Of equal ones that of the earlier list stays.
 */
function unbeaten<S extends { cost: number; one: number; two: number }>(lists: readonly S[][]): S[] {
  const next = lists.map(() => 0)
  // By rising second figure and falling cost: the least so far.
  const twos: number[] = []
  const costs: number[] = []
  const kept: S[] = []
  for (;;) {
    let from = -1
    let s: S | undefined
    for (let l = 0; l < lists.length; l++) {
      const t = lists[l]![next[l]!]
      if (
        t &&
        (!s || t.one < s.one || (t.one === s.one && (t.two < s.two || (t.two === s.two && t.cost < s.cost))))
      ) {
        s = t
        from = l
      }
    }
    if (!s) return kept
    next[from]!++
    let low = 0
    let high = twos.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (twos[middle]! <= s.two) low = middle + 1
      else high = middle
    }
    if (low > 0 && costs[low - 1]! <= s.cost) continue
    kept.push(s)
    let end = low
    while (end < twos.length && costs[end]! >= s.cost) end++
    const begin = low > 0 && twos[low - 1] === s.two ? low - 1 : low
    twos.splice(begin, end - begin, s.two)
    costs.splice(begin, end - begin, s.cost)
  }
}

/** A beginning from the last tree on, of those that end in the best value, minutes and active. */
interface Tail {
  cost: number
  one: number
  two: number
  losses: readonly [number, number, number]
  option: number
  rest: Tail | null
}

/** Of all the choices with the totals found, the one that takes the earlier way where two first differ. */
function earliest(options: readonly Option[][], found: readonly [Found, Found, Found]): Choice | null {
  const priced = found.map((f) =>
    options.map((o) =>
      o.map(
        (w) =>
          read(w, f.aim.least) + f.prices[0] * read(w, f.aim.held[0]) + f.prices[1] * read(w, f.aim.held[1]),
      ),
    ),
  )
  const cheapest = priced.map((p) => p.map((o) => Math.min(...o)))
  /** What each search loses against its bound when it ends at what was found, beside what its bounds leave over. */
  const end = { value: found[0].total, minutes: found[1].total, active: found[2].total }
  const may = found.map(
    (f) =>
      f.total -
      f.bound -
      f.aim.held.reduce((sum, k, h) => sum + times(f.prices[h]!, f.aim.bounds[h]! - end[k]), 0) +
      slackOf(f.bound, f.total, f.prices, f.aim.bounds),
  )
  const lost = (i: number, o: number) => priced.map((p, k) => p[i]![o]! - cheapest[k]![i]!)
  /** Of each tree, the ways that do not lose too much already. */
  const open = options.map((ways, i) =>
    ways.map((_, o) => o).filter((o) => lost(i, o).every((l, k) => l <= may[k]!)),
  )
  if (open.some((o) => o.length === 0)) return null
  const settled = open.map((o) => (o.length === 1 ? o[0]! : -1))
  const begin: Tail = { cost: 0, one: 0, two: 0, losses: [0, 0, 0], option: -1, rest: null }
  /** The tails with a way of a tree before them, without those that then lose too much. */
  const before = (rests: readonly Tail[], i: number, o: number): Tail[] => {
    const w = options[i]![o]!
    const [a, b, c] = lost(i, o) as [number, number, number]
    const [most, mostB, mostC] = may as [number, number, number]
    const list: Tail[] = []
    for (const t of rests) {
      const losses = [t.losses[0] + a, t.losses[1] + b, t.losses[2] + c] as const
      if (losses[0] > most || losses[1] > mostB || losses[2] > mostC) continue
      list.push({
        cost: t.cost - w.value,
        one: t.one + w.minutes,
        two: t.two + w.active,
        losses,
        option: o,
        rest: t,
      })
    }
    return list
  }
  let tails = settled.reduce((t, o, i) => (o < 0 ? t : before(t, i, o)), [begin])
  for (let i = options.length - 1; i >= 0; i--) {
    if (settled[i]! >= 0) continue
    tails = unbeaten(open[i]!.map((o) => before(tails, i, o)))
    if (tails.length > MOST_STATES) tails = mostPromising(tails, (t) => t.losses[0], MOST_STATES / 2)
  }
  const whole = tails.find((t) => t.cost === end.value && t.one === end.minutes && t.two === end.active)
  if (!whole) return null
  let at: Tail = whole
  return settled.map((o) => {
    if (o >= 0) return o
    const own = at.option
    at = at.rest!
    return own
  })
}
