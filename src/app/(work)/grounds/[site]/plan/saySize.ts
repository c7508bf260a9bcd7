import type { sizeOf } from '@/core/place/measured'
import { showArea, showGround, type UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'

/** From here on an area is said in acres or hectares too, m². */
const LARGE_M2 = 400

/** How large an outline is, in words: `saySize({ length: 12 }, 'metric')` is "12 m long". */
export function saySize(size: NonNullable<ReturnType<typeof sizeOf>>, units: UnitSystem): string {
  if ('length' in size) return `${showGround(size.length, units, 0)} long`
  const area = showArea(size.area, units)
  return size.area >= LARGE_M2 ? `${area} (${shown(size.area, 'acre', units)})` : area
}
