import { plain, showLength, showMl, type UnitSystem } from '../quantity/format'
import { fromSI, toSI, type Length, type Volume } from '../quantity/units'
import { ceilGuarded, NOISE, roundHalfUp } from '../quantity/whole'
import { showBottle } from '../quantity/pair'
import { ok, refuse, type Result } from '../problem'
import type { Working } from '../working/working'

/** How a label counts ports. Lengths in metres. */
export type PortRule =
  | { rule: 'spacing'; spacing: Length }
  | { rule: 'per-diameter'; inchesPerPort: number }
  | { rule: 'table'; rows: { upTo?: Length; ports: number }[] }

export interface InjectionInput {
  diameter: Length
  /** Girth where the ports go; π × diameter when not given. */
  portGirth?: Length
  /** Label rate, m³ per inch of diameter. Not given for capsule products. */
  ratePerInch?: { low: Volume; high: Volume }
  /** `low`, `high`, or a share 0–1 between them. */
  choice?: 'low' | 'high' | number
  ports: PortRule
  /** Of product and water together where it is diluted. */
  perPortMax?: Volume
  /** Parts of water to one of product. */
  dilution?: number
  minPorts?: number
  capsule?: { volume: Volume; maxPerInch: Volume }
  units?: UnitSystem
  /** How the slip names the reading and the label. */
  sources?: { reading?: string; label?: string }
}

export interface Injection {
  ports: number
  volume: Volume
  /** Product a port. */
  perPort: Volume
  /** What a port is charged with: product, and the water it is made up with. */
  mixPerPort: Volume
  /** Water in all, of an infusion that is made up with it; null where none is. */
  water: Volume | null
  /** Only for capsule products; one a port. */
  capsules?: number
  working: Working
}

/** More ports than this in one trunk is a slip of the pen, not a prescription. */
const MOST_PORTS = 500

/**
 * Volume and port count of a trunk injection, as the label states them.
 *
 * Ports: by spacing ⌈girth ÷ spacing⌉; by diameter, diameter ÷ inches-per-port rounded half up; or a table read by
 * diameter. Never below `minPorts`, raised until no port takes more than `perPortMax`, water included. Capsule products take one
 * capsule a port and are refused with `over-label` above the label's maximum per inch.
 * Problems: `missing`, `out-of-range`, `over-label`.
 *
 * @example doseInjection({ diameter: toSI(18, 'in'), portGirth: toSI(66, 'in'),
 *   ratePerInch: { low: toSI(4, 'mL'), high: toSI(8, 'mL') }, ports: { rule: 'spacing', spacing: toSI(6, 'in') } })
 * // 11 ports, 72 mL, 6.545 mL a port
 */
export function doseInjection(input: InjectionInput): Result<Injection> {
  const units = input.units ?? 'us'
  const fromReading = input.sources?.reading ?? 'reading'
  const fromLabel = input.sources?.label ?? 'label'
  const working: Working = []
  const inches = fromSI(input.diameter, 'in')
  if (!(inches > 0)) return refuse('out-of-range', 'diameter', 'The diameter must be more than zero.')
  const girth = input.portGirth ?? input.diameter * Math.PI
  if (!(girth > 0))
    return refuse('out-of-range', 'portGirth', 'The girth at the ports must be more than zero.')
  if (input.perPortMax !== undefined && !(input.perPortMax > 0))
    return refuse('out-of-range', 'perPortMax', 'The most a port may take must be more than zero.')

  const counted = countPorts(input.ports, input.diameter, girth, units)
  if (!counted.ok) return counted
  let ports = counted.value.ports
  working.push({ ...counted.value.step, source: 'label', from: fromLabel })
  if (ports < (input.minPorts ?? 1)) {
    ports = input.minPorts ?? 1
    working.push({
      label: 'Fewest ports the label allows',
      expression: `at least ${ports}`,
      result: `${ports} ports`,
      source: 'label',
      from: fromLabel,
    })
  }

  if (input.capsule) return doseCapsules(input.capsule, ports, inches, working, fromLabel)

  const rate = input.ratePerInch
  if (!rate)
    return refuse('missing', 'ratePerInch', 'There is no rate; give the label’s rate per inch or a capsule.')
  if (!(rate.low > 0))
    return refuse('out-of-range', 'ratePerInch.low', 'The low rate must be more than zero.')
  if (rate.high < rate.low)
    return refuse('out-of-range', 'ratePerInch.high', 'The high rate is below the low rate.')
  const share = input.choice === 'high' ? 1 : typeof input.choice === 'number' ? input.choice : 0
  if (!(share >= 0 && share <= 1))
    return refuse('out-of-range', 'choice', 'The choice between the rates must lie from 0 (low) to 1 (high).')
  const perInch = share === 1 ? rate.high : rate.low + (rate.high - rate.low) * share
  const volume = perInch * inches
  const rateName =
    share === 0 ? 'low rate' : share === 1 ? 'high rate' : `${plain(share * 100, 0)} % from low to high`
  working.unshift({
    label: 'Volume for the tree',
    expression: `${showLength(input.diameter, units)} × ${showMl(perInch)} per in${units === 'us' ? '' : ' of 2.54 cm'}`,
    result: showMl(volume),
    source: 'label',
    from: `${fromLabel}, ${rateName}; ${fromReading}`,
  })
  if (input.dilution !== undefined && !(input.dilution > 0))
    return refuse('out-of-range', 'dilution', 'The parts of water must be more than none.')
  const water = input.dilution === undefined ? null : volume * input.dilution
  const mix = volume + (water ?? 0)
  if (water !== null)
    working.push({
      label: 'Made up with water',
      expression: `${showMl(volume)} × ${plain(input.dilution!)} parts = ${showBottle(water, units)} of water`,
      result: `${showBottle(mix, units)} in all`,
      source: 'label',
      from: fromLabel,
    })
  if (input.perPortMax !== undefined) {
    const needed = ceilGuarded(mix / input.perPortMax)
    if (needed > ports) {
      working.push({
        label: 'Ports added so that none is over its most',
        expression: `${showBottle(mix, units)} ÷ ${showBottle(input.perPortMax, units)}, rounded up`,
        result: `${needed} ports`,
        source: 'label',
        from: fromLabel,
      })
      ports = needed
    }
  }
  if (ports > MOST_PORTS)
    return refuse(
      'out-of-range',
      'ports',
      `That makes ${ports} ports, more than any trunk can carry; check the rate and the port rule.`,
    )
  const perPort = volume / ports
  const mixPerPort = mix / ports
  working.push({
    label: 'Each port',
    expression: `${showBottle(mix, units)} ÷ ${ports}`,
    result: showMl(mixPerPort, 2),
  })
  return ok({ ports, volume, perPort, mixPerPort, water, working })
}

