import type { Yearly } from '../time/yearly'

/** From the first buds to the last leaves: sprays, bands, helpers and counts are over with it. Days of the north; house figure. */
export const GROWING_SEASON: Yearly = { from: '03-01', to: '11-15' }
