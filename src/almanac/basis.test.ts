import { CAUSES } from './causes'
import { withOwn } from './own'
import type { OwnEntry } from './ownEntry'
import { COMMON, weighTree } from './weighing'
import { basisOf, changedSince } from '@/core/diagnose/basis'

const SEEN = { 'leaf-sticky': 'there', 'leaf-black-film': 'there', 'ants-trail': 'not-there' } as const

/** What was signed on a linden in June by the printed almanac, beside the almanac of a firm with entries of its own. */
function since(own: readonly OwnEntry[]) {
  const then = weighTree('linden', 6, SEEN).weighed
  const almanac = withOwn(own)
  const now = weighTree('linden', 6, SEEN, almanac).weighed
  return changedSince(
    basisOf(then, SEEN, COMMON),
    SEEN,
    almanac,
    now,
    then.map((w) => w.cause),
  )
}

test('nothing has changed where nothing has', () => {
  expect(since([])).toEqual([])
})

test('a frequency is told where it bears on what was looked at, and not elsewhere', () => {
  expect(since([{ kind: 'frequency', cause: 'aphids', finding: 'leaf-sticky', often: 'always' }])).toEqual([
    { cause: 'aphids', about: 'often', finding: 'leaf-sticky', was: 'usual', now: 'always' },
  ])
  expect(since([{ kind: 'frequency', cause: 'aphids', finding: 'crown-thin-top', often: 'always' }])).toEqual(
    [],
  )
})

test('what is known in the district now is commoner than it was', () => {
  const { prior } = CAUSES.find((c) => c.id === 'aphids')!
  expect(since([{ kind: 'district', cause: 'aphids' }])).toEqual([
    { cause: 'aphids', about: 'common', was: prior, now: prior * 3 },
  ])
})

test('a cause that was not known then and counts now is new; one that is known no more is gone', () => {
  const own: OwnEntry = {
    kind: 'cause',
    id: 'own-quay-scale',
    name: 'Quay scale',
    hosts: ['linden'],
    findings: { 'leaf-sticky': 'always', 'leaf-black-film': 'usual' },
    oneLine: 'A scale by the quay.',
    act: 'Wash it off.',
    doNot: 'Do not spray.',
  }
  expect(since([own])).toEqual([{ cause: 'own-quay-scale', about: 'new' }])
  const almanac = withOwn([own])
  const then = weighTree('linden', 6, SEEN, almanac).weighed
  const gone = changedSince(
    basisOf(then, SEEN, almanac),
    SEEN,
    COMMON,
    weighTree('linden', 6, SEEN).weighed,
    then.map((w) => w.cause),
  )
  expect(gone).toEqual([{ cause: 'own-quay-scale', about: 'gone' }])
})
