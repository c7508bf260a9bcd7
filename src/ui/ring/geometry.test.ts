import fc from 'fast-check'
import type { RingMark } from '@/core/ports/marks'
import {
  alongBark,
  arcPath,
  at,
  barkRadius,
  bearingOf,
  dotsPath,
  outline,
  R,
  sectorPath,
  smallOutline,
} from './geometry'
import { fromToday } from '../when'

const flare: RingMark = { kind: 'flare', from: 340, to: 20, notedOn: '2026-06-12' }

test('north is up, east is right', () => {
  expect(at(0, 100)).toEqual({ x: 0, y: -100 })
  expect(at(90, 100).x).toBeCloseTo(100)
})

test('a place on the drawing and its bearing are each other’s inverse', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 60, max: 190 }), (bearing, radius) => {
      const p = at(bearing, radius)
      expect(bearingOf(p.x, p.y)).toBe(bearing)
    }),
  )
})

test('flares swell the bark, valleys draw it in, a trunk without flares is round', () => {
  expect(barkRadius(123, [])).toBe(R)
  expect(barkRadius(0, [flare])).toBeGreaterThan(R)
  expect(barkRadius(180, [flare])).toBeLessThan(R)
})

test('dots stand on the bark, one after another', () => {
  expect(dotsPath([0, 90], [])).toBe(`M0 ${-R}h0M${R} 0h0`)
  const [, y] = /^M0 (-\d+)h0$/.exec(dotsPath([0], [flare]))!
  expect(-Number(y)).toBeGreaterThan(R)
})

test('paths hold only numbers', () => {
  for (const path of [
    outline([flare]),
    outline([], 0.5),
    sectorPath(
      350,
      20,
      () => 80,
      () => 120,
    ),
    arcPath(350, 20, 160),
    arcPath(10, 10, 160),
    alongBark(350, 20, [flare], 5),
  ])
    expect(path).toMatch(/^M[-\d.,LCAZ ]+$/)
})

test('days are said as people say them', () => {
  const from = (d: string) => fromToday(d, '2026-06-12')
  expect([
    from('2026-06-12'),
    from('2026-06-13'),
    from('2026-06-10'),
    from('2027-06-12'),
    from('2028-06-12'),
  ]).toEqual(['today', 'in 1 day', '2 days ago', 'in 12 months', 'in 2 years'])
})

test('a small ring is light, and swells where the trunk does', () => {
  const flares = [0, 90, 180, 270].map((b) => ({
    kind: 'flare' as const,
    from: (b + 350) % 360,
    to: b + 10,
    notedOn: '2026-06-12',
  }))
  expect(smallOutline([])).toContain('A118,118')
  const path = smallOutline(flares)
  expect(path.length).toBeLessThan(420)
  const corners = [...path.matchAll(/(-?\d+),(-?\d+)/g)].map((m) => Math.hypot(Number(m[1]), Number(m[2])))
  expect(corners).toHaveLength(36)
  expect(corners[0]!).toBeGreaterThan(corners[4]! + 10)
})
