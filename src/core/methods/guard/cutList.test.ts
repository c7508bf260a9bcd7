import fc from 'fast-check'
import { layOnRolls } from '../../barrier/guard'
import { toSI } from '../../quantity/units'
import { cutListFor } from './cutList'

const piece = (tag: string, inches: number, height = 39) => ({
  id: tag,
  tag,
  plan: {
    method: 'guard',
    shape: { length: toSI(inches, 'in'), height: toSI(height, 'in'), bury: 0, animal: 'rabbit' },
  } as never,
})

test('thirty young apples from rolls of four feet by fifty', () => {
  const trees = Array.from({ length: 30 }, (_, i) => piece(`A${i}`, 20 + (i % 5)))
  const r = cutListFor(trees, { height: '4 ft', length: '50 ft' }, 'us')
  if (!r.ok || !r.value) throw new Error('must be laid')
  // One strip a roll; 660 in of pieces on 600 in a strip.
  expect(r.value).toMatchObject({ perRoll: 1, rolls: 2 })
  expect(
    r.value.strips
      .flat()
      .map((p) => p.tag)
      .sort(),
  ).toEqual(trees.map((t) => t.tag).sort())
})

test('no strip is longer than the roll, every piece lies on one, and none could lie on an earlier strip', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.2, max: 4, noNaN: true }), { minLength: 1, maxLength: 40 }),
      fc.double({ min: 4, max: 20, noNaN: true }),
      (pieces, length) => {
        const r = layOnRolls(pieces, 0.6, { height: 1.3, length }, 'us')
        if (!r.ok) throw new Error(r.problem.message)
        expect(r.value.strips.flat().sort((a, b) => a - b)).toEqual(pieces.map((_, i) => i))
        for (const strip of r.value.strips)
          expect(strip.reduce((s, n) => s + pieces[n]!, 0)).toBeLessThanOrEqual(length * (1 + 1e-9))
        expect(r.value.rolls).toBe(Math.ceil(r.value.strips.length / 2))
      },
    ),
  )
})

test.each([
  [{ height: '2 ft', length: '50 ft' }, 'height', /39 in high and the roll only 24 in/],
  [{ height: '4 ft', length: '1 ft' }, 'length', /20 in long/],
  [{ height: 'tall', length: '50 ft' }, 'height', /tall/],
  [{ height: '4 ft', length: '0 ft' }, 'length', /more than zero/],
] as const)('%j is refused at its field', (typed, field, message) => {
  expect(cutListFor([piece('A', 20)], typed, 'us')).toMatchObject({
    ok: false,
    problem: { field, message: expect.stringMatching(message) },
  })
})

test('nothing is laid while the roll is not typed, or nothing is a guard', () => {
  expect(cutListFor([piece('A', 20)], { height: '', length: '50 ft' }, 'us')).toEqual({
    ok: true,
    value: null,
  })
  expect(cutListFor([], { height: '4 ft', length: '50 ft' }, 'us')).toEqual({ ok: true, value: null })
})
