import type { Expectation } from './compare'

/** An answer as it is told: `80 %`, `2 left`, `it may stay as it is`. */
export function sayAnswer(check: {
  expectation: Expectation
  value: number | null
  said: string | null
}): string {
  const { expectation, value, said } = check
  return said ?? `${value} ${'unit' in expectation ? expectation.unit : ''}`.trim()
}
