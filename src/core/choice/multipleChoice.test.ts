import fc from 'fast-check'
import { chooseWays, type Way } from './multipleChoice'

const w = (value: number, minutes: number, active: number): Way => ({ value, minutes, active })
type Room = { active: number; minutes: number }

/** Every choice there is, and of all those that fit the first by value, minutes, active and place. */
function byTrying(trees: Way[][], room: Room): (number | null)[] {
  let best: { key: number[]; choice: (number | null)[] } | null = null
  const earlier = (a: number[], b: number[]) => {
    const at = a.findIndex((x, i) => x !== b[i])
    return at >= 0 && a[at]! < b[at]!
  }
  const rest = (i: number, value: number, minutes: number, active: number, at: number[]): void => {
    if (minutes > room.minutes || active > room.active) return
    if (i === trees.length) {
      const key = [-value, minutes, active, ...at]
      if (!best || earlier(key, best.key))
        best = { key, choice: at.map((o, k) => (o === trees[k]!.length ? null : o)) }
      return
    }
    for (const [o, way] of [...trees[i]!, w(0, 0, 0)].entries())
      rest(i + 1, value + way.value, minutes + way.minutes, active + way.active, [...at, o])
  }
  rest(0, 0, 0, 0, [])
  return best!.choice
}

const way = (most: number) =>
  fc.record({
    value: fc.nat(most),
    minutes: fc.nat(most),
    active: fc.oneof(fc.constant(0), fc.nat(most)),
  })
const question = (most: number) =>
  fc.array(fc.array(way(most), { maxLength: 3 }), { minLength: 1, maxLength: 6 }).chain((trees) =>
    fc.record({
      trees: fc.constant(trees),
      active: fc.nat(most * trees.length),
      minutes: fc.oneof(fc.constant(Infinity), fc.nat(most * trees.length)),
    }),
  )

test.each([4, 60, 5000])('is the first of all choices, figures up to %d', (most) => {
  fc.assert(
    fc.property(question(most), ({ trees, active, minutes }) => {
      expect(chooseWays(trees, { active, minutes })).toEqual(byTrying(trees, { active, minutes }))
    }),
    { numRuns: 400 },
  )
})

test('nothing that is there twice, free or worthless upsets it', () => {
  const room = { active: 5, minutes: 20 }
  expect(chooseWays([[w(3, 5, 2), w(3, 5, 2)]], room)).toEqual([0])
  // A way that costs nothing comes before none; a worthless one that costs something does not.
  expect(chooseWays([[w(0, 0, 0)], [w(0, 1, 0)], []], room)).toEqual([0, null, null])
  expect(chooseWays([[w(9, 5, 6)], [w(1, 21, 0)]], room)).toEqual([null, null])
})

test('equal trees: the way that saves minutes goes to the first', () => {
  const same = [w(4, 12, 3), w(4, 45, 0)]
  expect(chooseWays([same, same, same], { active: 6, minutes: 1000 })).toEqual([0, 0, 1])
})

test('two hundred trees of three ways, as a property has them, within the time a hand waits', () => {
  const trees = Array.from({ length: 200 }, (_, i) => {
    const inches = 4 + ((i * 37) % 280) / 10
    const priority = 1 + ((i * 7) % 5)
    return [
      w(priority * 10, 8 + Math.round(inches / 3), Math.round(inches * 3125)),
      w(priority * 10, Math.round(20 + inches * 2.2), 0),
      w(priority * 9, Math.round(10 + inches / 2), Math.round(inches * 2500)),
    ]
  })
  const room = { active: 4_000_000, minutes: 5000 }
  const choice = chooseWays(trees, room)
  const sum = (of: keyof Way) =>
    choice.reduce<number>((s, o, i) => s + (o === null ? 0 : trees[i]![o]![of]), 0)
  expect(sum('active')).toBeLessThanOrEqual(room.active)
  expect(sum('minutes')).toBeLessThanOrEqual(room.minutes)
  // No single tree can be worked another way for more, or for the same in less time.
  for (const [i, own] of trees.entries())
    for (const to of own) {
      const from = choice[i] === null ? w(0, 0, 0) : own[choice[i]!]!
      const fits =
        sum('active') - from.active + to.active <= room.active &&
        sum('minutes') - from.minutes + to.minutes <= room.minutes
      expect(fits && (to.value > from.value || (to.value === from.value && to.minutes < from.minutes))).toBe(
        false,
      )
    }
})
