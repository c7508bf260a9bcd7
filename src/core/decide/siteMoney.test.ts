import { toSI } from '../quantity/units'
import { BORER, RETURNS, SELDOM_KILLS, WILT } from './treatable'
import { firstTrees, type Asks } from './firstTrees'
import { checkMoney, HOUSE_MONEY, moneyOf, PRESSURES, treated, untreated } from './siteMoney'

const kinds = [BORER, RETURNS, WILT, SELDOM_KILLS]

describe('chance to be alive', () => {
  it('starts whole, never rises, and is lower under more pressure and with less crown', () => {
    for (const kind of kinds)
      for (const lost of [0, 25, 60, 100]) {
        const curves = PRESSURES.map((p) => untreated(kind, p, lost, 20))
        for (const curve of curves) {
          expect(curve[0]!).toBeLessThanOrEqual(1)
          curve.slice(1).forEach((s, i) => expect(s).toBeLessThanOrEqual(curve[i]!))
          expect(curve.at(-1)!).toBeGreaterThan(0)
        }
        if (kind !== SELDOM_KILLS)
          for (let y = 0; y < 20; y++) expect(curves[0]![y]!).toBeGreaterThanOrEqual(curves[2]![y]!)
      }
    expect(untreated(BORER, 'middle', 40, 10)[3]!).toBeLessThan(untreated(BORER, 'middle', 0, 10)[3]!)
  })

  it('is half in the middle year of the curve, reckoned from a sound tree', () => {
    // 7 years, spread 1.5: dead at 0 is 1/(1+e^(7/1.5)) = 0.00932; at 7 it is 0.5.
    expect(untreated(BORER, 'middle', 0, 10)[6]!).toBeCloseTo(0.5 / (1 - 0.00932), 3)
  })

  it('is never worse for treating, and the same where treating is no use', () => {
    for (const kind of kinds)
      for (const lost of [0, 30, 55, 90]) {
        const alone = untreated(kind, 'high', lost, 12)
        treated(kind, 'high', lost, 12).forEach((s, y) => expect(s).toBeGreaterThanOrEqual(alone[y]!))
      }
    expect(treated(BORER, 'high', 55, 12)).toEqual(untreated(BORER, 'high', 55, 12))
  })
})

describe('the money of a tree', () => {
  const tree = { diameter: toSI(20, 'in'), lost: 10, treatable: BORER }

  it('is worked from the figures for every inch', () => {
    const m = moneyOf(HOUSE_MONEY, tree)
    if (!m.ok) throw new Error(m.problem.message)
    expect(m.value.visit).toBeCloseTo(40 + 9 * 20, 9)
    expect(m.value.minutes).toBeCloseTo(12 + 1.2 * 20, 9)
    expect(m.value.input.remove).toEqual({ cost: 250 + 45 * 20, replace: 450, year: 0 })
    expect(m.value.input.nothing.emergencyCost).toBeCloseTo(1150 * 1.6, 9)
    expect(m.value.input.benefitPerYear).toBeCloseTo(240, 9)
    const { treat, remove, nothing } = m.value.worth
    expect(m.value.gain).toBeCloseTo(treat - Math.max(remove, nothing), 9)
  })

  it('gains by treating an ash under pressure, and nothing where treating is no use', () => {
    const gain = (lost: number) => {
      const m = moneyOf({ ...HOUSE_MONEY, pressure: 'high' }, { ...tree, lost })
      if (!m.ok) throw new Error(m.problem.message)
      return m.value.gain
    }
    expect(gain(10)).toBeGreaterThan(0)
    expect(gain(80)).toBeLessThan(0)
  })

  test.each([
    [{ years: 0 }, 'years'],
    [{ years: 2.5 }, 'years'],
    [{ discountPercent: -1 }, 'discountPercent'],
    [{ visitPerInch: NaN }, 'visitPerInch'],
    [{ emergencyTimes: 0.5 }, 'emergencyTimes'],
    [{ minutesLeast: -3 }, 'minutesLeast'],
  ])('refuses %o', (part, field) => {
    expect(checkMoney({ ...HOUSE_MONEY, ...part })).toMatchObject({ problem: { field } })
    expect(moneyOf({ ...HOUSE_MONEY, ...part }, tree)).toMatchObject({ ok: false })
  })
})

describe('which trees first', () => {
  const asks = (n: number): Asks[] =>
    Array.from({ length: n }, (_, i) => ({
      id: `t${i}`,
      gain: 100 + ((i * 7919) % 900) - 150,
      visit: 80.5 + ((i * 104729) % 300),
      minutes: 15 + ((i * 1299709) % 40),
    }))

  it('takes all that gain where nothing binds, the greatest gain first', () => {
    const all = firstTrees(asks(40), { money: null, minutes: null })
    expect(all.chosen).toHaveLength(asks(40).filter((t) => t.gain >= 0.5).length)
    const gains = all.chosen.map((id) => asks(40).find((t) => t.id === id)!.gain)
    expect([...gains].sort((a, b) => b - a)).toEqual(gains)
  })

  it('is the best there is under both bounds: no other choice of twelve gains more', () => {
    const trees = asks(12)
    const room = { money: 900, minutes: 150 }
    let best = 0
    for (let set = 0; set < 1 << trees.length; set++) {
      const some = trees.filter((_, i) => set & (1 << i))
      const sum = (of: (t: Asks) => number) => some.reduce((n, t) => n + of(t), 0)
      if (sum((t) => Math.ceil(t.visit)) <= room.money && sum((t) => Math.ceil(t.minutes)) <= room.minutes)
        best = Math.max(
          best,
          sum((t) => t.gain),
        )
    }
    const found = firstTrees(trees, room)
    expect(found.gain).toBe(best)
    expect(found.visit).toBeLessThanOrEqual(room.money)
    expect(found.minutes).toBeLessThanOrEqual(room.minutes)
  })

  it('never chooses what gains nothing, and nothing at all without money', () => {
    expect(
      firstTrees([{ id: 'a', gain: -5, visit: 1, minutes: 1 }], { money: null, minutes: null }).chosen,
    ).toEqual([])
    expect(firstTrees(asks(10), { money: 0, minutes: null }).chosen).toEqual([])
  })
})