function doseCapsules(
  capsule: { volume: Volume; maxPerInch: Volume },
  ports: number,
  inches: number,
  working: Working,
  from: string,
): Result<Injection> {
  if (!(capsule.volume > 0))
    return refuse('out-of-range', 'capsule.volume', 'A capsule must hold more than zero.')
  if (!(capsule.maxPerInch > 0))
    return refuse('out-of-range', 'capsule.maxPerInch', 'The label’s most per inch must be more than zero.')
  if (ports > MOST_PORTS)
    return refuse(
      'out-of-range',
      'ports',
      `That makes ${ports} ports, more than any trunk can carry; check the port rule.`,
    )
  const volume = ports * capsule.volume
  const most = capsule.maxPerInch * inches
  working.push({
    label: 'Volume, one capsule a port',
    expression: `${ports} × ${showMl(capsule.volume)}`,
    result: showMl(volume),
    source: 'label',
    from,
  })
  working.push({
    label: 'Most the label allows',
    expression: `${plain(inches)} in × ${showMl(capsule.maxPerInch)} per in`,
    result: showMl(most),
    source: 'label',
    from,
  })
  if (volume > most * (1 + NOISE))
    return refuse(
      'over-label',
      'capsule',
      `${ports} capsules make ${showMl(volume)}, above the label’s most of ${showMl(most)} for this trunk; use a smaller capsule or another method.`,
    )
  return ok({
    ports,
    volume,
    perPort: capsule.volume,
    mixPerPort: capsule.volume,
    water: null,
    capsules: ports,
    working,
  })
}

function countPorts(
  rule: PortRule,
  diameter: Length,
  girth: Length,
  units: UnitSystem,
): Result<{ ports: number; step: { label: string; expression: string; result: string } }> {
  const label = 'Ports'
  if (rule.rule === 'spacing') {
    if (!(rule.spacing > 0))
      return refuse('out-of-range', 'ports.spacing', 'The port spacing must be more than zero.')
    const ports = ceilGuarded(girth / rule.spacing)
    return ok({
      ports,
      step: {
        label,
        expression: `girth at ports ${showLength(girth, units)} ÷ ${showLength(rule.spacing, units)}, rounded up`,
        result: `${ports} ports`,
      },
    })
  }
  if (rule.rule === 'per-diameter') {
    if (!(rule.inchesPerPort > 0))
      return refuse('out-of-range', 'ports.inchesPerPort', 'The inches per port must be more than zero.')
    const ports = roundHalfUp(fromSI(diameter, 'in') / rule.inchesPerPort)
    return ok({
      ports,
      step: {
        label,
        expression: `${showLength(diameter, units)} ÷ ${showLength(toSI(rule.inchesPerPort, 'in'), units)} a port, rounded half up`,
        result: `${ports} ports`,
      },
    })
  }
  if (rule.rows.length === 0) return refuse('missing', 'ports.rows', 'The port table has no rows.')
  let before = 0
  for (const [i, row] of rule.rows.entries()) {
    if (!Number.isInteger(row.ports) || row.ports < 1)
      return refuse(
        'out-of-range',
        `ports.rows[${i}].ports`,
        'A row of the port table needs a whole number of ports, at least 1.',
      )
    if (row.upTo === undefined && i < rule.rows.length - 1)
      return refuse(
        'out-of-range',
        `ports.rows[${i}].upTo`,
        'Only the last row of the port table may be open.',
      )
    if (row.upTo !== undefined && !(row.upTo > before))
      return refuse(
        'out-of-range',
        `ports.rows[${i}].upTo`,
        'The rows of the port table must go up in diameter.',
      )
    before = row.upTo ?? before
  }
  const row = rule.rows.find((r) => r.upTo === undefined || diameter <= r.upTo * (1 + NOISE))
  if (!row)
    return refuse(
      'out-of-range',
      'diameter',
      `The port table ends at ${showLength(before, units)}; this trunk is ${showLength(diameter, units)}.`,
    )
  return ok({
    ports: row.ports,
    step: { label, expression: `table row for ${showLength(diameter, units)}`, result: `${row.ports} ports` },
  })
}
