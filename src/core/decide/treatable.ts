/** How trees with a cause answer to treatment, by the share of the crown that is lost. */
export interface Treatable {
  /**
   * `borer`: it girdles, and dead wood carries nothing; `returns`: the crown comes back while its buds live; `wilt`: it runs
   * through the wood, and only the first of it can be stopped; `seldom kills`.
   */
  kind: 'borer' | 'returns' | 'wilt' | 'seldom kills'
  /** Per cent of the crown lost: below it treating works well. */
  good: number
  /** Above it nothing does. */
  none: number
}

/** Source: handbook, treatability: best under 30 % lost, doubtful to 50 %, no use above. */
export const BORER: Treatable = { kind: 'borer', good: 30, none: 50 }
/** Trees thinned by sap feeders come back over some years while their buds live. */
export const RETURNS: Treatable = { kind: 'returns', good: 50, none: 100 }
/** House figures: what a vascular disease has taken spreads on; a tenth of the crown is early. */
export const WILT: Treatable = { kind: 'wilt', good: 10, none: 20 }
export const SELDOM_KILLS: Treatable = { kind: 'seldom kills', good: 50, none: 100 }

export type Grade = 'good' | 'doubtful' | 'none' | 'not taken'

export interface Judged {
  grade: Grade
  why: string
  against: boolean
}

/**
 * Whether treating can still help a tree, with the reason. `lost` is the share of its crown that is lost, per cent; null where
 * nobody took it. Source: handbook, treat, care, watch, sample or remove; weighing, treatability per cause.
 *
 * @example judgeTreatable(BORER, 20).grade // 'good'
 */
export function judgeTreatable(treatable: Treatable, lost: number | null): Judged {
  if (lost === null)
    return {
      grade: 'not taken',
      why: 'Nobody has taken the share of live crown yet; without it no systemic can be judged.',
      against: true,
    }
  const grade: Grade = lost < treatable.good ? 'good' : lost <= treatable.none ? 'doubtful' : 'none'
  return {
    grade,
    why: `${lost} % of the crown is lost${WHY[treatable.kind](treatable)[grade]}`,
    against: grade !== 'good',
  }
}

/** What each grade means, with the cause’s own figures. */
const WHY: Record<Treatable['kind'], (t: Treatable) => Record<Exclude<Grade, 'not taken'>, string>> = {
  borer: ({ good, none }) => ({
    good: `, under ${good} %: the wood still carries a product.`,
    doubtful: `. Between ${good} and ${none} % a treatment is doubtful: tell the client.`,
    none: `. Above ${none} % the wood no longer carries a product.`,
  }),
  returns: () => ({
    good: '; it can come back while its buds live.',
    doubtful:
      '. While buds live it can come back over two to four years: treat, add what works fast, decide later.',
    none: '. Nothing is left that could come back.',
  }),
  wilt: ({ good, none }) => ({
    good: ': early. Cut well below what is stained, and ask whether the rest can be protected.',
    doubtful: `. From ${good} % on it has run through the wood, and hardly any tree of these is saved.`,
    none: `. Above ${none} % nothing stops it; think of its neighbours.`,
  }),
  'seldom kills': () => ({
    good: '; it seldom kills.',
    doubtful: '. It seldom kills; look for what else has thinned the crown.',
    none: '. It seldom kills; look for what has.',
  }),
}
