import { harvestDaysOf, type HarvestQuestion } from '../limits/harvest'

/** Work that closes ground, or keeps days before a harvest. */
export interface ClosingFacts {
  /** When it went on and until when nobody may be on the ground, epoch ms. */
  at: number
  until: number | null
  card: string
  crops: HarvestQuestion['foodCrops'] | null
  /** Kinds of the trees it went on. */
  hosts: readonly string[]
}

/** A stretch in which something is closed, in days of a year, with what closed it. */
export interface Closure {
  kind: 'ground' | 'harvest'
  from: number
  to: number
  card: string
  /** Of a harvest: which kind is not picked. */
  host: string | null
}

const DAY = 86_400_000

/**
 * What work closes: the ground until it may be entered again, and the harvest of a kind for as many days as the label keeps. `begins`: the instant of day 0.
 * Stretches that are over before it are left out; the first to begin comes first. Source: label, re-entry and days to harvest.
 * @example closures([{ at: begins, until: begins + 43_200_000, card: 'Example', crops: null, hosts: [] }], begins) // [{ kind: 'ground', from: 0, to: 0.5, … }]
 */
export function closures(work: readonly ClosingFacts[], begins: number): Closure[] {
  const day = (at: number) => (at - begins) / DAY
  return work
    .flatMap(({ at, until, card, crops, hosts }): Closure[] => [
      ...(until !== null && until > at
        ? [{ kind: 'ground' as const, from: day(at), to: day(until), card, host: null }]
        : []),
      ...hosts.flatMap((host) => {
        const days = harvestDaysOf(crops ?? undefined, host)
        return days > 0 ? [{ kind: 'harvest' as const, from: day(at), to: day(at) + days, card, host }] : []
      }),
    ])
    .filter((c) => c.to > 0)
    .sort((a, b) => a.from - b.from || a.to - b.to)
}
