import fc from 'fast-check'
import { halvesBySun } from './halves'

const at = (eastM: number, northM = 0) => ({ eastM, northM })

test('the east half first, each walked by itself', () => {
  const halves = halvesBySun([at(0), at(30), at(10), at(20), at(40)])
  expect(halves.map((h) => [h.side, h.trees.map((t) => t.eastM)])).toEqual([
    ['east', [30, 20, 40]],
    ['west', [0, 10]],
  ])
})

test('two rows from south to north: the east row, then the west row, never to and fro', () => {
  const rows = [0, 10].flatMap((east) => [0, 5, 10, 15].map((north) => at(east, north)))
  const [east, west] = halvesBySun(rows)
  expect(east!.trees.every((t) => t.eastM === 10)).toBe(true)
  expect(west!.trees.every((t) => t.eastM === 0)).toBe(true)
})

test.each([
  ['a row from south to north', [0, 5, 10, 15, 20].map((north) => at(0, north))],
  ['three trees', [at(0), at(30), at(60)]],
  ['no tree', []],
])('%s is one half', (_, trees) => {
  expect(halvesBySun(trees)).toEqual([{ side: null, trees }])
})

test('every tree once, no tree of the west half east of the east half', () => {
  const side = fc.double({ min: -500, max: 500, noNaN: true })
  fc.assert(
    fc.property(fc.array(fc.record({ eastM: side, northM: side }), { maxLength: 40 }), (trees) => {
      const halves = halvesBySun(trees)
      const all = halves.flatMap((h) => h.trees)
      expect(new Set(all)).toEqual(new Set(trees))
      expect(all).toHaveLength(trees.length)
      if (halves.length === 1) return
      const [east, west] = halves.map((h) => h.trees.map((t) => t.eastM))
      expect(Math.min(...east!)).toBeGreaterThanOrEqual(Math.max(...west!))
      expect(east!.length - west!.length).toBeLessThanOrEqual(1)
    }),
  )
})
