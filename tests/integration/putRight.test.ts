import { inFirm } from '@/db/client'
import { holesOfTree } from '@/db/queries/ring'
import { readingsOfTree } from '@/db/queries/reading'
import { treeById } from '@/db/queries/tree'
import { historyOf } from '@/server/read/history'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  problemOf,
  recordedAsh,
  runAsh,
  type TestFirm,
  uuidv7,
  otherwise,
} from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Put-right firm')
  // A garden wall gives the plan its size: 60 m by 40 m.
  await inFirm(
    firm.id,
    (sql) => sql`insert into site_feature (id, firm_id, site_id, kind, geometry)
      values (${uuidv7()}, ${firm.id}, ${firm.site}, 'boundary',
        ${sql.json({
          type: 'Polygon',
          coordinates: [
            [
              [0, 0],
              [60, 0],
              [60, 40],
              [0, 40],
              [0, 0],
            ],
          ],
        })})`,
  )
})
afterAll(() => closePool())

const tree = (id: string) => inFirm(firm.id, (sql) => treeById(sql, id)).then((t) => t!)
const history = (id: string) => {
  const person = firm.person('arborist')
  return inFirm(firm.id, (sql) => historyOf({ sql, person }, id))
}
const trees = async () =>
  (
    await inFirm(firm.id, (sql) => sql<{ n: number }[]>`select trees as n from site where id = ${firm.site}`)
  )[0]!.n

describe('a place', () => {
  test('far beyond the plan is asked about when a tree is added and when it is moved, and kept when answered', async () => {
    const far = {
      id: uuidv7(),
      siteId: firm.site,
      tag: 'P-1',
      host: 'ash',
      eastM: 500,
      northM: 10,
      note: null,
    }
    expect(await problemOf(firm.person('office'), 'add-tree', far)).toMatchObject({
      code: 'doubt',
      field: 'far',
      message: expect.stringMatching(/^This is 1,444 ft east of everything else/),
    })
    await done(firm.person('office'), 'add-tree', { ...far, accepted: ['far'] })
    // The tree that lies far off does not hide itself from the question.
    const t = await tree(far.id)
    const move = { treeId: t.id, version: t.version, eastM: 480, northM: 10 }
    expect(await problemOf(firm.person('office'), 'move-tree', move)).toMatchObject({ code: 'doubt' })
    await done(firm.person('office'), 'move-tree', { ...move, eastM: 50 })
    expect(await tree(far.id)).toMatchObject({ eastM: 50, northM: 10, version: t.version + 1 })
    expect(await problemOf(firm.person('office'), 'move-tree', { ...move, eastM: 51 })).toMatchObject({
      code: 'conflict',
      field: 'version',
    })
    expect((await history(far.id)).map((e) => e.title)).toContain('Moved on the plan')
  })
})

