import type { InjectionUse } from '@/core/methods/trunk-injection/terms'
import { plain } from '@/core/quantity/format'
import { fromSI, type Length } from '@/core/quantity/units'

/**
 * The reckoning page with this tree's figures on it, so that other numbers can be tried and sent back.
 * @example reckonLink({ id, tag: 'Ash 14' }, 0.42, '54 in', card.use, 0) // /reckon?for=injection&diameter=16.535 in…
 */
export function reckonLink(
  tree: { id: string; tag: string },
  diameter: Length,
  portGirth: string,
  use: InjectionUse,
  choice: number,
): string {
  const carried = new URLSearchParams({
    for: 'injection',
    diameter: `${plain(fromSI(diameter, 'in'), 3)} in`,
    portGirth,
    product: use.capsule ? 'capsule' : 'liquid',
    choice: choice >= 0.5 ? 'high' : 'low',
    'ports.rule': use.ports.rule,
  })
  const put = (path: string, text: string | undefined) => {
    if (text !== undefined) carried.set(path, text)
  }
  put('ratePerInch.low', use.ratePerInch?.low)
  put('ratePerInch.high', use.ratePerInch?.high)
  put('capsule.volume', use.capsule?.volume)
  put('capsule.maxPerInch', use.capsule?.maxPerInch)
  carried.set('perPortMax', use.perPortMax ?? '')
  if (use.ports.rule === 'spacing') put('ports.spacing', use.ports.spacing)
  if (use.ports.rule === 'per-diameter') put('ports.inchesPerPort', String(use.ports.inchesPerPort))
  if (use.ports.rule === 'table')
    use.ports.rows.forEach((row, i) => {
      put(`ports.rows[${i}].upTo`, row.upTo)
      put(`ports.rows[${i}].ports`, String(row.ports))
    })
  put('tree', tree.id)
  put('tag', tree.tag)
  return `/reckon?${carried.toString()}`
}
