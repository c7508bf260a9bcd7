import type { Length, Volume } from '../quantity/units'

export type CrownShape = 'ellipsoid' | 'cone' | 'cylinder'
export type CrownDensity = 'sparse' | 'medium' | 'dense'

/** What height × width² is multiplied by. */
const SHAPE: Record<CrownShape, number> = {
  ellipsoid: Math.PI / 6,
  cone: Math.PI / 12,
  cylinder: Math.PI / 4,
}

/** How much more or less spray a crown of the same volume takes. Source: handbook, crown spray. */
export const DENSITY: Record<CrownDensity, number> = { sparse: 0.7, medium: 1, dense: 1.3 }

/**
 * The volume of a crown: ellipsoid π/6·h·w², cone π/12·h·w², cylinder π/4·h·w².
 * @example crownVolume('ellipsoid', toSI(16, 'ft'), toSI(12, 'ft')) // 34.16 m³ = 1,206 ft³
 */
export function crownVolume(shape: CrownShape, height: Length, width: Length): Volume {
  return SHAPE[shape] * height * width * width
}
