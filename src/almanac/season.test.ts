import { CAUSES } from './causes'
import { HOSTS } from './hosts'
import { phenologyOf, TARGETS } from './season'

const causes = new Map(CAUSES.map((c) => [c.id, c]))
const hosts = new Set(HOSTS.map((h) => h.id))

test.each(TARGETS.map((t) => [t.id, t] as const))(
  '%s names causes and kinds that there are, and a stretch',
  (_, t) => {
    expect(t.causes.filter((c) => !causes.has(c))).toEqual([])
    expect(t.hosts.filter((h) => !hosts.has(h))).toEqual([])
    // A kind that none of its causes is known from would be watched for nothing.
    const on = t.causes.map((c) => causes.get(c)!.hosts)
    expect(t.hosts.filter((h) => !on.some((o) => o === '*' || o.includes(h)))).toEqual([])
    expect(t.from).toBeGreaterThan(0)
    expect(t.to).toBeGreaterThan(t.from)
  },
)

test('what is counted from another names one that is counted from the year', () => {
  const since = TARGETS.flatMap((t) => (t.since === undefined ? [] : [t.since]))
  expect(since.length).toBeGreaterThan(0)
  for (const id of since) {
    const first = TARGETS.find((t) => t.id === id)!
    expect(first.since).toBeUndefined()
  }
})

test('ids are used once', () => {
  expect(new Set(TARGETS.map((t) => t.id)).size).toBe(TARGETS.length)
})

test('stages follow one another, with sums that rise', () => {
  for (const host of hosts) {
    const { stages } = phenologyOf(host) ?? { stages: [] }
    stages.forEach((s, i) => {
      expect(s.high).toBeGreaterThan(s.low)
      if (i > 0) expect(s.low).toBeGreaterThan(stages[i - 1]!.high)
    })
  }
  // Apple blooms from 372 above 43 °F, peach ten days before it.
  expect(phenologyOf('apple')!.stages.find((s) => s.stage === 'bloom')!.low * 1.8).toBeCloseTo(372, 9)
  expect(phenologyOf('peach')!.daysBefore).toBe(10)
  expect(phenologyOf('elm')).toBeUndefined()
})
