import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { bark, type BarkInput } from './bark'
import { drench } from './drench'
import { holesOf, soilInjection, type HolePattern, type SoilInjectionInput } from './soilInjection'

const inch = (n: number) => toSI(n, 'in')
const ft = (n: number) => toSI(n, 'ft')
const oz = (n: number) => toSI(n, 'fl oz')
const STRENGTH = toSI(2, 'lb') / toSI(1, 'gal')

const band: BarkInput = {
  stems: [{ diameter: inch(9) }],
  rate: { low: oz(1), high: oz(2) },
  bandHeight: ft(5),
  strength: STRENGTH,
}
const rings: HolePattern = { kind: 'rings', first: ft(1), spacing: ft(2.5), rings: 3, holeSpacing: ft(2.5) }
const grid: HolePattern = {
  kind: 'grid',
  radius: ft(12),
  trunkClear: ft(1),
  spacing: ft(2.5),
  hardscapePercent: 20,
}
const holes: SoilInjectionInput = {
  stems: [{ diameter: inch(14) }],
  basis: 'diameter',
  multiStem: 'equivalent',
  rate: { low: oz(0.1), high: oz(0.2) },
  choice: 'high',
  strength: STRENGTH,
  pattern: rings,
  mixPerHole: oz(8),
}
const value = <T>(r: { ok: true; value: T } | { ok: false; problem: { message: string } }): T => {
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

describe('bark spray', () => {
  test('each stem on its own, so a clump takes the sum of its stems', () => {
    const one = value(bark({ ...band, stems: [{ diameter: inch(4) }] }))
    const clump = value(bark({ ...band, stems: Array.from({ length: 5 }, () => ({ diameter: inch(4) })) }))
    expect(fromSI(clump.product, 'fl oz')).toBeCloseTo(20, 9)
    expect(clump.product).toBeCloseTo(5 * one.product, 15)
    expect(clump.bandArea).toBeCloseTo(5 * one.bandArea, 12)
  })
  test('the band is as wide as the bark is round', () => {
    expect(fromSI(value(bark(band)).bandArea, 'ft2')).toBeCloseTo((Math.PI * 9 * 5) / 12, 9)
  })
  test.each([
    [{ bandHeight: 0 }, 'bandHeight'],
    [{ bandHeight: ft(20.1) }, 'bandHeight'],
    [{ strength: 0 }, 'strength'],
    [{ rate: { low: oz(2), high: oz(1) } }, 'rate.high'],
    [{ choice: 1.1 }, 'choice'],
    [{ stems: [] }, 'stems'],
  ] as [Partial<BarkInput>, string][])('%#: what cannot be is refused by its field', (input, field) => {
    expect(bark({ ...band, ...input })).toMatchObject({ ok: false, problem: { field } })
  })
})

describe('soil injection', () => {
  test('product is that of the drench, and with the water it fills every hole alike', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 60, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        (diameter, many, spacing) => {
          const stems = [{ diameter: inch(diameter) }]
          const r = soilInjection({
            ...holes,
            stems,
            pattern: { ...rings, rings: many, holeSpacing: ft(spacing) },
            mixPerHole: oz(20),
          })
          if (!r.ok) return expect(r.problem.field).toBe('mixPerHole')
          const { product, water, perHole, rings: round } = r.value
          expect(product).toBeCloseTo(value(drench({ ...holes, stems })).product, 15)
          expect(product + water).toBeCloseTo(r.value.holes * oz(20), 12)
          expect(perHole * r.value.holes).toBeCloseTo(product, 15)
          // No two holes of a ring farther apart than asked.
          for (const ring of round!)
            expect((2 * Math.PI * ring.radius) / ring.holes).toBeLessThanOrEqual(ft(spacing) * (1 + 1e-9))
        },
      ),
    )
  })
  test('a ring whose length is just a whole number of spacings gets no hole for the noise', () => {
    const radius = ft(10)
    const r = value(
      holesOf(
        { kind: 'rings', first: radius, spacing: 1, rings: 1, holeSpacing: (2 * Math.PI * radius) / 12 },
        0,
        'us',
      ),
    )
    expect(r.holes).toBe(12)
  })
  test('a grid leaves out trunk, what is kept clear, and hardscape', () => {
    const area = Math.PI * (12 ** 2 - (7 / 12 + 1) ** 2) * 0.8
    expect(value(holesOf(grid, inch(14), 'us')).holes).toBe(Math.floor(area / 2.5 ** 2))
    expect(value(holesOf({ ...grid, spacing: ft(40) }, inch(14), 'us')).holes).toBe(1)
    // What is not said is neither paved nor kept clear, to the last hole.
    const open = value(holesOf({ kind: 'grid', radius: ft(12), spacing: ft(1) }, inch(14), 'us')).holes
    expect(open).toBe(Math.floor(Math.PI * (12 ** 2 - (7 / 12) ** 2)))
  })
  test('multi-stem counts by what was chosen, in the dose and in the ring', () => {
    const stems = [{ diameter: inch(6) }, { diameter: inch(8) }]
    expect(value(soilInjection({ ...holes, stems })).inches).toBeCloseTo(10, 9)
    const summed = value(soilInjection({ ...holes, stems, multiStem: 'sum' }))
    expect(summed.inches).toBeCloseTo(14, 9)
    expect(summed.rings![0]!.radius).toBeCloseTo(inch(7) + ft(1), 12)
  })
  test.each([
    [{ mixPerHole: oz(0.05) }, 'mixPerHole'],
    [{ mixPerHole: 0 }, 'mixPerHole'],
    [{ pattern: { ...rings, rings: 0 } }, 'pattern.rings'],
    [{ pattern: { ...rings, rings: 2.5 } }, 'pattern.rings'],
    [{ pattern: { ...rings, first: -1 } }, 'pattern.first'],
    [{ pattern: { ...rings, holeSpacing: 0 } }, 'pattern.holeSpacing'],
    [{ pattern: { ...rings, holeSpacing: 1e-5 } }, 'pattern'],
    [{ pattern: { ...grid, radius: ft(1) } }, 'pattern.radius'],
    [{ pattern: { ...grid, radius: ft(301) } }, 'pattern.radius'],
    [{ pattern: { ...grid, hardscapePercent: 100 } }, 'pattern.hardscapePercent'],
    [{ pattern: { ...grid, spacing: 0 } }, 'pattern.spacing'],
    [{ strength: -1 }, 'strength'],
  ] as [Partial<SoilInjectionInput>, string][])(
    '%#: what cannot be is refused by its field',
    (input, field) => {
      expect(soilInjection({ ...holes, ...input })).toMatchObject({ ok: false, problem: { field } })
    },
  )
})
