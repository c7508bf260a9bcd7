import { firstTrees, type FirstTrees, type Room } from '@/core/decide/firstTrees'
import { seeded } from '@/core/decide/random'
import { moneyOf, type MoneyTree, type SiteMoney } from '@/core/decide/siteMoney'
import { worthSpread, type Spread } from '@/core/decide/worthSpread'
import { ok, type Result } from '@/core/problem'

/** The trees of a site, the figures of the site, and what money and time there is. Stopped by ending the worker. */
export interface SiteMoneyMessage {
  money: SiteMoney
  /** `active`: kg of what a yearly limit binds, by the way that is counted with. */
  trees: readonly (MoneyTree & { id: string; mayTreat: boolean; active: number })[]
  room: Room
  /** Lives drawn for each tree; 0 for the middle figures alone. */
  draws: number
}

/** What one tree comes to: the middle figures, and where nine tenths of the drawn lives lie. */
export interface TreeWorth {
  id: string
  treat: number
  remove: number
  nothing: number
  best: 'treat' | 'remove' | 'nothing'
  breakEvenYear: number | null
  visit: number
  minutes: number
  gain: number
  spread: {
    treat: Spread
    remove: Spread
    nothing: Spread
    beats: { remove: number; nothing: number }
  } | null
}

export type SiteMoneyReply =
  | { kind: 'progress'; done: number }
  | { kind: 'done'; result: Result<{ trees: TreeWorth[]; first: FirstTrees }>; ms: number }

const reply = (message: SiteMoneyReply) => self.postMessage(message)

self.onmessage = (event: MessageEvent<SiteMoneyMessage>) => {
  const { money, trees, room, draws } = event.data
  const began = performance.now()
  const found: TreeWorth[] = []
  for (const [n, tree] of trees.entries()) {
    const one = moneyOf(money, tree)
    if (!one.ok) return reply({ kind: 'done', result: one, ms: performance.now() - began })
    const { worth, visit, minutes, gain, input } = one.value
    let spread: TreeWorth['spread'] = null
    if (draws > 0) {
      const steps = worthSpread(input, draws, seeded(n + 1))
      let step = steps.next()
      while (!step.done) step = steps.next()
      if (step.value.ok) {
        const { treat, remove, nothing, treatBeats } = step.value.value
        spread = { treat, remove, nothing, beats: treatBeats }
      }
    }
    const { treat, remove, nothing, best, breakEvenYear } = worth
    found.push({ id: tree.id, treat, remove, nothing, best, breakEvenYear, visit, minutes, gain, spread })
    if (n % 10 === 9) reply({ kind: 'progress', done: n + 1 })
  }
  const may = new Map(trees.filter((t) => t.mayTreat).map((t) => [t.id, t.active]))
  const first = firstTrees(
    found.flatMap((t) => (may.has(t.id) ? [{ ...t, active: may.get(t.id)! }] : [])),
    room,
  )
  reply({ kind: 'done', result: ok({ trees: found, first }), ms: performance.now() - began })
}
