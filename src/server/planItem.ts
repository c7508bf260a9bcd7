import { isHand } from '@/core/methods/names'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { notDecided } from '@/core/decide/allowed'
import { z } from 'zod'
import { checksAfter } from '@/core/methods/checks'
import { ASKED_AT_SIGNING, said } from '@/core/gate/gate'
import { dueAfter } from '@/core/history/pairs'
import { readGiven } from '@/core/methods/given'
import type { SubjectPlan } from '@/core/methods/plan'
import { methodOf, planSubject } from '@/core/methods/registry'
import { showProduct } from '@/core/methods/showProduct'
import { NOT_MEASURED } from '@/core/plan/blocked'
import { yearsBetween } from '@/core/ports/marks'
import { SAME_VISIT } from '@/core/ports/suitability'
import { ok, refuse, type Result } from '@/core/problem'
import type { StandingRule } from '@/core/rules/localRule'
import { refusedToAmateur, sourceOf } from '@/core/rules/refused'
import { daysBetween } from '@/core/time/calendar'
import type { UseRow } from '@/db/queries/card'
import type { NewItem } from '@/db/queries/prescription'
import { typed } from '@/asks/text'
import { usedAs } from './historyOf'
import { gateOf } from './mayGoOn'
import { cardSource, dayFor, readingSource, type TreeAtHand } from './treesAtHand'
import type { Context } from './verb'

/** A reading older than this is measured again before a dose rests on it. */
export const READING_GOOD_FOR_YEARS = 1

/** What is typed of a tree beside its reading. */
export const Given = z.strictObject({
  portGirth: typed('Girth at the ports', 400).optional(),
  bearings: z.array(z.int().min(0).max(359)).max(500).optional(),
  crownHeight: typed('Crown height').optional(),
  crownWidth: typed('Crown width').optional(),
  crownShape: z.enum(['ellipsoid', 'cone', 'cylinder']).optional(),
  crownDensity: z.enum(['sparse', 'medium', 'dense']).optional(),
  crownOf: z.literal('block').optional(),
  reach: typed('How far out').optional(),
  hardscape: typed('Paved share', 20).optional(),
  hand: z.record(z.string().max(40), typed('What is said of the tree', 300)).optional(),
})

/** A tree with an item of the same prescription on it already: the next one keeps off its ports and goes through its gate. */
export function withItem(hand: TreeAtHand, row: UseRow, plan: SubjectPlan, on: string): TreeAtHand {
  const ports = isByPorts(plan) ? plan.shape.ports : []
  return {
    ...hand,
    facts: hand.facts && {
      ...hand.facts,
      holes: [
        ...hand.facts.holes,
        ...ports.map((p) => ({
          bearing: p.bearing,
          drilledOn: on,
          keep: SAME_VISIT,
          ...(p.stem !== undefined && { stem: p.stem }),
        })),
      ],
    },
    history: [
      ...hand.history,
      usedAs(hand.cause!, row, {
        workId: null,
        signedIn: null,
        on,
        state: 'in this signature',
        from: 'this prescription',
        amount: plan.product,
        treated: true,
        failed: false,
      }),
    ],
  }
}

/** Refuses to leave to the client what has a label, or what the crew lead would have to release. */
export function refusedToClient(
  { use, product }: UseRow,
  { who, onlyIf }: Pick<NewItem, 'who' | 'onlyIf'>,
  rules: readonly StandingRule[],
): Result<never> | null {
  if (who === 'crew') return null
  const amateurs = refusedToAmateur(rules, use.method)
  if (amateurs)
    return refuse(
      'not-allowed',
      'who',
      `This is not for amateurs here: ${amateurs.text} ${sourceOf(amateurs)} Give it to the crew.`,
    )
  if (!isHand(use.method))
    return refuse(
      'not-allowed',
      'who',
      `${product.name} is put on by the crew under a licence; only work that needs no product may be the client’s.`,
    )
  return onlyIf === null
    ? null
    : refuse(
        'not-allowed',
        'who',
        'What is only done if something is found is released by the crew lead; give it to the crew.',
      )
}

