import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { moveClock, setUnits } from '@/db/queries/person'
import { isDemo } from './environment'
import { verb } from './verb'

/** Sets in which units a person sees and types. */
export const setUnitsVerb = verb({
  roles: 'all',
  input: z.strictObject({ units: z.enum(['us', 'metric']) }),
  run: async ({ sql, person }, { units }): Promise<Result<{ units: string }>> => {
    await setUnits(sql, person.id, units)
    return ok({ units })
  },
})

/** Moves the demo's clock on, so that uptake and follow-ups can be seen without waiting. Only in the demo. */
export const moveClockVerb = verb({
  roles: 'all',
  input: z.strictObject({
    seconds: z
      .int()
      .min(1)
      .max(3 * 366 * 86_400),
  }),
  run: async ({ sql, person }, { seconds }): Promise<Result<{ moved: number }>> => {
    if (!isDemo()) return refuse('not-allowed', 'seconds', 'Only the demo has a clock that can be moved.')
    await moveClock(sql, person.firmId, seconds)
    return ok({ moved: seconds })
  },
})
