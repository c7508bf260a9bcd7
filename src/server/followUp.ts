import { enterResultAsks } from '@/asks/work'
import { z } from 'zod'
import {
  answersOf,
  compare,
  compareTold,
  isTold,
  promisedAgain,
  STOP_TREATING,
  type Compared,
  type Expectation,
} from '@/core/respond/compare'
import { sayAnswer } from '@/core/respond/answer'
import { ok, refuse, type Result } from '@/core/problem'
import { addMeasurement, followUpById, followUpForChange, type FollowUpRow } from '@/db/queries/followUp'
import { restage, treeForChange, treesForChange } from '@/db/queries/tree'
import { spokenDate } from '@/core/time/calendar'
import { promiseChecks } from './promise'
import { id } from '@/asks/text'
import { verb, type Context } from './verb'

const WHOLE = ['left', 'counted', 'of ten shoots']

/** What an answer comes to: a number within what can be found, or one of the answers offered. */
function readAnswer(e: Expectation, input: { value: number | null; said: string | null }): Result<Compared> {
  if (isTold(e)) {
    const compared = input.said === null ? undefined : compareTold(e.kind, input.said)
    return compared && input.value === null
      ? ok(compared)
      : refuse('missing', 'said', `${e.question} Choose one: ${answersOf(e.kind).join(', ')}.`)
  }
  const { value } = input
  if (value === null || input.said !== null) return refuse('missing', 'value', 'Type the number you found.')
  if (value < e.least || value > e.most)
    return refuse(
      'out-of-range',
      'value',
      `The result must lie from ${e.least} to ${e.most} ${e.unit}; check the number.`,
    )
  if (WHOLE.includes(e.unit) && !Number.isInteger(value))
    return refuse('out-of-range', 'value', 'Count whole ones; type a whole number.')
  return ok(compare(e, value))
}

/** Enters what a promised check found, compared with what was expected. A check has one result. */
export const enterResultVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.followUpId,
  input: enterResultAsks,
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ verdict: string }>> => {
    const found = await followUpById(context.sql, input.followUpId)
    // The tree before the check, as every step that moves a tree's work on.
    if (found) await treeForChange(context.sql, found.treeId)
    return enter(context, found, input)
  },
})

/** As many results as one walk brings. */
export const MOST_RESULTS = 400

/** What a walk past many trees found, each held against its own check. All are entered, or none. */
export const enterResultsVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.results[0]!.followUpId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    results: z
      .array(enterResultAsks)
      .min(1, { error: 'Enter what you found at one tree at least.' })
      .max(MOST_RESULTS, { error: `At most ${MOST_RESULTS} at once.` }),
  }),
  run: async (context, { results }): Promise<Result<{ entered: number }>> => {
    // All trees at once and in one order, as every step that holds several.
    const found = await Promise.all(results.map((r) => followUpById(context.sql, r.followUpId)))
    await treesForChange(context.sql, [...new Set(found.flatMap((c) => (c ? [c.treeId] : [])))])
    for (const [n, result] of results.entries()) {
      const check = found[n]
      const entered = await enter(context, check, result)
      if (!entered.ok) {
        return {
          ok: false,
          problem: {
            ...entered.problem,
            field: `results[${n}].${entered.problem.field}`,
            message: check ? `${check.tag}: ${entered.problem.message}` : entered.problem.message,
          },
        }
      }
    }
    return ok({ entered: results.length })
  },
})

/** Enters one result; the tree of the check is held. */
async function enter(
  { sql, person, at, today }: Context,
  found: FollowUpRow | undefined,
  input: z.output<typeof enterResultAsks>,
): Promise<Result<{ verdict: string }>> {
  const check = found && (await followUpForChange(sql, found.id))
  if (!check) return refuse('unknown', 'followUpId', 'There is no such check.')
  const answered = readAnswer(check.expectation, input)
  if (!answered.ok) return answered
  if (check.dropped !== null)
    return refuse(
      'conflict',
      'followUpId',
      check.decisionId !== null
        ? `This is no longer waited for: ${check.dropped}`
        : `This check fell away with its tree: ${check.dropped} If the tree stands, put it back on its page first.`,
    )
  // What is told may come earlier than it was promised for; what is measured is measured on its day.
  if (check.dueOn > today && !isTold(check.expectation))
    return refuse(
      'not-allowed',
      'followUpId',
      `This check is due on ${spokenDate(check.dueOn)}; its result can be entered from that day on.`,
    )
  const { verdict, options } = answered.value
  if (!options.includes(input.nextStep))
    return refuse(
      'missing',
      'nextStep',
      `The result is ${verdict}. Choose what is next: ${options.join(', ')}.`,
    )
  if (input.nextStep === STOP_TREATING && (input.words ?? '').length < 4)
    return refuse(
      'missing',
      'words',
      'It is due again until somebody ends it: say in words why it is not treated any more.',
    )
  if (check.verdict)
    return refuse(
      'conflict',
      'followUpId',
      `${check.measuredBy} has entered ${sayAnswer(check)} for this check already. Load the page again to see it.`,
    )
  await addMeasurement(sql, {
    ...input,
    firmId: person.firmId,
    verdict,
    words: input.words || null,
    at,
    by: person.id,
  })
  const { expectation, what } = check
  const afterDays = promisedAgain(input.nextStep, expectation)
  if (afterDays !== undefined)
    await promiseChecks(
      { sql, person },
      {
        treeId: check.treeId,
        prescriptionId: check.prescriptionId,
        decisionId: check.decisionId,
        on: today,
        checks: [{ afterDays, what, expectation }],
      },
    )
  await restage(sql, check.treeId)
  return ok({ verdict })
}
