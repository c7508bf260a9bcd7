import { dueStops, SET_OUT_MINUTES, stopsOf, type OpenWork } from './stop'

let n = 0
const work = (more: Partial<OpenWork>): OpenWork => {
  n += 1
  return {
    id: `w${String(n).padStart(3, '0')}`,
    jobId: 'job',
    siteId: 'site',
    onDate: '2026-06-15',
    crewId: null,
    place: null,
    pinned: false,
    prescriptionId: 'rx',
    treeId: `t${n}`,
    tag: `Elm ${n}`,
    block: null,
    useId: 'use',
    method: 'prune',
    cardName: 'Cut out',
    licence: false,
    minutes: 60,
    begun: false,
    dueFrom: null,
    dueTo: '2026-06-15',
    anew: false,
    ...more,
  }
}
beforeEach(() => {
  n = 0
})
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('the work of jobs as stops', () => {
  test('what one prescription asks of a job goes together, and what others ask by the same cards with it', () => {
    const stops = stopsOf(
      [
        work({ treeId: 'a', useId: 'band' }),
        work({ treeId: 'a', useId: 'hands', method: 'hands', licence: true, minutes: 20 }),
        work({ prescriptionId: 'rx2', treeId: 'b', useId: 'hands', method: 'hands' }),
        work({ prescriptionId: 'rx2', treeId: 'b', useId: 'band' }),
        work({ prescriptionId: 'rx3', treeId: 'c', useId: 'band' }),
      ],
      { longest: 480 },
    )
    expect(stops.map((s) => [s.trees, s.minutes, s.licence, s.methods])).toEqual([
      [2, SET_OUT_MINUTES + 200, true, ['prune', 'hands']],
      [1, SET_OUT_MINUTES + 60, false, ['prune']],
    ])
  })

  test('blocks, jobs and what is begun are apart', () => {
    const stops = stopsOf(
      [work({ block: 'A' }), work({ block: 'B' }), work({ jobId: 'other' }), work({ begun: true }), work({})],
      { longest: 480 },
    )
    expect(stops).toHaveLength(5)
    expect(stops.map((s) => s.begun)).toEqual([false, false, false, true, false])
  })

  test('a stop longer than a day is cut between trees into parts about as long, with no tree lost and none cut', () => {
    const works = Array.from({ length: 21 }, (_, i) => [
      work({ treeId: `t${i}`, tag: `Elm ${i}`, minutes: 40 }),
      work({ treeId: `t${i}`, tag: `Elm ${i}`, useId: 'other', minutes: 20 }),
    ]).flat()
    const stops = stopsOf(works, { longest: 480 })
    expect(stops).toHaveLength(3)
    expect(sum(stops.map((s) => s.trees))).toBe(21)
    expect(new Set(stops.flatMap((s) => s.subjects)).size).toBe(42)
    for (const s of stops) {
      expect(s.minutes).toBeLessThanOrEqual(480)
      expect(s.trees).toBe(7)
      // Both works of a tree are in the same part.
      expect(s.subjects).toHaveLength(14)
    }
    expect(new Set(stops.map((s) => s.id)).size).toBe(3)
  })

  test('one tree that takes longer than a day stays one stop, and work of no minutes too', () => {
    expect(stopsOf([work({ minutes: 900 })], { longest: 480 })).toHaveLength(1)
    expect(stopsOf([work({ minutes: 0 }), work({ minutes: 0 })], { longest: 480 })).toHaveLength(1)
    expect(
      stopsOf(
        Array.from({ length: 30 }, () => work({})),
        { longest: Infinity },
      ),
    ).toHaveLength(1)
  })

  test('a stop is due when the first of its work is, not before the last of it may be, and kept when any of it is', () => {
    const [stop] = stopsOf(
      [
        work({ dueFrom: '2026-06-10', dueTo: '2026-06-20' }),
        work({ dueFrom: '2026-06-12', dueTo: '2026-06-19', pinned: true }),
      ],
      { longest: 480 },
    )
    expect(stop).toMatchObject({ dueFrom: '2026-06-12', dueTo: '2026-06-19', pinned: true })
  })

  test('the same trees make the same stop in whatever order they come', () => {
    const works = Array.from({ length: 12 }, () => work({}))
    const ids = (list: OpenWork[]) => stopsOf(list, { longest: 300 }).map((s) => [s.id, s.subjects])
    expect(ids([...works].reverse())).toEqual(ids(works))
  })
})

test('what is due again is a stop on no day', () => {
  const due = {
    occurrenceId: 'o',
    siteId: 's',
    blocks: ['Bank A'],
    useId: 'u',
    method: 'crown-spray' as const,
    cardName: 'Cover',
    licence: true,
    trees: 6,
    minutes: 24,
    dueFrom: '2026-06-16',
    dueTo: '2026-06-19',
    replaced: false,
  }
  expect(dueStops([due])[0]).toMatchObject({
    id: 'o',
    onDate: null,
    crewId: null,
    block: 'Bank A',
    minutes: 34,
    trees: 6,
    anew: 0,
  })
  // By a card that was replaced none of it is done any more.
  expect(dueStops([{ ...due, replaced: true }])[0]!.anew).toBe(6)
})

test('a stop says at how many of its trees the dose must be worked out again, each once', () => {
  const works = [
    work({ treeId: 't1', anew: true }),
    work({ treeId: 't1', anew: true }),
    work({ treeId: 't2' }),
    work({ treeId: 't3', anew: true }),
  ]
  expect(stopsOf(works, { longest: 300 }).map((s) => [s.trees, s.anew])).toEqual([[3, 2]])
})
