import { checkDetail, detailWords, type FindingDetail } from './detail'

test.each([
  [{}, ''],
  [{ amount: 'much', bearing: 180 }, 'much, on the south side (180°)'],
  [{ bearing: 350 }, 'on the north side (350°)'],
  [{ count: 23, sample: { size: 10, of: 'leaves' } }, '23 on 10 leaves'],
  [{ amount: 'little', words: 'only below the wall' }, 'little, only below the wall'],
] as [FindingDetail, string][])('%j in words', (detail, words) => {
  expect(checkDetail(detail).ok).toBe(true)
  expect(detailWords(detail)).toBe(words)
})

test.each([
  [{ bearing: -1 }, 'bearing'],
  [{ bearing: 361 }, 'bearing'],
  [{ count: 5 }, 'sample'],
  [{ count: -1, sample: { size: 1, of: 'x' } }, 'count'],
  [{ count: 1.5, sample: { size: 1, of: 'x' } }, 'count'],
  [{ sample: { size: 0, of: 'leaves' } }, 'sample'],
  [{ sample: { size: 10, of: ' ' } }, 'sample'],
] as [FindingDetail, string][])('%j is refused at %s', (detail, field) => {
  expect(checkDetail(detail)).toMatchObject({ ok: false, problem: { field } })
})
