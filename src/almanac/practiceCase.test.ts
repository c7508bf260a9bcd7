import { causesOf } from '@/core/diagnose/weigh'
import { CAUSES, cause as causeOf } from './causes'
import { FINDING_BY_ID } from './findings'
import { withOwn } from './own'
import { bestPath, COMPOSED, practiceCase, scoreRun } from './practiceCase'

const composed = (id: string) => practiceCase(`composed:${id}`)!

test('every composed case can be solved by the best path, and its cause belongs to its tree', () => {
  for (const { id } of COMPOSED) {
    const one = composed(id)
    expect([id, causesOf(one.host, CAUSES).some((c) => c.id === one.cause)]).toEqual([id, true])
    expect([id, one.truth.get(one.complaint)]).toEqual([id, true])
    const path = bestPath(one)
    const run = scoreRun(
      one,
      path.map((s) => s.finding),
      one.cause,
      causeOf(one.cause)!.action,
    )
    expect([id, run.leading.cause]).toEqual([id, one.cause])
    expect([id, run.score]).toEqual([id, 100])
  }
})

test('a made case is the same for its number, shows its complaint, and never asks the laboratory', () => {
  for (let n = 1; n <= 60; n++) {
    const one = practiceCase(`made:${n}`)!
    expect(practiceCase(`made:${n}`)).toEqual(one)
    expect(one.truth.get(one.complaint)).toBe(true)
    expect([...one.truth.keys()].every((f) => FINDING_BY_ID.get(f)!.place !== 'lab')).toBe(true)
    expect(bestPath(one).length).toBeLessThanOrEqual(20)
  }
  for (const id of ['made:', 'made:x', 'made:1234567890', 'composed:no', ''])
    expect(practiceCase(id)).toBeNull()
})

test('a cause that was missed comes again in another dress, and only a cause that can', () => {
  const one = practiceCase('again:oak-wilt.3')!
  expect(practiceCase('again:oak-wilt.3')).toEqual(one)
  expect([one.cause, one.causes]).toEqual(['oak-wilt', ['oak-wilt']])
  expect(one.truth.get(one.complaint)).toBe(true)
  const kinds = new Set(Array.from({ length: 12 }, (_, n) => practiceCase(`again:oak-wilt.${n}`)!.host))
  expect(kinds.size).toBeGreaterThan(1)
  for (const id of ['again:no-such-cause.1', 'again:sooty-mould.1', 'again:oak-wilt', 'again:oak-wilt.x'])
    expect([id, practiceCase(id)]).toEqual([id, null])
})

test('a healthy tree is among the cases, and calling it so is right', () => {
  const numbers = Array.from({ length: 200 }, (_, n) => practiceCase(`made:${n + 1}`)!)
  const healthy = numbers.find((c) => c.causes.length === 0)!
  expect(healthy.cause).toBe('healthy')
  expect(scoreRun(healthy, [], 'healthy', 'none')).toMatchObject({ causeRight: true, actionRight: true })
  expect(numbers.some((c) => c.causes.length > 1)).toBe(true)
  const two = numbers.find((c) => c.causes.length === 2)!
  for (const id of two.causes) expect(scoreRun(two, [], id, 'wait').causeRight).toBe(true)
})

test('a wrong cause gets nothing for speed, the right one less for slowness', () => {
  const one = composed('ash-top')
  const best = bestPath(one).map((s) => s.finding)
  const slow = [...one.truth.keys()].slice(0, 30)
  expect(scoreRun(one, best, 'drought-stress', 'water-care').score).toBe(0)
  // The right class of work for the wrong cause; the clearwing calls for another.
  expect(scoreRun(one, best, 'clearwing-borer', 'protect-systemic').score).toBe(20)
  const late = scoreRun(one, slow, 'emerald-ash-borer', 'protect-systemic').score
  expect(late).toBeGreaterThan(80)
  expect(late).toBeLessThan(100)
  expect(scoreRun(one, best, 'emerald-ash-borer', 'wait').score).toBe(80)
})

test('a firm practises its own cause, on its own kind of tree too, and is scored by it', () => {
  const almanac = withOwn([
    {
      kind: 'cause',
      id: 'own-quay-blight-2',
      name: 'Quay blight 2',
      hosts: ['own-quay-palm'],
      findings: { 'leaf-spots-target': 'always', 'leaf-drop-early': 'usual' },
      oneLine: 'Ringed spots by the quay.',
      act: 'Rake it.',
      doNot: 'Do not spray.',
    },
  ])
  const id = 'again:own-quay-blight-2.3'
  const one = practiceCase(id, almanac)!
  expect(one).toMatchObject({ host: 'own-quay-palm', causes: ['own-quay-blight-2'] })
  expect(practiceCase(id)).toBeNull()
  const path = bestPath(one, almanac).map((s) => s.finding)
  expect(scoreRun(one, path, 'own-quay-blight-2', 'wait', almanac)).toMatchObject({
    causeRight: true,
    actionRight: true,
    leading: { cause: 'own-quay-blight-2' },
  })
})
