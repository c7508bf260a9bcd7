import { readQuantity } from '../../quantity/parse'
import { ok, type Result } from '../../problem'
import { fromSI, type Length, type Temperature, type Volume } from '../../quantity/units'
import { NOISE } from '../../quantity/whole'
import type { TermsOf } from '../../card/card'
import type { PortRule } from '../../dose/injection'

/** What a card says of a trunk injection; quantities as the label writes them. */
export type InjectionUse = TermsOf<'trunk-injection'>

/** An injection use with its quantities read to SI. */
export interface InjectionTerms {
  ratePerInch?: { low: Volume; high: Volume }
  capsule?: { volume: Volume; maxPerInch: Volume }
  ports: PortRule
  minSpacing: Length
  maxGap?: Length
  perPortMax?: Volume
  dilution?: number
  minPorts?: number
  temperature: { least: Temperature; most: Temperature }
}

/** Reads the quantities of a card. Problems name the card's own field. */
export function readInjectionUse(use: InjectionUse): Result<InjectionTerms> {
  const problems: Result<never>[] = []
  const read = (typed: string, dimension: 'length' | 'volume' | 'temperature', field: string): number => {
    const r = readQuantity(typed, dimension, `use.${field}`)
    if (r.ok) return r.value.si
    problems.push(r)
    return Number.NaN
  }
  const terms: InjectionTerms = {
    ratePerInch: use.ratePerInch && {
      low: read(use.ratePerInch.low, 'volume', 'ratePerInch.low'),
      high: read(use.ratePerInch.high, 'volume', 'ratePerInch.high'),
    },
    capsule: use.capsule && {
      volume: read(use.capsule.volume, 'volume', 'capsule.volume'),
      maxPerInch: read(use.capsule.maxPerInch, 'volume', 'capsule.maxPerInch'),
    },
    ports:
      use.ports.rule === 'spacing'
        ? { rule: 'spacing', spacing: read(use.ports.spacing, 'length', 'ports.spacing') }
        : use.ports.rule === 'per-diameter'
          ? use.ports
          : {
              rule: 'table',
              rows: use.ports.rows.map((row, i) => ({
                ports: row.ports,
                upTo: row.upTo === undefined ? undefined : read(row.upTo, 'length', `ports.rows[${i}].upTo`),
              })),
            },
    minSpacing: read(use.minSpacing, 'length', 'minSpacing'),
    maxGap: use.maxGap === undefined ? undefined : read(use.maxGap, 'length', 'maxGap'),
    perPortMax: use.perPortMax === undefined ? undefined : read(use.perPortMax, 'volume', 'perPortMax'),
    dilution: use.dilution,
    minPorts: use.minPorts,
    temperature: {
      least: read(use.temperature.least, 'temperature', 'temperature.least'),
      most: read(use.temperature.most, 'temperature', 'temperature.most'),
    },
  }
  return problems[0] ?? ok(terms)
}

/** Girths at the ports this far below or above the breast-height girth are a slip of the tape. */
const PORT_GIRTH_LEAST = 0.8
const PORT_GIRTH_MOST = 2.2

/** Asks whether a girth at the ports can belong to a trunk of this breast-height girth; null when it can. */
export function doubtPortGirth(portGirth: Length, breastGirth: Length): string | null {
  if (portGirth < breastGirth * PORT_GIRTH_LEAST * (1 - NOISE))
    return 'The girth at the ports is well below the girth at breast height; trunks swell toward the ground. Check the tape and the unit.'
  if (portGirth > breastGirth * PORT_GIRTH_MOST * (1 + NOISE))
    return 'The girth at the ports is more than twice the girth at breast height. Check the tape and the unit.'
  return null
}

/**
 * The least a label allows for a trunk: its low rate by diameter. A capsule product has no lower rate; its least is what
 * was prescribed.
 */
export function leastDose(
  terms: Pick<InjectionTerms, 'ratePerInch' | 'capsule'>,
  diameter: Length,
  prescribed: Volume,
): Volume {
  return terms.ratePerInch && !terms.capsule
    ? Math.min(prescribed, terms.ratePerInch.low * fromSI(diameter, 'in'))
    : prescribed
}

/** The most a label allows for a trunk inside one interval; null where it states no rate by diameter. */
export function mostDose(
  terms: Pick<InjectionTerms, 'ratePerInch' | 'capsule'>,
  diameter: Length,
): Volume | null {
  const inches = fromSI(diameter, 'in')
  if (terms.capsule) return terms.capsule.maxPerInch * inches
  return terms.ratePerInch ? terms.ratePerInch.high * inches : null
}
