import { reachedOn, type Reached, type Warmth } from './year'

/** A stage and the sum of warmth at which it begins, from the earliest to the latest, °C·d. */
export interface StageSum {
  stage: string
  low: number
  high: number
}

/** Stages of a kind in their order, and how many days before the sums it is at them: peach is ten days before apple. */
export interface StageTable {
  stages: readonly StageSum[]
  daysBefore?: number
}

/** A stage as it was seen on the ground, by days since the year began. */
export interface SeenStage {
  stage: string
  day: number
}

export interface StageDay {
  stage: string
  /** When it begins. */
  begins: Reached
  /** True when it was seen, not reckoned. */
  seen: boolean
}

/**
 * When each stage begins: as it was seen, else by its sum. What was seen moves the sums of every later stage by as much as it was off the middle
 * of its own; the newest holds. Stages that neither were seen nor can be reckoned are left out, and so are those before a seen one that would
 * come after it. Source: handbook, stages.
 */
export function stageDays(
  { stages, daysBefore = 0 }: StageTable,
  seen: readonly SeenStage[],
  known: Warmth,
  today: number,
  past: readonly Warmth[],
): StageDay[] {
  const order = stages.map((s) => s.stage)
  const newest = [...seen]
    .filter((s) => order.includes(s.stage))
    .sort((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage))
  const found: StageDay[] = []
  let moved = 0
  for (const { stage, low, high } of stages) {
    const here = newest.findLast((s) => s.stage === stage)
    if (here) {
      const at = known[Math.min(known.length - 1, here.day + daysBefore)]
      if (at !== undefined && at !== null) moved = at - (low + high) / 2
      found.push({
        stage,
        begins: { day: here.day, earliest: here.day, latest: here.day, by: 'measured' },
        seen: true,
      })
      continue
    }
    const [early, mid, late] = [low, (low + high) / 2, high].map((s) =>
      reachedOn(Math.max(0.001, s + moved), known, today, past),
    )
    if (!mid) continue
    found.push({
      stage,
      begins: {
        day: mid.day - daysBefore,
        earliest: (early ?? mid).earliest - daysBefore,
        latest: (late ?? mid).latest - daysBefore,
        by: mid.by,
      },
      seen: false,
    })
  }
  // A stage that was seen bounds what was reckoned before it.
  for (let i = found.length - 2; i >= 0; i--) {
    const next = found[i + 1]!
    const own = found[i]!
    if (own.seen || own.begins.day < next.begins.day) continue
    const day = next.begins.day - 1
    own.begins = {
      ...own.begins,
      day,
      earliest: Math.min(own.begins.earliest, day),
      latest: Math.min(own.begins.latest, day),
    }
  }
  return found
}

/** The stage a day lies in: the last that has begun; null before the first. */
export function stageOn(stages: readonly StageDay[], day: number): string | null {
  return stages.findLast((s) => s.begins.day <= day)?.stage ?? null
}
