import { toSI } from '../quantity/units'
import { groundLimit, refusedByGround } from './ground'

const lb = (n: number) => toSI(n, 'lb')
const perAcre = lb(0.4) / toSI(1, 'acre')
const use = { active: 'imidacloprid', applied: lb(0.3), others: lb(0.06), planned: lb(0.04) }
const limit = groundLimit(perAcre, toSI(1.5, 'acre'), use)

test('0.4 lb an acre on an acre and a half, less all that counts', () => {
  expect(limit.allowed).toBeCloseTo(lb(0.6), 12)
  expect(limit.left).toBeCloseTo(lb(0.2), 12)
})
test('what fits to the last grain is not refused', () => {
  expect(refusedByGround(lb(0.2), limit, use, '2026', 'us')).toBeNull()
  expect(refusedByGround(lb(0.1) + lb(0.1), limit, use, '2026', 'us')).toBeNull()
})
test('what goes beyond says who put how much on', () => {
  const refused = refusedByGround(lb(0.21), limit, use, '2026', 'us')
  expect(refused).toMatchObject({
    ok: false,
    problem: {
      code: 'over-label',
      field: 'limit',
      message: expect.stringMatching(
        /0\.21 lb of imidacloprid.*0\.2 lb.*2026.*0\.3 lb put on, 0\.06 lb by others, 0\.04 lb planned/,
      ),
    },
  })
})
test('a limit that is passed already leaves nothing, and says so', () => {
  const past = groundLimit(perAcre, toSI(0.5, 'acre'), use)
  expect(past.left).toBeLessThan(0)
  expect(refusedByGround(lb(0.001), past, { ...use, others: 0, planned: 0 }, '2026', 'metric')).toMatchObject(
    {
      problem: { message: expect.stringContaining('more than the 0 kg') },
    },
  )
})
