import { toSI } from '../quantity/units'
import type { SubjectPlan, UseOf } from '../methods/plan'
import type { Method } from '../card/card'
import { loadTruck, type LotToLoad, type WorkToLoad } from './truck'

const DAY = '2026-06-12'
const mL = (n: number) => toSI(n, 'mL')
const gal = (n: number) => toSI(n, 'gal')

const use = (method: Method, terms: object, more: object = {}) =>
  ({ method, terms, protectiveGear: ['Gloves'], reentryHours: 0, ...more }) as unknown as UseOf<Method>
const plan = (method: Method, of: object) =>
  ({ method, kind: 'liquid', water: null, steps: [], shape: {}, product: 0, ...of }) as unknown as SubjectPlan

const lot = (number: string, more: Partial<LotToLoad> = {}): LotToLoad => ({
  number,
  expiresOn: '2027-01-31',
  opened: false,
  left: null,
  ...more,
})
const work = (of: Partial<WorkToLoad> & Pick<WorkToLoad, 'use' | 'plans'>): WorkToLoad => ({
  site: 'Ropewalk School',
  tank: null,
  product: { code: 'EB4', name: 'Emamectin example', actives: [{ name: 'emamectin benzoate' }] },
  lots: [lot('A7'), lot('B2')],
  notices: [],
  ...of,
})

const bottles = use('trunk-injection', {
  hardware: 'bottles of 20 mL',
  bit: '1/4 in',
  depth: '1 in',
  hole: 'left open',
})
const injected = (tag: number, ports: number, product: number) =>
  plan('trunk-injection', {
    product: mL(product),
    shape: {
      ports: Array.from({ length: ports }, (_, i) => ({ bearing: i * 10 + tag })),
      perPort: mL(product / ports),
    },
  })
const line = (works: WorkToLoad[], key: string) =>
  loadTruck(works, DAY, 'us').lines.find((l) => l.key === key)

test('an injection: product by lot with a tenth to spare, hardware for the most ports of one tree, bits, and what shows the dose', () => {
  const works = [work({ use: bottles, plans: [injected(1, 6, 60), injected(2, 10, 105)] })]
  expect(line(works, 'product EB4')).toMatchObject({ amount: '181.5 mL', short: null })
  expect(line(works, 'product EB4')!.detail).toBe(
    '165 mL for 2 trees, and a tenth to spare · lots A7, then B2 · Ropewalk School',
  )
  expect(line(works, 'hardware bottles of 20 mL again')).toMatchObject({ amount: '10' })
  expect(line(works, 'bit 1/4 in')).toMatchObject({
    amount: '2',
    detail: 'one and a spare, sharp; holes 1 in deep, left open',
  })
  expect(line(works, 'measure EB4')!.detail).toBe('that shows 10 mL to 10.5 mL')
})

test('a capsule is used once: one a port and a tenth, and nothing is measured', () => {
  const capsules = use('trunk-injection', {
    hardware: 'capsules of 3 mL',
    capsule: { volume: '3 mL', maxPerInch: '1 mL' },
    bit: '11/64 in',
    depth: '3/4 in',
    hole: 'left open',
  })
  const works = [work({ use: capsules, plans: [injected(1, 13, 39), injected(2, 14, 42)] })]
  expect(line(works, 'hardware capsules of 3 mL once')).toMatchObject({ amount: '27 + 3' })
  expect(line(works, 'measure EB4')).toBeUndefined()
})

test('the same card at two sites is one line; a card without a lot that may be used is short', () => {
  const works = [
    work({ use: bottles, plans: [injected(1, 6, 60)], lots: [] }),
    work({ use: bottles, plans: [injected(2, 6, 40)], lots: [], site: 'Hospital court' }),
  ]
  expect(line(works, 'product EB4')).toMatchObject({
    amount: '110 mL',
    short: 'No lot of Emamectin example on the shelf may be put on from on this day.',
  })
  expect(line(works, 'product EB4')!.detail).toContain('Ropewalk School, Hospital court')
})

