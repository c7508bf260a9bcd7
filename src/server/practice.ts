import { z } from 'zod'
import { practiceCase, scoreRun, type Scored } from '@/almanac/practiceCase'
import { ok, refuse, type Result } from '@/core/problem'
import type { ActionClass } from '@/core/diagnose/almanac'
import { ACTION_WORDS } from '@/almanac/actionWords'
import { addPractice } from '@/db/queries/practice'
import { firmAlmanac } from './almanac'
import { id } from '@/asks/text'
import { verb } from './verb'

/** Closes a practice case: scored here, from the case itself, whatever the page thinks. */
export const finishPracticeVerb = verb({
  roles: 'all',
  input: z.strictObject({
    id: id(),
    caseId: z.string().max(60),
    checks: z.array(z.string().max(60)).max(150),
    answer: z.string().min(1, { error: 'Choose what it is.' }).max(60),
    action: z.enum(Object.keys(ACTION_WORDS) as [ActionClass, ...ActionClass[]], {
      error: 'Choose what is to be done.',
    }),
  }),
  makes: (i) => i.id,
  run: async ({ sql, person, now }, input): Promise<Result<Scored>> => {
    const almanac = await firmAlmanac(sql)
    const one = practiceCase(input.caseId, almanac)
    if (!one) return refuse('unknown', 'caseId', 'There is no such case; draw another.')
    const checks = [...new Set(input.checks)]
    if (checks.some((f) => !one.truth.has(f)))
      return refuse(
        'unknown',
        'checks',
        'One of these checks cannot be made on this tree; load the page again.',
      )
    const scored = scoreRun(one, checks, input.answer, input.action, almanac)
    await addPractice(sql, {
      id: input.id,
      firmId: person.firmId,
      personId: person.id,
      caseId: one.id,
      host: one.host,
      trueCause: one.cause,
      checks,
      answer: input.answer,
      action: input.action,
      score: scored.score,
      minutes: scored.minutes,
      at: now,
    })
    return ok(scored)
  },
})
