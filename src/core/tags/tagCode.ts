/** Digits and letters that nobody takes for one another. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const [BITS, LENGTH] = [48n, 10]

/**
 * The short code on a tree's tag: the last 48 bits of its id in ten signs, without I, L, O and U. It names the tree within its firm and
 * opens nothing.
 * @example tagCode('01900000-0000-7000-8000-0000000000ff') // '000000007Z'
 */
export function tagCode(treeId: string): string {
  let rest = BigInt(`0x${treeId.replace(/-/g, '').slice(-Number(BITS) / 4)}`)
  let code = ''
  for (let i = 0; i < LENGTH; i++) {
    code = SIGNS[Number(rest & 31n)] + code
    rest >>= 5n
  }
  return code
}

/**
 * The end of a tree's id, twelve hexadecimal digits, from what was read or typed; null for what is no code. Small letters are taken for
 * large ones, O for 0, I and L for 1.
 * @example idEndOf('000000007z') // '0000000000ff'
 */
export function idEndOf(code: string): string | null {
  const read = code.trim().toUpperCase().replace(/O/g, '0').replace(/[IL]/g, '1')
  if (read.length !== LENGTH) return null
  let value = 0n
  for (const sign of read) {
    const at = SIGNS.indexOf(sign)
    if (at < 0) return null
    value = value * 32n + BigInt(at)
  }
  return value >> BITS === 0n ? value.toString(16).padStart(Number(BITS) / 4, '0') : null
}
