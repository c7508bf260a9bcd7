import { bestClock, clockOf, dayClock } from './dayClock'
import { driveMinutes, milesFrom, roundMinutes } from './roads'

const any = (minutes: number, drive = 0) => ({ minutes, drive, open: null })

describe('the clock of a day', () => {
  test('is drive and work, one after another, and home again', () => {
    const day = dayClock(420, [any(60, 15), any(30, 10)], 20)
    expect(day.stops).toEqual([
      { from: 435, to: 495, waits: 0, short: 0 },
      { from: 505, to: 535, waits: 0, short: 0 },
    ])
    expect(day.home).toBe(555)
    expect(dayClock(420, [], 0)).toEqual({ stops: [], home: 420 })
  })

  test('waits until hours open, pauses where they close, and says what finds none', () => {
    const open = [
      { from: 480, to: 540 },
      { from: 600, to: 630 },
    ]
    expect(dayClock(420, [{ minutes: 80, drive: 0, open }], 0).stops[0]).toEqual({
      from: 480,
      to: 620,
      waits: 60,
      short: 0,
    })
    expect(dayClock(500, [{ minutes: 100, drive: 0, open }], 0).stops[0]).toEqual({
      from: 500,
      to: 630,
      waits: 0,
      short: 30,
    })
    expect(dayClock(700, [{ minutes: 10, drive: 0, open }], 5)).toEqual({
      stops: [{ from: 700, to: 700, waits: 0, short: 10 }],
      home: 705,
    })
  })

  test('the best order puts first what closes first, and is the given one where all are as good', () => {
    const road = () => 10
    const late = { minutes: 60, open: null }
    const early = { minutes: 60, open: [{ from: 420, to: 500 }] }
    expect(bestClock(420, [late, early], road)).toEqual([1, 0])
    expect(bestClock(420, [late, late, late], road)).toEqual([0, 1, 2])
    const seven = [late, late, late, late, late, late, early]
    expect(bestClock(420, seven, road)).toEqual([0, 1, 2, 3, 4, 5, 6])
  })

  test('no order of five leaves less over than the best one', () => {
    const place = [0, 3, 8, 1, 6]
    const road = (a: number, b: number) => Math.abs((place[a] ?? 0) - (place[b] ?? 0)) * 5
    const stops = [
      { minutes: 50, open: [{ from: 600, to: 700 }] },
      { minutes: 40, open: [{ from: 420, to: 480 }] },
      { minutes: 70, open: null },
      { minutes: 30, open: [{ from: 500, to: 560 }] },
      { minutes: 45, open: [{ from: 480, to: 800 }] },
    ]
    const worth = (order: number[]) => {
      const day = clockOf(420, stops, order, road)
      return day.stops.reduce((sum, s) => sum + s.short, 0) * 1e6 + day.home
    }
    const all = (of: number[]): number[][] =>
      of.length < 2 ? [of] : of.flatMap((x) => all(of.filter((y) => y !== x)).map((rest) => [x, ...rest]))
    const least = Math.min(...all([0, 1, 2, 3, 4]).map(worth))
    expect(worth(bestClock(420, stops, road))).toBeLessThanOrEqual(least + 0.5)
    expect(worth([0, 1, 2, 3, 4])).toBeGreaterThan(least + 1e5)
  })
})

describe('roads', () => {
  test('a minute of latitude is a sea mile, and the shorter way round counts', () => {
    expect(
      milesFrom({ latitude: 42, longitude: -75 }, { latitude: 42 + 1 / 60, longitude: -75 }).y,
    ).toBeCloseTo(1.1517, 3)
    const across = milesFrom({ latitude: -17, longitude: 179.9 }, { latitude: -17, longitude: -179.9 })
    expect(across.x).toBeCloseTo(0.2 * 69.1 * Math.cos((17 * Math.PI) / 180), 6)
    expect(
      milesFrom({ latitude: -17, longitude: -179.9 }, { latitude: -17, longitude: 179.9 }).x,
    ).toBeCloseTo(-across.x, 6)
  })

  test('agrees with the way over the globe to a per cent within a hundred miles', () => {
    const R = 3958.8
    const rad = (d: number) => (d * Math.PI) / 180
    for (const [lat, lon] of [
      [43.1, -75.9],
      [41.2, -74.2],
      [42.9, -76.6],
    ] as const) {
      const a =
        Math.sin(rad(lat - 42.3) / 2) ** 2 +
        Math.cos(rad(42.3)) * Math.cos(rad(lat)) * Math.sin(rad(lon + 75.2) / 2) ** 2
      const globe = 2 * R * Math.asin(Math.sqrt(a))
      const { x, y } = milesFrom({ latitude: 42.3, longitude: -75.2 }, { latitude: lat, longitude: lon })
      expect(Math.abs(Math.hypot(x, y) / globe - 1)).toBeLessThan(0.01)
    }
  })

  test('a round is its drives and its work', () => {
    const [a, b] = [
      { x: 3, y: 4 },
      { x: 3, y: 0 },
    ]
    expect(driveMinutes({ x: 0, y: 0 }, a)).toBeCloseTo(15.6, 9)
    expect(
      roundMinutes([
        { at: a, stop: { minutes: 60 } },
        { at: b, stop: { minutes: 30 } },
      ]),
    ).toBeCloseTo(90 + (12 * 1.3 * 60) / 25, 9)
    expect(roundMinutes([])).toBe(0)
  })
})
