import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { arc, clockwise } from './bearing'
import cases from './layout.cases.json'
import { layoutPorts, type LayoutInput } from './layout'
import { forbiddenAt, suitability } from './suitability'

const inch = (n: number) => toSI(n, 'in')

describe('worked cases', () => {
  test.each(cases.map((c) => [c.name, c] as const))('%s', (_, c) => {
    const { portGirth, minSpacing, maxGap, ...rest } = c.request
    const layout = layoutPorts({
      ...rest,
      portGirth: inch(portGirth),
      minSpacing: inch(minSpacing),
      maxGap: maxGap === undefined ? undefined : inch(maxGap),
    })
    expect(layout.ports.map((p) => p.bearing)).toEqual(c.answer.ports.map((p) => p.bearing))
    layout.ports.forEach((p, i) => expect(p.suitability).toBeCloseTo(c.answer.ports[i]!.suitability, 12))
    expect(layout.total).toBeCloseTo(c.answer.total, 11)
    expect(layout.largestGap).toBeCloseTo(inch(c.answer.largestGap), 12)
    expect([layout.maxGapMet, layout.missing]).toEqual([c.answer.maxGapMet, c.answer.missing])
  })
})

/**
 * The answer by trying every set of a few bearings. {@link coarse} closes all others to the solver, so that both face
 * the same candidates.
 */
function bruteForce(
  input: LayoutInput,
  candidates: number[],
): { best: number; sets: number[][]; gap: number } | null {
  const girth = input.portGirth
  let found: { best: number; sets: number[][]; gap: number } | null = null
  const widest = (set: number[]) =>
    Math.max(...set.map((b, i) => (set.length === 1 ? 360 : clockwise(b, set[(i + 1) % set.length]!))))
  const allowed = input.maxGap === undefined ? 360 : (input.maxGap / girth) * 360 + 1e-9
  const all: { set: number[]; gap: number; total: number }[] = []
  const worth = new Map(candidates.map((b) => [b, suitability(b, input)]))
  const choose = (set: number[], from: number) => {
    if (set.length === input.count) {
      const spaced =
        set.length === 1 ||
        set.every((b, i) => arc(clockwise(b, set[(i + 1) % set.length]!), girth) >= input.minSpacing - 1e-12)
      if (spaced)
        all.push({ set: [...set], gap: widest(set), total: set.reduce((s, b) => s + worth.get(b)!, 0) })
      return
    }
    for (let i = from; i < candidates.length; i++) choose([...set, candidates[i]!], i + 1)
  }
  choose([], 0)
  if (all.length === 0) return null
  const least = Math.min(...all.map((a) => a.gap))
  const limit = least <= allowed ? allowed : least
  for (const a of all) {
    if (a.gap > limit + 1e-9) continue
    if (!found || a.total > found.best + 1e-9) found = { best: a.total, sets: [a.set], gap: limit }
    else if (Math.abs(a.total - found.best) <= 1e-9) found.sets.push(a.set)
  }
  return found
}

test('on a trunk of which nothing is drawn the ports lie even, as near as whole degrees allow', () => {
  const even = (count: number) =>
    layoutPorts({ portGirth: inch(60), count, minSpacing: inch(3) }).ports.map((p) => p.bearing)
  expect(even(10)).toEqual([0, 36, 72, 108, 144, 180, 216, 252, 288, 324])
  expect(even(7)).toEqual([0, 51, 102, 153, 204, 256, 308])
  expect(even(2)).toEqual([0, 180])
  expect(even(1)).toEqual([0])
  expect(layoutPorts({ portGirth: inch(60), count: 10, minSpacing: inch(3) }).largestGap).toBeCloseTo(
    inch(6),
    12,
  )
})

