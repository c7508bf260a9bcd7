import type { z } from 'zod'
import type { Problem, Result } from '@/core/problem'
import { FOREIGN, isOwnOrigin, problemResponse, readJson } from '../http'
import { problemOf } from '../inputProblem'
import { log } from '../log'

const CLOSED: Problem = {
  code: 'conflict',
  field: 'server',
  message: 'The database does not answer just now. What you typed is still here; try again in a moment.',
}

/**
 * One press at a door that stands before the sign-in: reads what was sent by what the door asks, does it, and answers as a step does.
 * `status` is that of a refusal, or null for the usual one.
 */
export async function atDoor<S extends z.ZodType, Answer>(
  request: Request,
  asks: S,
  act: (input: z.output<S>) => Promise<Result<Answer>>,
  status: { done?: number; refused?: (problem: Problem) => number | undefined } = {},
): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const read = await readJson(request)
  if ('response' in read) return read.response
  const body = asks.safeParse(read.body)
  if (!body.success) return problemResponse(problemOf(body.error))
  try {
    const result = await act(body.data)
    return result.ok
      ? Response.json(
          { value: result.value },
          { status: status.done ?? 200, headers: { 'cache-control': 'no-store' } },
        )
      : problemResponse(result.problem, status.refused?.(result.problem))
  } catch (error) {
    log.error({ error: (error as Error).message })
    return problemResponse(CLOSED, 503)
  }
}
