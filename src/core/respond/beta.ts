/** Coefficients of Lanczos' series for the gamma function (g = 607/128). Source: Numerical recipes, third edition, 6.1. */
const LANCZOS = [
  57.1562356658629235, -59.5979603554754912, 14.1360979747417471, -0.491913816097620199,
  0.339946499848118887e-4, 0.465236289270485756e-4, -0.983744753048795646e-4, 0.158088703224912494e-3,
  -0.210264441724104883e-3, 0.217439618115212643e-3, -0.16431810653676389e-3, 0.844182239838527433e-4,
  -0.261908384015814087e-4, 0.368991826595316234e-5,
]

/** The logarithm of the gamma function above zero. `logGamma(5)` is ln 24. */
export function logGamma(x: number): number {
  const t = x + 5.2421875
  const series = LANCZOS.reduce((sum, c, i) => sum + c / (x + 1 + i), 0.999999999999997092)
  return (x + 0.5) * Math.log(t) - t + Math.log((2.5066282746310005 * series) / x)
}

/** Less than this at the end of a continued fraction is nothing. */
const TINY = 1e-300

/** The continued fraction of the incomplete beta function, by Lentz. Source: Numerical recipes, third edition, 6.4. */
function fraction(a: number, b: number, x: number): number {
  let c = 1
  let d = 1 / tiny(1 - ((a + b) * x) / (a + 1))
  let h = d
  for (let m = 1; m <= 20_000; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / tiny(1 + even * d)
    c = tiny(1 + even / c)
    h *= d * c
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / tiny(1 + odd * d)
    c = tiny(1 + odd / c)
    const step = d * c
    h *= step
    if (Math.abs(step - 1) < 1e-16) break
  }
  return h
}
const tiny = (x: number) => (Math.abs(x) < TINY ? TINY : x)

/** A share that is uncertain: Beta with `a` for and `b` against. */
export interface Beta {
  a: number
  b: number
}

/** A share by its log odds `t`: x and 1 − x, and their logarithms, each to full precision at either end. */
function oddsOf(t: number) {
  const small = Math.exp(-Math.abs(t))
  const [near, far] = [1 / (1 + small), small / (1 + small)]
  const [logNear, logFar] = [-Math.log1p(small), -Math.abs(t) - Math.log1p(small)]
  return t < 0
    ? { x: far, y: near, logX: logFar, logY: logNear }
    : { x: near, y: far, logX: logNear, logY: logFar }
}

const logWhole = ({ a, b }: Beta) => logGamma(a) + logGamma(b) - logGamma(a + b)

/** The chance that the share is below that of log odds `t`, and that it is above: each to full precision where it is small. */
export function splitAt(beta: Beta, t: number): { below: number; above: number } {
  const { a, b } = beta
  const { x, y, logX, logY } = oddsOf(t)
  const front = Math.exp(a * logX + b * logY - logWhole(beta))
  if (x < (a + 1) / (a + b + 2)) {
    const below = Math.min(1, (front * fraction(a, b, x)) / a)
    return { below, above: 1 - below }
  }
  const above = Math.min(1, (front * fraction(b, a, y)) / b)
  return { below: 1 - above, above }
}

/** How dense the log odds of the share are at `t`. */
function densityAt(beta: Beta, t: number): number {
  const { logX, logY } = oddsOf(t)
  return Math.exp(beta.a * logX + beta.b * logY - logWhole(beta))
}

