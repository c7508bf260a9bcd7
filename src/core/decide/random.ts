/**
 * A stream of numbers from 0 to below 1 that is the same for the same seed (xorshift with 32 bits of state).
 * @example const random = seeded(7); random() // always the same first number
 */
export function seeded(seed: number): () => number {
  let state = (seed ^ 0x9e3779b9) >>> 0 || 1
  return () => {
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) / 4294967296
  }
}
