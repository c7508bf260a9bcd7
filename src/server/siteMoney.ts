import { z } from 'zod'
import { checkMoney, MONEY_BOUNDS, PRESSURES } from '@/core/decide/siteMoney'
import { ok, refuse, type Result } from '@/core/problem'
import { addSiteMoney } from '@/db/queries/decideSite'
import { siteById } from '@/db/queries/site'
import { id } from '@/asks/text'
import { verb } from './verb'

const number = () => z.number({ error: 'Type a number.' })

/** Keeps what keeping, felling and replacing trees of a site comes to. */
export const setSiteMoneyVerb = verb({
  roles: ['arborist', 'office'],
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    siteId: id('siteId'),
    money: z.strictObject({
      ...(Object.fromEntries(Object.keys(MONEY_BOUNDS).map((k) => [k, number()])) as Record<
        keyof typeof MONEY_BOUNDS,
        ReturnType<typeof number>
      >),
      pressure: z.enum(PRESSURES, { error: 'Choose low, middle or high.' }),
    }),
  }),
  run: async ({ sql, person, now }, input): Promise<Result<{ kept: true }>> => {
    if (!(await siteById(sql, input.siteId))) return refuse('unknown', 'siteId', 'There is no such site.')
    const wrong = checkMoney(input.money)
    if (wrong) return wrong
    await addSiteMoney(sql, { ...input, firmId: person.firmId, by: person.id, at: now })
    return ok({ kept: true })
  },
})