/** Refuses more times than the card allows, or any where it says nothing of doing it again. */
export function refusedTimes(
  { use, product }: UseRow,
  { times, apart }: { times: number; apart: number | null },
): Result<never> | null {
  if (times === 1) return null
  const repeats = methodOf(use).repeats(use)
  if (!repeats)
    return refuse(
      'not-allowed',
      'times',
      `${product.name} does not say after how many days it goes on again; sign it once.`,
    )
  if (apart !== null && apart < repeats.least)
    return refuse(
      'over-label',
      'apart',
      `${product.name} keeps ${repeats.least} days between two times; choose ${repeats.least} or more.`,
    )
  return repeats.mostTimes !== undefined && times > repeats.mostTimes
    ? refuse(
        'over-label',
        'times',
        `${product.name} goes on at most ${repeats.mostTimes} times a year; choose ${repeats.mostTimes} or fewer.`,
      )
    : null
}

/** What one tree gets by a use: its gate, its reading, its dose, and the dose with what went on before. */
export function planFor(
  { person, now }: Pick<Context, 'person' | 'now'>,
  hand: TreeAtHand,
  row: UseRow,
  q: {
    onDate: string
    eaten: boolean | null
    harvestOn: string | null
    choice: number
    given: z.infer<typeof Given>
  },
): Result<Pick<NewItem['subjects'][number], 'plan' | 'working' | 'checks'>> {
  const { tree, reading, facts, decided } = hand
  const { use } = row
  const not = notDecided(decided?.action, use.method)
  if (not !== null) return refuse('not-allowed', 'decisionId', not)
  const { closed, asks, again } = gateOf(hand, row, {
    on: q.onDate,
    eaten: q.eaten,
    harvestOn: q.harvestOn,
    units: person.units,
  })
  if (closed[0]) return refuse(closed[0].code, closed[0].field, said(closed[0]))
  const ask = asks.find((a) => ASKED_AT_SIGNING.includes(a.field))
  if (ask) return refuse('missing', ask.field, ask.message)
  const given = readGiven(q.given, person.units)
  if (!given.ok) return given
  if (!reading || !facts) return refuse('missing', 'reading', NOT_MEASURED)
  if (yearsBetween(reading.readAt.toISOString(), now.toISOString()) > READING_GOOD_FOR_YEARS + 0.01)
    return refuse(
      'out-of-range',
      'reading',
      'The reading is more than a year old; measure the trunk again before dosing.',
    )
  const day = dayFor(hand.weather, tree.timeZone, now, q.onDate)
  const planned = planSubject({
    use,
    tree: facts,
    day,
    choice: q.choice,
    given: given.value,
    units: person.units,
    sources: {
      reading: readingSource(reading, tree.timeZone),
      label: cardSource(row),
      weather: day.source,
    },
  })
  if (!planned.ok) return planned
  const plan = planned.value.plan as SubjectPlan
  const over = overWithEarlier(hand, row, plan, q.onDate, person.units)
  if (over) return over
  return ok({
    plan,
    working: planned.value.working,
    checks: checksAfter(use, tree.liveCrownPercent ?? 70, plan, again),
  })
}

/**
 * Refuses a dose that, with what went on of the same product while that is at work, is more than the label's most. A partly
 * treated tree may so be given the rest.
 */
function overWithEarlier(
  hand: TreeAtHand,
  { product, use }: UseRow,
  plan: SubjectPlan,
  on: string,
  units: 'us' | 'metric',
): Result<never> | null {
  const same = hand.history.filter(
    (e) => e.code === product.code && e.state === 'done' && daysBetween(e.on, on) < dueAfter(e.lastsDays),
  )
  const went = same.reduce((sum, e) => sum + e.amount, 0)
  if (went === 0 || went + plan.product <= plan.most * (1 + 1e-9)) return null
  const show = (amount: number) => showProduct(amount, plan.kind, use.method, units)
  return refuse(
    'over-label',
    'choice',
    `${show(went)} of ${product.name} went into this tree already (${same[0]!.from}). With ${show(plan.product)} more that is above the label’s most of ${show(plan.most)}. Choose a lower rate, or wait for the retreatment.`,
  )
}