describe('a reading', () => {
  test('that is struck out rests no dose any more and stays to be read', async () => {
    const id = await makeAsh(firm, 'R-1')
    const slip = uuidv7()
    await done(firm.person('technician', new Date(NOON.getTime() + 3_600_000)), 'add-reading', {
      id: slip,
      treeId: id,
      tape: 'diameter',
      bareUnit: 'in',
      stems: ['52'],
      accepted: ['girth-as-diameter'],
    })
    expect((await tree(id)).diameterM).toBeCloseTo(1.3208, 6)
    const strike = { treeId: id, readingId: slip, words: 'was the girth' }
    expect(await problemOf(firm.person('technician'), 'strike-reading', strike)).toMatchObject({
      field: 'role',
    })
    expect(
      await problemOf(firm.person('arborist'), 'strike-reading', { ...strike, words: 'x' }),
    ).toMatchObject({
      field: 'words',
    })
    await done(firm.person('arborist'), 'strike-reading', strike)
    expect((await tree(id)).diameterM).toBeCloseTo(1.3208 / Math.PI, 6)
    expect(await inFirm(firm.id, (sql) => readingsOfTree(sql, id))).toHaveLength(1)
    expect((await history(id)).find((e) => e.struck)).toMatchObject({
      title: '52 in by diameter tape',
      detail: 'struck out by arborist: was the girth',
    })
    expect(await problemOf(firm.person('arborist'), 'strike-reading', strike)).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/^arborist has struck/),
    })
  })

  test('of another tree, or one a dose with the crew rests on, is not struck out', async () => {
    const run = await runAsh(firm, 'R-2')
    const other = await makeAsh(firm, 'R-3')
    const reading = (await inFirm(firm.id, (sql) => readingsOfTree(sql, run.treeId)))[0]!
    const strike = { treeId: run.treeId, readingId: reading.id, words: 'wrong tape' }
    expect(await problemOf(firm.person('arborist'), 'strike-reading', strike)).toMatchObject({
      code: 'not-allowed',
      message: expect.stringMatching(/with the crew for 12 Jun 2026/),
    })
    expect(
      await problemOf(firm.person('arborist'), 'strike-reading', { ...strike, treeId: other }),
    ).toMatchObject({ code: 'unknown', field: 'readingId' })
  })

  test('the last one struck out leaves the tree unmeasured, and no dose can be signed', async () => {
    const decided = await decideAsh(firm, 'R-4')
    const reading = (await inFirm(firm.id, (sql) => readingsOfTree(sql, decided.treeId)))[0]!
    await done(firm.person('arborist'), 'strike-reading', {
      treeId: decided.treeId,
      readingId: reading.id,
      words: 'another tree',
    })
    expect((await tree(decided.treeId)).diameterM).toBeNull()
    expect(await problemOf(firm.person('arborist'), 'hand-to-crew', decided.prescription)).toMatchObject({
      code: 'missing',
      field: 'reading',
    })
  })
})

