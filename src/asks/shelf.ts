import { z } from 'zod'
import { isDate } from '@/core/time/calendar'
import { orNothing, said, saying } from './field'
import { id, line } from './text'

/** A lot that is put on the shelf. */
export const enterLotAsks = z.strictObject({
  id: id(),
  code: line('The card', 12),
  number: saying(line('The lot', 60), { label: 'Lot, off the package' }),
  expiresOn: orNothing(
    z
      .string()
      .refine(isDate, { error: 'The last day is not a calendar date; choose it, or leave it empty.' })
      .register(said, { label: 'Last day', input: 'day' }),
  ),
})

/** A lot that is called back. */
export const withdrawLotAsks = z.strictObject({
  lotId: id('lotId'),
  why: line('Why it is called back', 300, 4),
})
