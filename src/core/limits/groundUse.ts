import type { Mass } from '../quantity/units'

/** One active on one ground in one calendar year, kg. */
export interface GroundUse {
  active: string
  /** Put on by us, by others, and signed but not yet put on. */
  applied: Mass
  others: Mass
  planned: Mass
}
