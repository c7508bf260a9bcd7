import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { agreedOn } from '@/core/schools/house'
import { methodOf } from '@/core/methods/registry'
import { sayPlan } from '@/core/methods/say'
import { MOST_DAYS_APART } from '@/core/plan/lineOfWork'
import { ok, refuse, type Problem, type Result } from '@/core/problem'
import { toNotify } from '@/core/rules/refused'
import { addDays, dateIn, isDate, spokenDate } from '@/core/time/calendar'
import type { UseRow } from '@/db/queries/card'
import { houseRules } from '@/db/queries/almanac'
import { jobOfDay } from '@/db/queries/job'
import { addPrescription, prescriptionsOn, type NewItem } from '@/db/queries/prescription'
import { restage, treesForChange } from '@/db/queries/tree'
import { refusedByLimits } from './groundLimits'
import { ChosenMatter, forWhom, keepChosen, mattersOn } from './houseRule'
import { putOnJob, refusedDay } from './onJob'
import { Given, planFor, refusedTimes, refusedToClient, withItem } from './planItem'
import { promiseChecks } from './promise'
import { gone } from './standing'
import { intoTanks } from './tank'
import { day, id, words } from '@/asks/text'
import { treesAtHand, type TreeAtHand } from './treesAtHand'
import { useOnShelf } from './onShelf'
import { verb, type Context } from './verb'

/** As many trees as one prescription is signed for. */
export const MOST_SUBJECTS = 400

const Item = z.strictObject({
  useId: id('useId'),
  choice: z
    .number()
    .min(0, { error: 'The rate lies below the label’s low rate.' })
    .max(1, { error: 'The rate lies above the label’s high rate.' }),
  /** How often it is done in all, where the card says after how many days it is done again. */
  times: z
    .int({ error: 'How often must be a whole number.' })
    .min(1, { error: 'It is done at least once.' })
    .max(60, { error: 'At most sixty times; sign the rest when they come.' })
    .default(1),
  /** After how many days it is done again, no sooner than the card says; null leaves it to the card. */
  apart: z
    .int({ error: 'The days between two times are a whole number.' })
    .min(1, { error: 'At least a day lies between two times.' })
    .max(120, { error: 'At most 120 days lie between two times; sign the next by itself.' })
    .nullable()
    .default(null),
  /** Items with the same number come out of one tank. */
  tank: z.int().min(1).max(6).nullable().default(null),
  /** It waits for an earlier item of the list, by its place, and so many days after that is done. */
  after: z
    .strictObject({
      item: z.int().min(0).max(5),
      days: z
        .int({ error: 'The days between two steps are a whole number.' })
        .min(0, { error: 'A step cannot come before the one it waits for.' })
        .max(MOST_DAYS_APART, { error: `At most ${MOST_DAYS_APART} days lie between two steps of a line.` }),
    })
    .nullable()
    .default(null),
  /** What must be found on site before it is done. */
  onlyIf: words('What must be found', 300).default(null),
  who: z.enum(['crew', 'client']).default('crew'),
  subjects: z
    .array(z.strictObject({ treeId: id('treeId'), decisionId: id('decisionId'), given: Given }))
    .min(1, { error: 'Choose at least one tree.' })
    .max(MOST_SUBJECTS, { error: `One prescription is for at most ${MOST_SUBJECTS} trees; split it.` }),
})

const Input = z.strictObject({
  id: id(),
  items: z.array(Item).min(1).max(6),
  /** Whether people eat of these trees or from beneath them, where the almanac asks. */
  eaten: z.boolean().nullable().default(null),
  /** The day on which picking begins, where the card keeps days before it. */
  harvestOn: z
    .string()
    .refine(isDate, { error: 'The day of picking is not a calendar date.' })
    .nullable()
    .default(null),
  onDate: day(),
  /** Matters on which practitioners differ that are done otherwise here than the house does them. */
  matters: z.array(ChosenMatter).max(20).default([]),
})

/** A problem at one of several trees says which; at the only one it stands at its own field. */
function at(hand: TreeAtHand, several: boolean, problem: Problem): Result<never> {
  return several
    ? { ok: false, problem: { ...problem, message: `${hand.tree.tag}: ${problem.message}` } }
    : { ok: false, problem }
}

