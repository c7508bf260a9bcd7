import { refuse, type Result } from '../problem'

/** A number without rounding: a whole number over a whole number above zero. */
export interface Exact {
  over: bigint
  under: bigint
}

export const whole = (n: number | bigint): Exact => ({ over: BigInt(n), under: 1n })
export const NONE = whole(0)

export const plus = (a: Exact, b: Exact): Exact =>
  a.under === b.under
    ? { over: a.over + b.over, under: a.under }
    : { over: a.over * b.under + b.over * a.under, under: a.under * b.under }
export const minus = (a: Exact, b: Exact): Exact => plus(a, { over: -b.over, under: b.under })
export const times = (a: Exact, b: Exact): Exact => ({ over: a.over * b.over, under: a.under * b.under })
/** Below zero, zero or above, as `a` is less than, the same as or more than `b`. */
export const compare = (a: Exact, b: Exact): number => {
  const d = a.over * b.under - b.over * a.under
  return d < 0n ? -1 : d > 0n ? 1 : 0
}

const DECIMAL = /^(\d{1,12})(?:\.(\d{1,9}))?$/

/**
 * Reads a decimal as it is written: digits, a point, digits; nothing of it is lost. Problems: `missing` for nothing written;
 * `out-of-range` for one below zero or of more than twelve digits; `bad-quantity` for anything else.
 *
 * @example readDecimal('11.25', 'price', 'The price') // 1125 over 100
 */
export function readDecimal(text: string, field: string, name: string): Result<Exact> {
  const typed = text.trim()
  if (typed === '') return refuse('missing', field, `${name} is empty; write it as 11.25.`)
  const found = DECIMAL.exec(typed)
  if (found)
    return {
      ok: true,
      value: {
        over: BigInt(found[1]! + (found[2] ?? '')),
        under: 10n ** BigInt(found[2]?.length ?? 0),
      },
    }
  if (/^-\d+(\.\d+)?$/.test(typed))
    return refuse('out-of-range', field, `${name} is below zero; write what it is above.`)
  if (/^\d+(\.\d+)?$/.test(typed))
    return refuse(
      'out-of-range',
      field,
      `${name} has more digits than any price; at most 12, and 9 after the point.`,
    )
  return refuse('bad-quantity', field, `${name} is no decimal number; write it as 11.25.`)
}

/** To the cent, half up. `toCent({ over: 264375n, under: 1000n })` is 264.38. */
export function toCent(amount: Exact): Exact {
  return { over: (amount.over * 200n + amount.under) / (amount.under * 2n), under: 100n }
}

/** Whole cents that are not above an amount. */
export function centsWithin(amount: Exact): Exact {
  return { over: (amount.over * 100n) / amount.under, under: 100n }
}

/** An amount of whole cents, written out. `sayMoney(whole(12))` is "12.00". */
export function sayMoney(amount: Exact): string {
  const cents = (amount.over * 100n) / amount.under
  return `${cents / 100n}.${String(cents % 100n).padStart(2, '0')}`
}

/** At most so many ends a number that was worked out in floating point away from what it stands for. */
const NEAR = 4 * Number.EPSILON

/**
 * The simplest fraction that a floating number can stand for: what was typed as 16.5 or 14 1/3 before it was turned into another
 * unit and back. Exact wherever the fraction has fewer than some seven digits above and below.
 *
 * @example simplest(14.333333333333334) // 43 over 3
 */
export function simplest(value: number): Exact {
  // Continued fraction: each step is nearer; the first that is as near as floating point can tell is the one.
  let [over, under, overBefore, underBefore] = [BigInt(Math.floor(value)), 1n, 1n, 0n]
  let rest = value - Math.floor(value)
  for (let i = 0; i < 40 && Math.abs(Number(over) / Number(under) - value) > NEAR * value; i++) {
    const next = 1 / rest
    const a = BigInt(Math.floor(next))
    rest = next - Math.floor(next)
    ;[over, overBefore] = [a * over + overBefore, over]
    ;[under, underBefore] = [a * under + underBefore, under]
    if (rest === 0) break
  }
  return { over, under }
}