describe('out of a tank', () => {
  const spray = (name: string, code: string, terms: object, more: object = {}) => ({
    product: { code, name, actives: [{ name }] },
    use: use(
      'crown-spray',
      { kind: 'protective', ...terms },
      { reentryHours: 24, protectiveGear: ['gloves', 'Goggles'], ...more },
    ),
  })
  const crown = (of: object) => plan('crown-spray', { water: gal(90), shape: { spray: gal(92) }, ...of })
  const captan = work({
    ...spray('captan', 'CA8', { tank: { with: ['spreader'] } }, { apart: [{ active: 'oil', days: 14 }] }),
    tank: 't1',
    site: 'Quarrel Bank orchard',
    plans: [
      crown({ kind: 'weight', product: toSI(6, 'lb') }),
      crown({ kind: 'weight', product: toSI(6, 'lb') }),
    ],
  })
  const spreader = work({
    ...spray('spreader', 'SP1', { tank: { with: 'any' } }),
    tank: 't1',
    site: 'Quarrel Bank orchard',
    plans: [crown({ product: mL(300), water: null }), crown({ product: mL(300), water: null })],
  })
  const oil = work({
    ...spray('oil', 'OI2', {}),
    site: 'Hospital court',
    plans: [crown({ product: gal(1) })],
  })

  test('what is weighed goes in before what is poured, and what the day has besides never comes in', () => {
    const { tanks } = loadTruck([spreader, captan, oil], DAY, 'us')
    expect(tanks.map((t) => [t.site, t.products.map((p) => p.name)])).toEqual([
      ['Quarrel Bank orchard', ['captan', 'spreader']],
      ['Hospital court', ['oil']],
    ])
    expect(tanks[0]!.spray).toBeCloseTo(gal(184), 9)
    expect(tanks[0]!.never).toContain('captan is kept 14 days from oil, which oil has in it.')
    expect(tanks[1]!.never).toEqual(['The card of oil says nothing of a tank with others; it goes alone.'])
  })

  test('water of all of it, gear once however it is written, a notice for each place that is closed', () => {
    const { lines } = loadTruck([captan, spreader, oil], DAY, 'us')
    expect(lines.find((l) => l.key === 'water')).toMatchObject({ amount: '270 gal' })
    expect(lines.filter((l) => l.key === 'gear gloves')).toHaveLength(1)
    expect(lines.filter((l) => l.key.startsWith('sign ')).map((l) => l.name)).toEqual([
      'Notice for Quarrel Bank orchard',
      'Notice for Hospital court',
    ])
    expect(lines.some((l) => l.kind === 'measure')).toBe(false)
  })
})

test('work by hand takes what it counts, its kit, and no spill kit; work with nothing left to do takes nothing', () => {
  const mesh = work({
    use: use('guard', {}),
    plans: [
      plan('guard', { shape: { length: toSI(4, 'ft') } }),
      plan('guard', { shape: { length: toSI(5, 'ft') } }),
    ],
  })
  const { lines, trees } = loadTruck([mesh, work({ use: bottles, plans: [] })], DAY, 'us')
  expect(lines.map((l) => l.key)).toEqual(['by hand guard', 'gear gloves'])
  expect(lines[0]).toMatchObject({ amount: '2 pieces, 9 ft of mesh' })
  expect(lines[0]!.detail).toContain('mesh, snips, gloves')
  expect(trees).toBe(2)
})

test('lots that were counted are taken from the opened one on, and what they do not hold is short, with the ways on', () => {
  const of = (...lots: LotToLoad[]) =>
    line([work({ use: bottles, plans: [injected(1, 6, 100)], lots })], 'product EB4')!
  const [early, opened] = [
    lot('A7', { left: mL(80), expiresOn: '2026-07-01' }),
    lot('B2', { left: mL(50), opened: true }),
  ]
  expect(of(early, opened)).toMatchObject({ amount: '110 mL', short: null })
  expect(of(early, opened).detail).toContain('lots B2 (50 mL), then A7 (60 mL)')
  expect(of({ ...early, left: mL(20) }, opened).short).toMatch(
    /^40 mL of Emamectin example are short: .*another lot, another day or another truck\.$/,
  )
  expect(of({ ...early, left: null }, opened)).toMatchObject({ short: null })
  expect(of({ ...early, left: mL(-3) }).short).toMatch(/^110 mL/)
})
