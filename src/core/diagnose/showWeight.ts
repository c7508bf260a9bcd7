/** A probability in two digits; never a bare 0.00 or 1.00 for what is only very unlikely or very likely. */
export function showWeight(p: number): string {
  return p < 0.005 ? '<0.01' : p > 0.995 ? '>0.99' : p.toFixed(2)
}
