/** A probability in two digits; never a bare 0.00 or 1.00 for what is only very unlikely or very likely. */
export function showWeight(p: number): string {
  return p < 0.005 ? '<0.01' : p > 0.995 ? '>0.99' : p.toFixed(2)
}

/**
 * How much a finding speaks against a cause, in words instead of bits: each bit halves what was thought of it.
 * `timesLess(2)` is "4 times less likely by it"; `timesLess(0.1)` is "hardly less likely by it".
 */
export function timesLess(bits: number): string {
  const times = 2 ** Math.abs(bits)
  if (times < 1.15) return 'hardly less likely by it'
  return `${times < 10 ? Math.round(times * 10) / 10 : Math.round(times)} times less likely by it`
}