/**
 * Signs a prescription for one cause on one or many trees of a site and hands it to the crew for a day. Everything is worked
 * out again here; what the screen showed is only taken where it is the person's choice. A decision is prescribed once, and once more for each check that said to treat again.
 */
export const handToCrewVerb = verb({
  roles: ['arborist'],
  bearing: 'use',
  signs: true,
  about: (i) => i.items[0]!.subjects[0]!.treeId,
  makes: (i) => i.id,
  input: Input,
  run: async (context, input): Promise<Result<{ jobId: string | null }>> => {
    const { sql, person, now } = context
    const asked = input.items.flatMap((i) => i.subjects)
    const ids = [...new Set(asked.map((s) => s.treeId))]
    const trees = await treesForChange(sql, ids)
    if (trees.length < ids.length) return refuse('unknown', 'treeId', 'There is no such tree.')
    const several = ids.length > 1
    for (const tree of trees) {
      const left = gone(tree)
      if (left) return left
    }
    const site = trees[0]!.siteId
    if (trees.some((t) => t.siteId !== site))
      return refuse(
        'not-allowed',
        'treeId',
        'One prescription is for trees of one site; sign one for each site.',
      )
    for (const item of input.items)
      if (new Set(item.subjects.map((s) => s.treeId)).size < item.subjects.length)
        return refuse('conflict', 'treeId', 'A tree stands in the list twice; take it out once.')
    const { timeZone } = trees[0]!
    const today = dateIn(timeZone, now)
    const early = refusedDay(today, input.onDate)
    if (early) return early

    const rows = new Map<string, Result<UseRow>>()
    for (const { useId } of input.items)
      if (!rows.has(useId)) rows.set(useId, await useOnShelf(context, useId))
    const uses = [...rows.values()].flatMap((r) => (r.ok ? [r.value] : []))
    const hands = new Map((await treesAtHand(context, trees, uses)).map((h) => [h.tree.id, h]))
    const causes = new Set<string>()
    for (const subject of asked) {
      const hand = hands.get(subject.treeId)!
      const { decided } = hand
      if (!decided || decided.decisionId !== subject.decisionId || decided.decidedOn !== decided.diagnosisId)
        return at(hand, several, {
          code: 'conflict',
          field: 'decisionId',
          message: 'The decision has changed since this page was opened; load it again.',
        })
      causes.add(decided.cause)
    }
    if (causes.size > 1)
      return refuse(
        'not-allowed',
        'cause',
        'These trees have different causes; sign a prescription for each.',
      )
    const before = await prescriptionsOn(sql, [...new Set(asked.map((s) => s.decisionId))])
    const first = before.find((p) => !p.again)
    if (first) {
      const whose = hands.get(asked.find((s) => s.decisionId === first.decisionId)!.treeId)!
      return at(whose, several, {
        code: 'conflict',
        field: 'decisionId',
        message: `${first.signedBy} has handed this decision to the crew already${first.onDate ? `, for ${spokenDate(first.onDate)}` : ''}. Open that work under Run; to plan it anew, take that prescription back first.`,
      })
    }

    const each: (NewItem & { row: UseRow })[] = []
    const days: string[] = []
    for (const [n, item] of input.items.entries()) {
      const stepBefore = item.after && each[item.after.item]
      if (item.after && !stepBefore)
        return refuse('out-of-range', 'after', 'A step waits for one that stands before it in the line.')
      if (stepBefore?.who === 'client')
        return refuse(
          'not-allowed',
          'after',
          'A step waits for one of the crew: nobody signs when the client has done theirs. Let it wait for another, or give it a day.',
        )
      const onDay = item.after ? addDays(days[item.after.item]!, item.after.days) : input.onDate
      days[n] = onDay
      const row = rows.get(item.useId)!
      if (!row.ok) return row
      const not = refusedToClient(row.value, item, hands.get(ids[0]!)!.rules) ?? refusedTimes(row.value, item)
      if (not) return not
      const planned: NewItem['subjects'] = []
      for (const { treeId, decisionId, given } of item.subjects) {
        const hand = hands.get(treeId)!
        const plan = planFor(context, hand, row.value, {
          ...input,
          onDate: onDay,
          choice: item.choice,
          given,
        })
        if (!plan.ok) return at(hand, several, plan.problem)
        planned.push({ id: uuidv7(), treeId, decisionId, readingId: hand.reading!.id, ...plan.value })
        hands.set(treeId, withItem(hand, row.value, plan.value.plan, onDay))
      }
      each.push({
        id: uuidv7(),
        occurrenceId: uuidv7(),
        method: row.value.use.method,
        useId: row.value.id,
        times: item.times,
        apart: item.apart,
        tank: null,
        after: item.after && stepBefore ? { itemId: stepBefore.id, days: item.after.days } : null,
        onlyIf: item.onlyIf,
        who: item.who,
        dueFrom: onDay,
        dueTo: onDay,
        subjects: planned,
        row: row.value,
      })
    }
    const tanks = intoTanks(
      each,
      input.items.map((i) => i.tank),
      person.units,
    )
    if (!tanks.ok) return tanks
    const items = tanks.value
    const over = await refusedByLimits(context, site, input.onDate, items)
    if (over) return over

    const whom = await forWhom(sql, site, several ? null : ids[0]!)
    const kept = input.matters.find((m) => m.keepFor === 'tree')
    if (kept && several)
      return refuse(
        'not-allowed',
        'matters',
        'A rule for one tree is kept where it alone is prescribed for; keep this one for the client, or for this work only.',
      )
    const cause = [...causes][0]!
    const agreed = agreedOn(
      mattersOn(cause, [...new Set(trees.map((t) => t.host))]),
      await houseRules(sql, whom),
      whom,
      input.matters,
    )
    const strange = input.matters.find((m) => !agreed.some((a) => a.matter === m.matter))
    if (strange)
      return refuse(
        'not-allowed',
        'matters',
        'One of the matters does not come up in this work; take it out.',
      )
    await keepChosen(context, input.matters, whom, uuidv7)
    const told = items.flatMap((i) =>
      toNotify(hands.get(ids[0]!)!.rules, i.method, i.dueFrom).map((n) => ({
        whom: n.whom,
        by: n.by,
        rule: n.rule.name,
        source: n.rule.source,
      })),
    )
    await addPrescription(sql, {
      agreed: {
        matters: agreed,
        notices: told.filter((n, i) => told.findIndex((m) => m.whom === n.whom && m.by === n.by) === i),
      },
      id: input.id,
      firmId: person.firmId,
      siteId: site,
      cause,
      harvestOn: input.harvestOn,
      at: now,
      by: person.id,
      items,
      roundOf: (decisionId) =>
        1 + Math.max(0, ...before.flatMap((p) => (p.decisionId === decisionId ? [p.round] : []))),
    })
    const onTheDay = items.filter((i) => i.who === 'crew' && i.after === null)
    const jobId =
      onTheDay.length === 0
        ? null
        : await jobOfDay(sql, {
            id: uuidv7(),
            firmId: person.firmId,
            siteId: site,
            onDate: input.onDate,
            crewId: null,
          })
    for (const item of onTheDay) await putOnJob(context, jobId!, item)
    for (const item of items.filter((i) => i.who === 'client')) await askClient(context, input.id, item)
    for (const tree of trees) await restage(sql, tree.id)
    return ok({ jobId })
  },
})

/** What is the client's to do is asked about once it should be done. */
async function askClient(
  context: Context,
  prescriptionId: string,
  item: NewItem & { row: UseRow },
): Promise<void> {
  const { use } = item.row
  const repeats = methodOf(use).repeats(use)
  const days = repeats && item.times > 1 ? repeats.most * (item.times - 1) : ASK_CLIENT_DAYS
  for (const { treeId, plan } of item.subjects)
    await promiseChecks(context, {
      treeId,
      prescriptionId,
      on: item.dueFrom,
      ofClient: true,
      checks: [
        {
          afterDays: days,
          what: `Whether the client has done it: ${sayPlan(plan, use, context.person.units)}`,
          expectation: {
            kind: 'care',
            question: 'Has the client done it, and does it help?',
            againDays: ASK_CLIENT_DAYS,
          },
        },
      ],
    })
}

/** House figure: so long after a client should have begun, somebody asks. */
const ASK_CLIENT_DAYS = 14
