import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID, FINDINGS } from '@/almanac/findings'
import { HOSTS } from '@/almanac/hosts'
import type { FindingState, Seen } from './almanac'
import { judgeHealthy } from './healthy'
import { causesOf } from './weigh'

const judged = (host: string, seen: Seen) =>
  judgeHealthy({ host, month: 6, seen, causes: CAUSES, findings: FINDING_BY_ID })

/** Everything a cause of the kind makes, looked at and not there. */
const nothingOn = (host: string): Record<string, FindingState> =>
  Object.fromEntries(
    [...new Set(causesOf(host, CAUSES).flatMap((c) => Object.keys(c.findings)))].map((f) => [f, 'not-there']),
  )

test.each(HOSTS.map((h) => h.id))('%s on which nothing was found is signed without a reason', (host) => {
  const seen = nothingOn(host)
  // A kind whose causes are not sought in one of the places is looked at there all the same.
  for (const place of ['crown', 'trunk', 'base'])
    seen[FINDINGS.find((f) => f.place === place && !f.unsafe)!.id] ??= 'not-there'
  const { chance, doubts } = judged(host, seen)
  expect([host, doubts]).toEqual([host, []])
  expect(chance).toBeGreaterThan(0.8)
})

test('a telling sign makes it doubtful', () => {
  const { chance, doubts } = judged('ash', {
    'exit-hole-d': 'there',
    'crown-thin-top': 'there',
    'mulch-piled': 'not-there',
  })
  expect(chance).toBeLessThan(0.2)
  expect(doubts.join(' ')).toMatch(/explained better by a cause/)
  // Where nothing else fits, the sign itself still asks for a word.
  const lone = judged('ash', { ...nothingOn('ash'), 'exit-hole-d': 'there' })
  expect(lone.doubts.join(' ')).toMatch(/seldom show this: .*d-shaped/i)
})

test('a place nobody looked at is named', () => {
  const { doubts } = judged('ash', { 'crown-thin-top': 'not-there' })
  expect(doubts[0]).toBe('Nobody has looked at the trunk and the foot of the trunk in this examination.')
})

test('unsure is neither; a sign of danger is no healthy tree', () => {
  const few = judged('ash', { 'crown-thin-top': 'unsure' })
  expect(few.chance).toBeLessThan(judged('ash', { 'crown-thin-top': 'not-there' }).chance)
  expect(judged('ash', { 'anchor-root-soft': 'there' }).unsafe).toHaveLength(1)
})
