import fc from 'fast-check'
import { asGroup, linesOf } from './group'

const CAUSES = [
  { id: 'aphids' },
  { id: 'scale' },
  { id: 'drought', opens: ['borer'] },
  { id: 'borer' },
  { id: 'film', livesOn: ['aphids', 'scale'] },
  { id: 'ants', livesOn: ['aphids', 'scale'] },
]

test.each([
  [['aphids'], [['aphids', null, null]]],
  [
    ['film', 'aphids'],
    [
      ['aphids', null, null],
      ['film', 'aphids', 'feeds'],
    ],
  ],
  [
    ['film', 'ants', 'scale'],
    [
      ['scale', null, null],
      ['film', 'scale', 'feeds'],
      ['ants', 'scale', 'feeds'],
    ],
  ],
  [
    ['borer', 'aphids', 'drought'],
    [
      ['aphids', null, null],
      ['drought', null, null],
      ['borer', 'drought', 'opens'],
    ],
  ],
])('%j', (ids, members) => {
  expect(asGroup(ids, CAUSES).map((m) => [m.id, m.on, m.how])).toEqual(members)
})

test('the line runs from what leads to all that follows on it, and no further', () => {
  expect(linesOf(asGroup(['ants', 'film', 'scale'], CAUSES))).toEqual([
    { above: false, below: true },
    { above: true, below: true },
    { above: true, below: false },
  ])
  expect(linesOf(asGroup(['aphids', 'drought'], CAUSES))).toEqual([
    { above: false, below: false },
    { above: false, below: false },
  ])
})

test('every cause once, none before what it follows on; a ring ends all the same', () => {
  const ring = [
    { id: 'a', opens: ['b'] },
    { id: 'b', opens: ['a'] },
  ]
  expect(asGroup(['a', 'b'], ring).map((m) => m.id)).toEqual(['a', 'b'])
  fc.assert(
    fc.property(fc.subarray(CAUSES.map((c) => c.id)), (ids) => {
      const group = asGroup(ids, CAUSES)
      expect(group.map((m) => m.id).sort()).toEqual([...ids].sort())
      for (const [i, m] of group.entries())
        if (m.on !== null) expect(group.findIndex((x) => x.id === m.on)).toBeLessThan(i)
      const lines = linesOf(group)
      expect(lines[0]?.above ?? false).toBe(false)
      expect(lines.at(-1)?.below ?? false).toBe(false)
    }),
  )
})
