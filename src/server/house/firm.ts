import { z } from 'zod'
import { firmAsks, language } from '@/asks/house'
import { ok, type Result } from '@/core/problem'
import { changeFirm, setFirmSetting, setLanguage } from '@/db/queries/house'
import { verb } from '../verb'

/** Sets what the firm is called, where it works and how it writes. */
export const setFirmVerb = verb({
  roles: 'all',
  keeps: true,
  input: firmAsks,
  run: async ({ sql }, input): Promise<Result<{ name: string }>> => {
    await changeFirm(sql, input)
    return ok({ name: input.name })
  },
})

/** Sets in which language a person reads. */
export const setLanguageVerb = verb({
  roles: 'all',
  input: z.strictObject({ language: language() }),
  run: async ({ sql, person }, input): Promise<Result<{ language: string }>> => {
    await setLanguage(sql, person.id, input.language)
    return ok({ language: input.language })
  },
})

/** Puts the page of first steps away, or takes it back. */
export const putFirstStepsAwayVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ away: z.boolean() }),
  run: async ({ sql }, input): Promise<Result<{ away: boolean }>> => {
    await setFirmSetting(sql, 'firstSteps', input.away ? 'away' : 'open')
    return ok({ away: input.away })
  },
})
