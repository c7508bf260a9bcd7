import { refuse } from '../problem'
import { isPortGirth } from '../trunk/trunk'
import type { LayoutInput } from './layout'

/** More than one port a degree cannot be placed. */
const MOST_PORTS = 360

/** Refuses a layout question whose figures cannot be; null when it can be asked. Fields are those of the question. */
export function checkLayout(input: LayoutInput) {
  const bad = (field: string, message: string) => refuse('out-of-range', field, message)
  if (!isPortGirth(input.portGirth))
    return bad('portGirth', 'That is no girth of a trunk; check the tape and the unit.')
  if (!(Number.isInteger(input.count) && input.count >= 1 && input.count <= MOST_PORTS))
    return bad('count', `The number of ports must be a whole number from 1 to ${MOST_PORTS}.`)
  if (!(input.minSpacing > 0)) return bad('minSpacing', 'The smallest spacing must be more than zero.')
  if (input.maxGap !== undefined && !(input.maxGap > 0))
    return bad('maxGap', 'The widest gap must be more than zero.')
  const isBearing = (b: number) => b >= 0 && b <= 360
  const bearingSaid = 'A bearing is 0 to 360 degrees clockwise from north.'
  for (const [i, f] of (input.flares ?? []).entries()) {
    if (!isBearing(f.bearing)) return bad(`flares[${i}].bearing`, bearingSaid)
    if (!(f.halfWidth > 0 && f.halfWidth <= 180))
      return bad(
        `flares[${i}].halfWidth`,
        'Half the width of a flare must be more than zero and at most 180 degrees.',
      )
  }
  for (const name of ['exclusions', 'thinSectors'] as const)
    for (const [i, s] of (input[name] ?? []).entries())
      for (const end of ['from', 'to'] as const)
        if (!isBearing(s[end])) return bad(`${name}[${i}].${end}`, bearingSaid)
  for (const [i, s] of (input.thinSectors ?? []).entries())
    if (!(s.severity >= 0 && s.severity <= 1))
      return bad(`thinSectors[${i}].severity`, 'The severity is a share from 0 to 1.')
  for (const [i, h] of (input.earlierHoles ?? []).entries()) {
    if (!isBearing(h.bearing)) return bad(`earlierHoles[${i}].bearing`, bearingSaid)
    if (!(h.years >= 0))
      return bad(`earlierHoles[${i}].years`, 'The years since a hole was drilled cannot be below zero.')
  }
  if (input.restYears !== undefined && !(input.restYears >= 0))
    return bad('restYears', 'The years of rest cannot be below zero.')
  if (input.restDistance !== undefined && !(input.restDistance >= 0))
    return bad('restDistance', 'The distance from resting holes cannot be below zero.')
  if (input.closureYears !== undefined && !(input.closureYears > 0))
    return bad('closureYears', 'The years to close must be more than zero.')
  if (input.twist !== undefined && !(Math.abs(input.twist) <= 360))
    return bad('twist', 'The twist is at most a full turn, −360 to 360 degrees.')
  return null
}
