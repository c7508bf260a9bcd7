import { holesOnRing } from './ring'

const mark = (
  id: string,
  kind: 'hole' | 'dead',
  from: number,
  notedOn: string,
  stem: number | null = null,
) => ({
  id,
  kind,
  from,
  to: from,
  severity: null,
  notedOn,
  stem,
})

test('holes of recorded work and those seen on the bark are drawn by their age', () => {
  expect(
    holesOnRing(
      [
        mark('a', 'hole', 10, '2024-06-12'),
        mark('b', 'dead', 90, '2024-06-12'),
        mark('c', 'hole', 50, '2024-06-12'),
      ],
      [{ drilledOn: '2025-06-12', bearings: [20, 80, 140] }],
      '2026-06-12',
    ),
  ).toEqual([
    { years: 0.999, bearings: [20, 80, 140] },
    { years: 1.999, bearings: [10, 50] },
  ])
  expect(holesOnRing([], [], '2026-06-12')).toEqual([])
  // Each of several stems has its own ring.
  expect(
    holesOnRing(
      [mark('a', 'hole', 10, '2024-06-12', 2), mark('b', 'hole', 50, '2024-06-12')],
      [{ drilledOn: '2025-06-12', bearings: [20], stem: 1 }],
      '2026-06-12',
    ),
  ).toEqual([
    { years: 0.999, bearings: [20], stem: 1 },
    { years: 1.999, bearings: [10], stem: 2 },
    { years: 1.999, bearings: [50] },
  ])
})
