import type { z } from 'zod'
import { trunkInjection } from '../methods/trunk-injection/use'
import { analysis, mix, mixes, quantities, quantity, rate, rates, whole, window, words } from './written'

/** What is said of a text; null where it is taken. */
const said = (schema: z.ZodType, given: unknown): string | null => {
  const read = schema.safeParse(given)
  return read.success ? null : read.error.issues[0]!.message
}
/** Takes the first, refuses the second, each refusal a sentence. */
function takes(schema: z.ZodType, good: readonly unknown[], bad: readonly unknown[]) {
  for (const g of good) expect([g, said(schema, g)]).toEqual([g, null])
  for (const b of bad) expect([b, said(schema, b)]).toEqual([b, expect.stringMatching(/[a-z].*[.)]$/)])
}

test('quantities of a label are of their kind and more than zero; a temperature may be below it', () => {
  takes(quantity('length'), ['1/4 in', '0.4 mm', '2 1/2 in'], ['0 in', '-1 in', '5 gal', 'a hand', ''])
  takes(quantity('temperature'), ['-5 °C', '0 °F', '90 °F'], ['5 in', 'warm'])
  takes(quantity('volume'), ['5 mL', '1 gal'], ['5 oz in', '0 mL'])
})

test('rates are one quantity for another', () => {
  takes(rate('mass', 'area'), ['0.4 lb/acre', '450 g/ha'], ['0 lb/acre', '0.4 lb', '0.4 gal/acre', '4 /acre'])
})

test('mixes and analyses are read as labels write them', () => {
  takes(mix(), ['2 %', '4 tsp/gal', '3 lb/100 gal'], ['', 'some'])
  takes(analysis(), ['18-6-12', '0-0-60'], ['18-6', 'rich', ''])
})

test('a low and a high stand in this order, and may be one', () => {
  takes(
    quantities('volume'),
    [
      { low: '5 mL', high: '10 mL' },
      { low: '5 mL', high: '5 mL' },
      { low: '1 fl oz', high: '30 mL' },
    ],
    [
      { low: '10 mL', high: '5 mL' },
      { low: '0 mL', high: '5 mL' },
    ],
  )
  takes(
    rates('mass', 'area'),
    [{ low: '1 lb/acre', high: '2 lb/acre' }],
    [{ low: '2 lb/acre', high: '1 lb/acre' }],
  )
  takes(mixes(), [{ low: '1 %', high: '2 %' }], [{ low: '2 %', high: '1 %' }])
  const wrong = quantities('volume').safeParse({ low: '10 mL', high: '5 mL' })
  expect(wrong.error!.issues.map((i) => i.path)).toEqual([['high']])
})

test('a window, words and whole numbers keep their bounds', () => {
  takes(window(), ['15 Oct to 28 Feb'], ['x'.repeat(300), 'when it rains'])
  takes(words(5), ['ab', ' abcde '], ['', '   ', 'abcdef'])
  takes(words(50, 3), ['abc'], ['ab'])
  takes(whole(1, 9), [1, 9], [0, 10, 1.5, '1', NaN])
})

test.each([
  ['a port of 1e308 mL', { perPortMax: '1e308 mL' }],
  ['a spacing of 1e300 in', { minSpacing: '1e300 in' }],
  ['a spacing without end', { minSpacing: '900 in' }],
  ['a bit of less than nothing', { bit: '-1 mm' }],
  ['a bit that is no length', { bit: '5 mL' }],
  ['a bit like a pipe', { bit: '3 in' }],
  ['a bathtub an inch', { ratePerInch: { low: '1 mL', high: '50 gal' } }],
  ['uptake that ends before it begins', { uptakeMinutes: { from: 60, to: 10 } }],
  ['uptake of a month', { uptakeMinutes: { from: 10, to: 43_200 } }],
])('%s is no figure of an injection', (_, wrong) => {
  const good = {
    hardware: 'bottle',
    ratePerInch: { low: '5 mL', high: '10 mL' },
    ports: { rule: 'spacing', spacing: '6 in' },
    minSpacing: '4 in',
    perPortMax: '20 mL',
    bit: '1/4 in',
    depth: '1/2 in into the wood',
    uptakeMinutes: { from: 10, to: 60 },
    temperature: { least: '45 F', most: '90 F' },
    hole: 'left open',
    retreatYears: 2,
  }
  expect(trunkInjection.safeParse(good).error).toBeUndefined()
  expect(trunkInjection.safeParse({ ...good, ...wrong }).success).toBe(false)
})

test('figures that no label could mean are refused in every dimension', () => {
  const refused = (schema: { safeParse: (text: string) => { success: boolean } }, text: string) =>
    expect([text, schema.safeParse(text).success]).toEqual([text, false])
  refused(quantity('length'), '1e300 in')
  refused(quantity('length'), '0.00001 in')
  refused(quantity('volume'), '1e12 gal')
  refused(quantity('temperature'), '900 F')
  refused(quantity('speed'), '500 mph')
  refused(rate('mass', 'area'), '1e9 lb/acre')
  refused(rate('mass', 'volume'), '90 lb/gal')
  refused(mix(), '80 %')
  refused(mix(), '1e30 lb/gal')
})
