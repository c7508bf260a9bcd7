import { z } from 'zod'
import { isDate } from '@/core/time/calendar'
import { STOCK_MOVES } from '@/core/stock/lotStock'
import { orNothing, said, saying } from './field'
import { accepted, id, line, typed } from './text'

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

/** What happened to a lot beside what records use of it. */
export const enterStockAsks = z.strictObject({
  id: id(),
  lotId: id('lotId'),
  kind: z
    .enum(STOCK_MOVES, { error: 'Say what happened to it.' })
    .register(said, { label: 'What', input: 'choice' }),
  amount: orNothing(
    saying(typed('How much', 60), { label: 'How much, with its unit', placeholder: '64 fl oz' }),
  ),
  words: orNothing(saying(line('In words', 500), { label: 'Where from, or where it went' })),
  accepted: accepted(),
})

/** How much of a card is to be there at least. */
export const setLeastAsks = z.strictObject({
  id: id(),
  code: line('The card', 12),
  least: orNothing(saying(typed('At least', 60), { label: 'At least to be there', placeholder: '1 gal' })),
})