describe('a tree', () => {
  test('that is gone takes no more work, frees its tag, and can be put back with what was promised', async () => {
    const recorded = await recordedAsh(firm, 'G-1')
    const before = await trees()
    const { version } = await tree(recorded.treeId)
    const gone = { treeId: recorded.treeId, version, words: 'felled in the storm' }
    expect(await problemOf(firm.person('office'), 'remove-tree', gone)).toMatchObject({ field: 'role' })
    expect(await problemOf(firm.person('crew lead'), 'remove-tree', { ...gone, version: 1 })).toMatchObject({
      field: 'version',
    })
    await done(firm.person('crew lead'), 'remove-tree', gone)
    expect(await trees()).toBe(before - 1)
    for (const [verb, input] of [
      [
        'add-reading',
        { id: uuidv7(), treeId: recorded.treeId, tape: 'girth', bareUnit: 'in', stems: ['52'] },
      ],
      [
        'set-finding',
        { treeId: recorded.treeId, assessmentId: uuidv7(), finding: 'exit-hole-d', state: 'there' },
      ],
      ['save-ring', { treeId: recorded.treeId, version: version + 1, marks: [] }],
      ['move-tree', { treeId: recorded.treeId, version: version + 1, eastM: 1, northM: 1 }],
      ['remove-tree', { ...gone, version: version + 1 }],
      ['confirm-identity', { treeId: recorded.treeId, host: 'ash' }],
    ] as const)
      expect([verb, await problemOf(firm.person('arborist'), verb, input)]).toMatchObject([
        verb,
        {
          code: 'conflict',
          message: expect.stringMatching(/was taken from the trees of this site on 12 Jun/),
        },
      ])
    const promised = () =>
      inFirm(
        firm.id,
        (sql) => sql<{ done: boolean; dropped: string | null }[]>`
          select done, dropped from follow_up where tree_id = ${recorded.treeId} order by due_on`,
      )
    expect((await promised()).length).toBeGreaterThan(0)
    expect((await promised()).every((p) => p.done && p.dropped === 'felled in the storm')).toBe(true)

    const second = await makeAsh(firm, 'G-1')
    expect(
      await problemOf(firm.person('arborist'), 'stand-again', { treeId: recorded.treeId }),
    ).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/has gone to another tree/),
    })
    const two = await tree(second)
    await done(firm.person('arborist'), 'change-tree', {
      treeId: second,
      version: two.version,
      tag: 'G-2',
      host: 'ash',
      note: null,
      liveCrownPercent: 80,
    })
    await done(firm.person('arborist'), 'stand-again', { treeId: recorded.treeId })
    expect((await promised()).every((p) => !p.done && p.dropped === null)).toBe(true)
    expect(await trees()).toBe(before + 1)
    expect((await history(recorded.treeId)).map((e) => e.title)).toEqual(
      expect.arrayContaining(['Taken from the list', 'Put back on the list']),
    )
  })

  test('with the crew stays until the work is taken back', async () => {
    const run = await runAsh(firm, 'G-3')
    const { version } = await tree(run.treeId)
    expect(
      await problemOf(firm.person('arborist'), 'remove-tree', {
        treeId: run.treeId,
        version,
        words: 'felled',
      }),
    ).toMatchObject({ code: 'not-allowed', message: expect.stringMatching(/is with the crew for 12 Jun/) })
    expect(
      await problemOf(firm.person('arborist'), 'merge-trees', { treeId: run.treeId, version, into: 'R-1' }),
    ).toMatchObject({ code: 'not-allowed' })
  })

  test('listed twice: holes, doses and history of both count for the one that stays', async () => {
    const treated = await recordedAsh(firm, 'M-1')
    const other = await decideAsh(firm, 'M-2')
    const listed = await tree(treated.treeId)
    const merge = { treeId: listed.id, version: listed.version, into: 'm-2' }
    expect(await problemOf(firm.person('crew lead'), 'merge-trees', merge)).toMatchObject({ field: 'role' })
    expect(await problemOf(firm.person('arborist'), 'merge-trees', { ...merge, into: 'M-9' })).toMatchObject({
      code: 'unknown',
      field: 'into',
    })
    expect(await problemOf(firm.person('arborist'), 'merge-trees', { ...merge, into: 'M-1' })).toMatchObject({
      field: 'into',
    })
    expect(await done(firm.person('arborist'), 'merge-trees', merge)).toEqual({
      treeId: other.treeId,
      tag: 'M-2',
    })
    expect(
      (await inFirm(firm.id, (sql) => holesOfTree(sql, other.treeId))).map((h) => h.bearings.length),
    ).toEqual([9])
    expect((await history(other.treeId)).some((e) => e.what === 'record')).toBe(true)
    // A second full dose would be above the label's most: what went in under the other listing counts.
    expect(
      await problemOf(firm.person('arborist'), 'hand-to-crew', {
        ...otherwise(other.prescription, {
          choice: 1,
          given: { bearings: [20, 60, 100, 140, 180, 220, 260, 300, 340] },
        }),
      }),
    ).toMatchObject({ message: expect.stringMatching(/at work in this tree/) })
    await done(firm.person('arborist'), 'stand-again', { treeId: listed.id })
    expect(await inFirm(firm.id, (sql) => holesOfTree(sql, other.treeId))).toHaveLength(0)
  })

  test('of two kinds is asked about before it is merged; a third listing follows', async () => {
    const a = await makeAsh(firm, 'K-1')
    const b = await makeAsh(firm, 'K-2')
    const c = await makeAsh(firm, 'K-3')
    const arborist = firm.person('arborist')
    const merge = async (from: string, into: string, accepted: string[] = []) =>
      act(arborist, 'merge-trees', { treeId: from, version: (await tree(from)).version, into, accepted })
    await merge(a, 'K-2')
    await done(arborist, 'change-tree', {
      treeId: b,
      version: (await tree(b)).version,
      tag: 'K-2',
      host: 'maple',
      note: null,
      liveCrownPercent: null,
    })
    expect(await merge(b, 'K-3')).toMatchObject({ problem: { code: 'doubt', field: 'kinds' } })
    expect(await merge(b, 'K-3', ['kinds'])).toMatchObject({ ok: true })
    expect((await tree(a)).mergedInto).toBe(c)
    expect((await history(c)).filter((e) => e.what === 'reading')).toHaveLength(3)
  })

  test('tells in its history what it was taken for, what was changed, and when it was examined', async () => {
    const decided = await decideAsh(firm, 'H-1')
    const said = (await history(decided.treeId)).map((e) => `${e.what}: ${e.title}, ${e.detail}`)
    expect(said).toEqual(
      expect.arrayContaining([
        'change: Kind confirmed: ash, ',
        expect.stringMatching(/^change: Changed, live crown, % nothing → 80$/),
        'examination: 2 findings looked at, 2 there, signed with its cause',
      ]),
    )
  })
})
