import fc from 'fast-check'
import { pack, unpack } from './packed'

const asJson = (v: unknown) => JSON.parse(JSON.stringify(v)) as unknown

test('whatever JSON can say comes back as it was', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 5 }), (v) => {
      expect(unpack(pack(v))).toEqual(asJson(v))
    }),
    { numRuns: 500 },
  )
})

test('lists of records that repeat each other come back as they were', () => {
  const what = fc.record({ kind: fc.constantFrom('port', 'task', 'a longer word'), bearing: fc.nat(9) })
  const tree = fc.record(
    {
      tag: fc.constantFrom('ash', 'an ash by the gate'),
      steps: fc.array(what),
      note: fc.option(fc.string()),
    },
    { requiredKeys: ['tag'] },
  )
  fc.assert(
    fc.property(fc.array(tree, { maxLength: 30 }), (trees) => {
      expect(unpack(pack(trees))).toEqual(asJson(trees))
    }),
    { numRuns: 300 },
  )
})

test('a list is told from a record and from a pointer', () => {
  const odd = [
    [-2, 0],
    [{ a: -2, b: 0 }],
    [-1],
    [-3, 0],
    [{}],
    [{}, {}],
    [[{}]],
    [{ a: [1] }, { a: [1] }],
    [{ a: 5 }, 'text'],
  ]
  expect(unpack(pack(odd))).toEqual(odd)
})

test('what JSON has no word for is treated as JSON does', () => {
  const odd = { at: new Date(0), none: undefined, nan: NaN, list: [undefined, new Date(5)], f: () => 1 }
  expect(unpack(pack(odd))).toEqual(asJson(odd))
})

test.each(['__proto__', 'constructor', '0', ''])('a field called %p is a field', (name) => {
  const v = JSON.parse(`{${JSON.stringify(name)}:{"grown":true}}`) as unknown
  const back = unpack(pack(v)) as object
  expect(Object.keys(back)).toEqual([name])
  expect(back).toEqual(v)
  expect(({} as { grown?: boolean }).grown).toBeUndefined()
})

test('names stand once, and what comes again is one and the same thing', () => {
  expect(pack([{ tag: 'A-1' }, { tag: 'A-2' }])).toBe('[[["tag"]],[-2,0,["A-1"],["A-2"]]]')
  const port = { kind: 'port', bearing: 33, product: 0.0000115 }
  const [a, b] = unpack(pack([{ plan: port }, { what: { ...port } }]))
  expect((a as { plan: object }).plan).toBe((b as { what: object }).what)
})

test('two hundred trees with seven ports each are about a third of what they were', () => {
  const trees = Array.from({ length: 200 }, (_, t) => ({
    id: `00000000-0000-7000-8000-${String(t).padStart(12, '0')}`,
    kind: 'Green ash',
    steps: Array.from({ length: 7 }, (_, i) => ({
      n: i + 1,
      what: { kind: 'port', bearing: (t * 7 + i * 51) % 360, product: 0.0000115 },
      events: [],
    })),
  }))
  expect(pack(trees).length).toBeLessThan(JSON.stringify(trees).length * 0.35)
})
