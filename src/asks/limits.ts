import { z } from 'zod'
import { said, saying } from './field'
import { day, id, line, typed } from './text'

/** What somebody else put on a ground. */
export const noteAppliedAsks = z.strictObject({
  id: id(),
  siteId: id('siteId'),
  active: line('Active', 60).register(said, { label: 'Active', input: 'choice' }),
  /** Of the active itself. */
  amount: saying(typed('How much of it', 60), { label: 'How much of the active' }),
  onDate: day(),
  source: saying(line('How it is known', 300, 4), { help: 'A receipt, a record, somebody’s word.' }),
})

/** How large a ground is. */
export const setAreaAsks = z.strictObject({
  siteId: id('siteId'),
  area: saying(typed('Area', 60), { label: 'How large it is' }),
})
