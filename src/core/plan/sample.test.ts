import { leastLooked, sampleOf, spreadOver, type BlockTree } from './sample'

const today = '2026-06-12'
const tree = (n: number, part: Partial<BlockTree> = {}): BlockTree => ({
  id: `t${n}`,
  tag: `A${n}`,
  signed: null,
  open: false,
  ...part,
})
const scab = { cause: 'apple-scab', action: 'care' as const, on: '2026-06-08', bySample: false }
/** A block of `trees`, the first `looked` of them signed alike. */
const block = (trees: number, looked: number, signed = scab) =>
  Array.from({ length: trees }, (_, i) => tree(i + 1, { signed: i < looked ? signed : null }))

test('a tenth, and at least four, are looked at one by one', () => {
  expect([3, 20, 40, 120, 121].map(leastLooked)).toEqual([3, 4, 4, 12, 13])
})

test('enough trees that agree are signed for the rest', () => {
  const r = sampleOf(block(40, 4), today)
  expect(r).toMatchObject({ ok: true, value: { cause: 'apple-scab', action: 'care' } })
  if (r.ok) expect([r.value.looked.length, r.value.rest.length, r.value.apart.length]).toEqual([4, 36, 0])
})

test('those found otherwise, and those somebody looks at now, stay as they are', () => {
  const trees = block(40, 8)
  trees[8]!.signed = { ...scab, cause: 'fire-blight' }
  trees[9]!.open = true
  const r = sampleOf(trees, today)
  if (!r.ok) throw new Error(r.problem.message)
  expect(r.value.apart.map((t) => t.tag)).toEqual(['A9', 'A10'])
  expect(r.value.rest).toHaveLength(30)
})

test.each([
  ['too few', block(40, 3), /Examine 1 more/],
  ['none', block(40, 0), /at least 4/],
  ['long ago', block(40, 10, { ...scab, on: '2026-04-01' }), /last 60 days/],
  ['all of them', block(5, 5), /signed already/],
])('%s is refused', (_, trees, message) => {
  expect(sampleOf(trees, today)).toMatchObject({
    ok: false,
    problem: { field: 'block', message: expect.stringMatching(message) },
  })
})

test('where they differ too much, nothing is signed for the others', () => {
  const trees = block(40, 8)
  for (const n of [8, 9, 10]) trees[n]!.signed = { ...scab, action: 'care', cause: 'black-rot' }
  expect(sampleOf(trees, today)).toMatchObject({
    ok: false,
    problem: { message: expect.stringMatching(/8 of the 11/) },
  })
})

test('a few of a row stand evenly over it', () => {
  expect(spreadOver([1, 2, 3, 4, 5, 6, 7], 4)).toEqual([1, 2, 4, 6])
  expect(spreadOver([1, 2], 4)).toEqual([1, 2])
  expect(spreadOver([], 4)).toEqual([])
})

test('trees that were signed with the others were not looked at, and are not signed again', () => {
  const trees = block(40, 4)
  for (const tree of trees.slice(4, 38)) tree.signed = { ...scab, bySample: true }
  const r = sampleOf(trees, today)
  if (!r.ok) throw new Error(r.problem.message)
  expect([r.value.looked.length, r.value.rest.length]).toEqual([4, 2])
  // They do not make a sample of their own either.
  for (const tree of trees.slice(0, 4)) tree.signed = null
  expect(sampleOf(trees, today)).toMatchObject({
    ok: false,
    problem: { message: expect.stringMatching(/^0 of 40/) },
  })
})