/** The log odds below which the share lies with chance `p`, and above with chance `q` = 1 − p. */
function oddsBelow(beta: Beta, p: number, q: number): number {
  // Compared on the side that is small, where floating point still tells numbers apart.
  const isBelow = (t: number) => {
    const { below, above } = splitAt(beta, t)
    return p <= q ? below < p : above > q
  }
  let [low, high] = [-1, 1]
  while (!isBelow(low) && low > -1e15) low *= 2
  while (isBelow(high) && high < 1e15) high *= 2
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (middle <= low || middle >= high) break
    if (isBelow(middle)) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** The share below which the true one lies with chance `p`, above 0 and below 1. `quantile({ a: 1, b: 1 }, 0.3)` is 0.3 */
export function quantile(beta: Beta, p: number): number {
  return oddsOf(oddsBelow(beta, p, 1 - p)).x
}

/** Points and weights of Gauss and Kronrod on half of −1 to 1; every second point is one of Gauss’ as well. */
const KRONROD: readonly (readonly [at: number, weight: number, gauss: number])[] = [
  [0.991455371120812639206854697526329, 0.02293532201052922496373200805897, 0],
  [
    0.949107912342758524526189684047851, 0.063092092629978553290700663189204,
    0.129484966168869693270611432679082,
  ],
  [0.864864423359769072789712788640926, 0.104790010322250183839876322541518, 0],
  [
    0.741531185599394439863864773280788, 0.140653259715525918745189590510238,
    0.27970539148927666790146777142378,
  ],
  [0.586087235467691130294144691693013, 0.16900472663926790282658342659855, 0],
  [
    0.405845151377397166906606412076961, 0.190350578064785409913256402421014,
    0.381830050505118944950369775488975,
  ],
  [0.207784955007898467600689403773245, 0.204432940075298892414161999234649, 0],
  [0, 0.209482141084727828012999174891714, 0.417959183673469387755102040816327],
]

/** The area under `f` from `low` to `high`, halved until two rules agree within `within`. */
function areaUnder(
  f: (t: number) => number,
  low: number,
  high: number,
  within: number,
  halvings = 40,
): number {
  const middle = (low + high) / 2
  const half = (high - low) / 2
  let [whole, rough] = [0, 0]
  for (const [at, weight, gauss] of KRONROD) {
    const value = at === 0 ? f(middle) : f(middle - half * at) + f(middle + half * at)
    whole += weight * value
    rough += gauss * value
  }
  if (halvings === 0 || Math.abs(whole - rough) * half <= within) return whole * half
  return (
    areaUnder(f, low, middle, within / 2, halvings - 1) + areaUnder(f, middle, high, within / 2, halvings - 1)
  )
}

/** What is left out at each end of an uncertain share. */
const LEFT_OUT = 1e-12

/**
 * The chance that one uncertain share is truly above another, within 1e-9.
 * @example chanceAbove({ a: 2, b: 1 }, { a: 1, b: 1 }) // 2/3
 */
export function chanceAbove(one: Beta, other: Beta): number {
  // Over the log odds of the one that is known better: the other's part changes slowly there.
  if (other.a + other.b > one.a + one.b) return 1 - chanceAbove(other, one)
  const cuts = [LEFT_OUT, 0.02, 0.5, 0.98].map((p) => oddsBelow(one, p, 1 - p))
  cuts.push(oddsBelow(one, 1 - LEFT_OUT, LEFT_OUT))
  let chance = 0
  for (let i = 1; i < cuts.length; i++)
    chance += areaUnder((t) => densityAt(one, t) * splitAt(other, t).below, cuts[i - 1]!, cuts[i]!, 1e-11)
  return Math.min(1, Math.max(0, chance))
}

/** How many standard deviations hold the middle `level` of a normal spread. `deviationsFor(0.95)` is 1.96 */
export function deviationsFor(level: number): number {
  const tail = (1 - level) / 2
  let [low, high] = [0, 10]
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2
    if (upperTail(middle) > tail) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** The chance that a normal spread is above `z` deviations, z from 0 on: a series near the middle, a continued fraction far out. */
function upperTail(z: number): number {
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)
  if (z < 3) {
    let term = z
    let sum = z
    for (let n = 1; n < 200 && term > sum * 1e-17; n++) {
      term *= (z * z) / (2 * n + 1)
      sum += term
    }
    return 0.5 - density * sum
  }
  let below = z
  for (let n = 300; n >= 1; n--) below = z + n / below
  return density / below
}
