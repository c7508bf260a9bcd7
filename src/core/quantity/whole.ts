/** Ratios this close to a whole number are that number: tape arithmetic must not add a port through noise. */
export const NOISE = 1e-9

/** Ceiling guarded against floating noise. `ceilGuarded(9.0000000001) === 9`; `ceilGuarded(9.1) === 10` */
export function ceilGuarded(ratio: number): number {
  const nearest = Math.round(ratio)
  return Math.abs(ratio - nearest) <= NOISE * Math.max(1, Math.abs(ratio)) ? nearest : Math.ceil(ratio)
}

/** Floor guarded against floating noise. `floorGuarded(8.9999999999) === 9` */
export function floorGuarded(ratio: number): number {
  const nearest = Math.round(ratio)
  return Math.abs(ratio - nearest) <= NOISE * Math.max(1, Math.abs(ratio)) ? nearest : Math.floor(ratio)
}

/** Rounds half up, with the half itself guarded against floating noise. `roundHalfUp(6.5) === 7` */
export function roundHalfUp(ratio: number): number {
  return floorGuarded(ratio + 0.5)
}
