/** A stretch of days on a lane; open ones are filled, those that are reckoned are only outlined, closed ones are hatched. */
export interface Stretch {
  from: number
  to: number
  text: string
  look: 'open' | 'reckoned' | 'stage' | 'closed'
}

/** A line of the ribbon with its name. */
export interface Lane {
  id: string
  name: string
  stretches: Stretch[]
  /** Days something may come between. */
  ranges?: { from: number; to: number; at: number }[]
}
