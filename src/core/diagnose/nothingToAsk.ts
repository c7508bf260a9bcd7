/** How an examination stands that has nothing more to ask. */
export interface NothingToAsk {
  /** False where little was looked at, or the likeliest explanation is no likelier than all others. */
  settled: boolean
  says: string
}

/** Fewer looks than these settle nothing. */
const FEW = 5

/**
 * What is said when no further look could change the work. It is settled only where enough was looked at, what the ring shows is
 * among it, and one explanation stands above all others; else the words say what is missing.
 * `looked` of `asked` looks were made; `ringShows` are findings the ring shows and nobody wrote down; `likeliest` is the chance of
 * the likeliest explanation.
 *
 * @example nothingToAsk({ looked: 2, asked: 84, ringShows: [], likeliest: 0.7 }).settled // false
 */
export function nothingToAsk({
  looked,
  asked,
  ringShows,
  likeliest,
}: {
  looked: number
  asked: number
  ringShows: readonly string[]
  likeliest: number
}): NothingToAsk {
  if (ringShows.length > 0)
    return {
      settled: false,
      says: `The ring shows ${ringShows.map((name) => name.toLowerCase()).join(' and ')}; say in the walk whether it is there.`,
    }
  if (looked < FEW)
    return {
      settled: false,
      says: `Only ${looked} of ${asked} looks were made. By them none would change the work; what nobody looked at is not known to be absent.`,
    }
  if (likeliest < 0.5)
    return {
      settled: false,
      says: 'No further look would change what is to be done, though no explanation stands above the others: they call for the same.',
    }
  return { settled: true, says: 'No further look at the tree would change what is to be done.' }
}