/** Excludes everything but a few bearings, by resting holes placed exactly on all the others. */
function coarse(
  candidates: number[],
): Pick<LayoutInput, 'earlierHoles' | 'restDistance' | 'restYears' | 'closureYears'> {
  const open = new Set(candidates)
  const holes = Array.from({ length: 360 }, (_, b) => b).filter((b) => !open.has(b))
  // Rest distance zero: a hole forbids its own degree only. Closure at its age: no other effect.
  return {
    earlierHoles: holes.map((bearing) => ({ bearing, years: 1 })),
    restDistance: 0,
    restYears: 2,
    closureYears: 1,
  }
}

describe('the true optimum', () => {
  const sector = fc.record({ from: fc.integer({ min: 0, max: 359 }), to: fc.integer({ min: 0, max: 359 }) })
  test('equals brute force over every set, ties spread out and then to the smaller bearings', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 4, maxLength: 11 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 12 }),
        fc.option(fc.integer({ min: 12, max: 40 }), { nil: undefined }),
        fc.array(
          fc.record({
            bearing: fc.integer({ min: 0, max: 359 }),
            halfWidth: fc.integer({ min: 5, max: 40 }),
          }),
          { maxLength: 4 },
        ),
        fc.array(
          fc.record({
            from: fc.integer({ min: 0, max: 359 }),
            to: fc.integer({ min: 0, max: 359 }),
            severity: fc.constantFrom(0.3, 0.6, 1),
          }),
          { maxLength: 2 },
        ),
        (bearings, count, spacing, gap, flares, thinSectors) => {
          const candidates = [...bearings].sort((a, b) => a - b)
          const input: LayoutInput = {
            portGirth: inch(60),
            count,
            minSpacing: inch(spacing),
            maxGap: gap === undefined ? undefined : inch(gap),
            flares,
            thinSectors,
            ...coarse(candidates),
          }
          const expected = bruteForce(input, candidates)
          const layout = layoutPorts(input)
          if (!expected) {
            expect(layout.missing).toBeGreaterThan(0)
            expect(layout.ports.length).toBe(count - layout.missing)
            // As many as can: one more must be impossible.
            expect(bruteForce({ ...input, count: layout.ports.length + 1 }, candidates)).toBeNull()
          } else {
            expect(layout.missing).toBe(0)
            expect(layout.total).toBeCloseTo(expected.best, 9)
            const gaps = (set: number[]) =>
              set.map((x, i) => (set.length === 1 ? 360 : clockwise(x, set[(i + 1) % set.length]!)))
            const order = (a: number[], b: number[]) =>
              Math.min(...gaps(b)) - Math.min(...gaps(a)) ||
              Math.max(...gaps(a)) - Math.max(...gaps(b)) ||
              a.map((x, i) => x - b[i]!).find((d) => d !== 0) ||
              0
            const first = [...expected.sets].sort(order)[0]
            expect(layout.ports.map((p) => p.bearing)).toEqual(first)
          }
        },
      ),
      { numRuns: 120 },
    )
  })

  test('keeps every rule, and no single move improves it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 20, max: 120 }),
        fc.array(sector, { maxLength: 3 }),
        fc.option(fc.integer({ min: 6, max: 30 }), { nil: undefined }),
        (count, girth, exclusions, gap) => {
          const input: LayoutInput = {
            portGirth: inch(girth),
            count,
            minSpacing: inch(3),
            maxGap: gap === undefined ? undefined : inch(gap),
            exclusions,
            flares: [
              { bearing: 15, halfWidth: 20 },
              { bearing: 130, halfWidth: 30 },
              { bearing: 250, halfWidth: 25 },
            ],
            earlierHoles: [{ bearing: 100, years: 0.5 }],
          }
          const layout = layoutPorts(input)
          const set = layout.ports.map((p) => p.bearing)
          expect(set.length + layout.missing).toBe(count)
          for (const b of set) expect(forbiddenAt(b, input)).toBeNull()
          const spaced = (s: number[]) =>
            s.length < 2 ||
            s.every(
              (b, i) => arc(clockwise(b, s[(i + 1) % s.length]!), input.portGirth) >= input.minSpacing - 1e-9,
            )
          const widest = (s: number[]) =>
            Math.max(...s.map((b, i) => (s.length === 1 ? 360 : clockwise(b, s[(i + 1) % s.length]!))))
          expect(spaced(set)).toBe(true)
          if (set.length === 0) return
          const limit = Math.max(widest(set), gap === undefined ? 360 : (inch(gap) / input.portGirth) * 360)
          set.forEach((b, i) => {
            for (const by of [-7, -1, 1, 7]) {
              const to = (b + by + 360) % 360
              const moved = set.map((x, j) => (j === i ? to : x)).sort((x, y) => x - y)
              if (
                new Set(moved).size < moved.length ||
                forbiddenAt(to, input) ||
                !spaced(moved) ||
                widest(moved) > limit + 1e-9
              )
                continue
              const total = moved.reduce((s, x) => s + suitability(x, input), 0)
              expect(total).toBeLessThanOrEqual(layout.total + 1e-9)
            }
          })
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('edges', () => {
  test('a trunk with no sound wood takes none and says how many are missing', () => {
    const layout = layoutPorts({
      portGirth: inch(40),
      count: 5,
      minSpacing: inch(4),
      maxGap: inch(9),
      exclusions: [{ from: 0, to: 359 }],
    })
    expect(layout).toMatchObject({
      ports: [],
      total: 0,
      missing: 5,
      maxGapMet: false,
      uncovered: [{ from: 0, to: 359 }],
    })
  })
  test('more ports than the girth holds: as many as can', () => {
    const layout = layoutPorts({ portGirth: inch(20), count: 9, minSpacing: inch(4) })
    expect([layout.ports.length, layout.missing]).toEqual([5, 4])
  })
  test('a sector through north excludes on both sides, an inch wider each way', () => {
    const layout = layoutPorts({
      portGirth: inch(36),
      count: 9,
      minSpacing: inch(2),
      exclusions: [{ from: 350, to: 20 }],
    })
    for (const p of layout.ports) expect(p.bearing > 30 && p.bearing < 340).toBe(true)
  })
  test('a gap that cannot be met is the narrowest that can, and named', () => {
    const layout = layoutPorts({
      portGirth: inch(36),
      count: 6,
      minSpacing: inch(2),
      maxGap: inch(8),
      exclusions: [{ from: 100, to: 220 }],
    })
    // 120° and an inch on each side: the ports stand on 89° and 231°.
    expect(layout.maxGapMet).toBe(false)
    expect(layout.uncovered).toContainEqual({ from: 89, to: 231 })
    expect(layout.largestGap).toBeCloseTo(inch(14.2), 9)
  })
  test('one port leaves the whole round as its gap', () => {
    expect(layoutPorts({ portGirth: inch(30), count: 1, minSpacing: inch(4) }).largestGap).toBeCloseTo(
      inch(30),
      12,
    )
  })
  test('the same input gives the same ports', () => {
    const input: LayoutInput = {
      portGirth: inch(90),
      count: 15,
      minSpacing: inch(4),
      flares: [{ bearing: 40, halfWidth: 30 }],
    }
    expect(layoutPorts(input)).toEqual(layoutPorts({ ...input }))
  })
  test('24 ports are placed well within a blink', () => {
    const input: LayoutInput = {
      portGirth: inch(120),
      count: 24,
      minSpacing: inch(2),
      maxGap: inch(9),
      flares: [
        { bearing: 10, halfWidth: 18 },
        { bearing: 100, halfWidth: 30 },
      ],
    }
    layoutPorts(input)
    const began = performance.now()
    for (let i = 0; i < 10; i++) layoutPorts(input)
    // Ten times the aim, so that a busy machine does not fail it.
    expect((performance.now() - began) / 10).toBeLessThan(300)
  })
})
