import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import type { CrownDensity, CrownShape } from '../spray/crown'
import type { Given } from './plan'

/** What is typed of a tree beside its reading. Empty where a method does not ask for it. */
export interface TypedGiven {
  portGirth?: string
  bearings?: readonly number[]
  crownHeight?: string
  crownWidth?: string
  crownShape?: CrownShape
  crownDensity?: CrownDensity
  /** One crown was measured and is taken for every tree of the block. */
  crownOf?: 'block'
  reach?: string
  hardscape?: string
  /** On the lines of a method without a product, by their names. */
  hand?: Readonly<Record<string, string>>
}

/**
 * Reads what was typed of a tree. Problems are those of `readQuantity` with the field's own name; `out-of-range` (field
 * `hardscape`) for a share outside 0 to below 100 %.
 *
 * @example readGiven({ portGirth: '54' }, 'us') // { portGirth: 1.3716 }
 * @example readGiven({ portGirth: '14; 15 1/2' }, 'us') // { portGirths: [0.3556, 0.3937] }
 */
export function readGiven(typed: TypedGiven, units: UnitSystem): Result<Given> {
  const given: Given = { bearings: typed.bearings, hand: typed.hand }
  const trunk = { bareUnit: units === 'us' ? 'in' : 'cm' }
  const ground = { bareUnit: units === 'us' ? 'ft' : 'm' }
  // Of several stems one girth each, in their order, kept apart by semicolons.
  if (typed.portGirth?.includes(';')) {
    const girths: number[] = []
    for (const [i, one] of typed.portGirth.split(';').entries()) {
      const r = readQuantity(one.trim(), 'length', 'portGirth', {
        ...trunk,
        name: `Girth at the ports of stem ${i + 1}`,
      })
      if (!r.ok) return r
      girths.push(r.value.si)
    }
    given.portGirths = girths
  } else if (typed.portGirth) {
    const r = readQuantity(typed.portGirth, 'length', 'portGirth', { ...trunk, name: 'Girth at the ports' })
    if (!r.ok) return r
    given.portGirth = r.value.si
  }
  if (typed.crownHeight || typed.crownWidth) {
    const height = readQuantity(typed.crownHeight ?? '', 'length', 'crownHeight', {
      ...ground,
      name: 'Crown height',
    })
    if (!height.ok) return height
    const width = readQuantity(typed.crownWidth ?? '', 'length', 'crownWidth', {
      ...ground,
      name: 'Crown width',
    })
    if (!width.ok) return width
    given.crown = {
      shape: typed.crownShape ?? 'ellipsoid',
      density: typed.crownDensity ?? 'medium',
      height: height.value.si,
      width: width.value.si,
    }
    if (typed.crownOf) given.crownOf = typed.crownOf
  }
  if (typed.reach) {
    const r = readQuantity(typed.reach, 'length', 'reach', { ...ground, name: 'How far out' })
    if (!r.ok) return r
    given.reach = r.value.si
  }
  if (typed.hardscape) {
    const share = Number(typed.hardscape.replace('%', '').trim())
    if (!(share >= 0 && share < 100))
      return refuse('out-of-range', 'hardscape', 'The paved share must be from 0 to below 100 %.')
    given.hardscapePercent = share
  }
  return ok(given)
}

/**
 * What holds for one tree of a group: its own where something was typed of it, else what was typed for all. A crown that is not
 * wholly its own is marked as that of the block.
 *
 * @example givenFor({ crownHeight: '11', crownWidth: '10' }, { crownWidth: '12' }) // 11 by 12, of the block
 */
export function givenFor(forAll: TypedGiven, own: TypedGiven = {}): TypedGiven {
  const filled = <T extends object>(of: T) =>
    Object.fromEntries(Object.entries(of).filter(([, value]) => value !== ''))
  const ownCrown = Boolean(own.crownHeight && own.crownWidth)
  return {
    ...forAll,
    ...filled(own),
    ...((forAll.hand || own.hand) && { hand: { ...forAll.hand, ...filled(own.hand ?? {}) } }),
    ...(!ownCrown && forAll.crownHeight && { crownOf: 'block' as const }),
  }
}
