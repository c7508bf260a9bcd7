/** Of every tree, of every way: what is made least, and the two figures that are held at or below a bound. */
export type Figures = readonly (readonly (readonly [number, number, number])[])[]

/** A price times a bound that may be without end: what is not scarce costs nothing. */
export const times = (price: number, bound: number) => (price === 0 ? 0 : price * bound)

const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * Prices of the two held figures that bound the least total best: the greatest of a concave function of two, looked for by
 * halving one within thirding the other. Any prices bound it; better ones bound it more closely.
 */
export function pricesFor(figures: Figures, bounds: readonly [number, number]): [number, number] {
  const total = (k: number) => figures.reduce((t, o) => t + Math.max(...o.map((f) => Math.abs(f[k]!))), 0)
  const scale = [0, 1, 2].map(total)
  const flat = Float64Array.from(figures.flat(2))
  const bounded = (one: number, two: number): { value: number; used: number } => {
    let value = -times(one, bounds[0]) - times(two, bounds[1])
    let used = 0
    let k = 0
    for (const { length } of figures) {
      const end = k + 3 * length
      let low = Infinity
      let at = 0
      for (; k < end; k += 3) {
        const p = flat[k]! + one * flat[k + 1]! + two * flat[k + 2]!
        if (p < low || (p === low && flat[k + 1]! < at)) {
          low = p
          at = flat[k + 1]!
        }
      }
      value += low
      used += at
    }
    return { value, used }
  }
  const unit = (k: 1 | 2) => (scale[k]! > 0 ? Math.max(scale[0]!, 1) / scale[k]! : 0)
  /** The best price of the first at a price of the second. */
  const first = (two: number): { one: number; value: number } => {
    const free = bounded(0, two)
    if (free.used <= bounds[0] || unit(1) === 0) return { one: 0, value: free.value }
    let low = 0
    let high = unit(1)
    for (let i = 0; i < 60 && bounded(high, two).used > bounds[0]; i++) {
      low = high
      high *= 4
    }
    for (let i = 0; i < 44 && high - low > high * 1e-12; i++) {
      const middle = (low + high) / 2
      const { used } = bounded(middle, two)
      if (used > bounds[0]) low = middle
      else high = middle
      if (used === bounds[0]) break
    }
    return { one: high, value: bounded(high, two).value }
  }
  if (unit(2) === 0 || bounds[1] === Infinity) return [first(0).one, 0]
  let low = 0
  let high = unit(2) / 16
  while (high < unit(2) * 1e12 && first(high).value < first(high * 4).value) high *= 4
  high *= 4
  const at = (part: number) => {
    const two = low + (high - low) * part
    return { two, ...first(two) }
  }
  let best = { two: 0, ...first(0) }
  let a = at(1 - GOLDEN)
  let b = at(GOLDEN)
  for (let i = 0; i < 44 && high - low > high * 1e-12; i++) {
    if (a.value < b.value) {
      low = a.two
      a = b
      b = at(GOLDEN)
    } else {
      high = b.two
      b = a
      a = at(1 - GOLDEN)
    }
    for (const found of [a, b]) if (found.value > best.value) best = found
  }
  return [best.one, best.two]
}
