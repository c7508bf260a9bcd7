import { around, clustered, moved, textWidth, withRoom } from './layout'

test('labels that would lie on one another or run out are left out', () => {
  const labels = [
    { x: 0, text: 'bud swell' },
    { x: 20, text: 'pink' },
    { x: 100, text: 'bloom' },
    { x: 190, text: 'petal fall' },
  ]
  expect(withRoom(labels, 200).map((l) => l.text)).toEqual(['bud swell', 'bloom'])
  expect(withRoom(labels, 400)).toHaveLength(3)
  expect(textWidth('')).toBe(0)
})

test('what stands close together is one, and no cluster grows without end', () => {
  const at = (...xs: number[]) =>
    clustered(
      xs.map((x) => ({ x, item: x })),
      10,
    )
  expect(at(0, 4, 30)).toEqual([
    { x: 2, items: [0, 4] },
    { x: 30, items: [30] },
  ])
  expect(at()).toEqual([])
  const many = at(...Array.from({ length: 2000 }, (_, i) => i / 10))
  expect(many.length).toBeLessThan(12)
  expect(many.reduce((n, c) => n + c.items.length, 0)).toBe(2000)
})

test('a stretch moves within the whole, and to a day that is chosen', () => {
  expect(moved([10, 24], 5, [0, 365])).toEqual([15, 29])
  expect(moved([10, 24], -50, [0, 365])).toEqual([0, 14])
  expect(moved([10, 24], 900, [0, 365])).toEqual([351, 365])
  expect(around([10, 24], 12, [0, 365])).toEqual([10, 24])
  expect(around([10, 24], 100, [0, 365])).toEqual([93, 107])
})
