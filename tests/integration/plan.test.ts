import { inFirm } from '@/db/client'
import { addCard, addLot } from '@/db/queries/card'
import { toWorkOutAgain } from '@/db/queries/anew'
import { subjectsOfJob } from '@/db/queries/job'
import { featuresOfSite, groundOfSite, planSteps } from '@/db/queries/plan'
import { siteById } from '@/db/queries/site'
import { treeById } from '@/db/queries/tree'
import { toSI } from '@/core/quantity/units'
import { keepPlanPicture, readPlanPicture } from '@/server/plan/picture'
import sharp from 'sharp'
import { CARDS } from '../../demo/cards'
import {
  act,
  closePool,
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  problemOf,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What is drawn on a plan bears on what may be signed and begun, and every change of it is undone. */

let firm: TestFirm
const drench = uuidv7()
const arborist = () => firm.person('arborist')
const tech = () => firm.person('technician', new Date(NOON.getTime() + 3_600_000))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const site = () => rows((sql) => siteById(sql, firm.site)).then((s) => s!)
const drawn = () => rows((sql) => featuresOfSite(sql, firm.site))
const steps = () => rows((sql) => planSteps(sql, firm.site, 50))
const marked = () =>
  rows((sql) => toWorkOutAgain(sql, 50, firm.site)).then((all) => all.map((t) => `${t.tag} ${t.anew}`))
const ACRE = toSI(1, 'acre')

const box = (west: number, south: number, east: number, north: number) => ({
  type: 'Polygon',
  coordinates: [
    [
      [west, south],
      [east, south],
      [east, north],
      [west, north],
    ],
  ],
})
const spot = (east: number, north: number) => ({ type: 'Point', coordinates: [east, north] })
const outline = (kind: string, geometry: unknown, more: object = {}) => ({
  id: uuidv7(),
  kind,
  name: null,
  setback: null,
  geometry,
  ...more,
})
const draw = (...outlines: ReturnType<typeof outline>[]) =>
  done<{ areaM2: number | null }>(arborist(), 'draw-outlines', { siteId: firm.site, outlines })
const undo = (stepId: string) => problemOf(arborist(), 'undo-plan-step', { stepId })
const undoNewest = async () => undo((await steps())[0]!.id)

interface Hemlock {
  treeId: string
  decisionId: string
}
async function hemlock(tag: string, eastM: number): Promise<Hemlock> {
  const treeId = await measuredTree(firm, {
    tag,
    host: 'hemlock',
    inches: `${12 * Math.PI}`.slice(0, 8),
    eastM,
  })
  const decisionId = await decideTree(arborist(), treeId, {
    seen: { 'needle-wool-base': 'there', 'needle-grey-thin': 'there' },
    cause: 'hemlock-woolly-adelgid',
    action: 'treat',
    words: 'the owner wants it kept',
  })
  return { treeId, decisionId }
}
const forAll = (trees: readonly Hemlock[]) => ({
  id: uuidv7(),
  items: [{ useId: drench, choice: 1, subjects: trees.map((t) => ({ ...t, given: {} })) }],
  onDate: '2026-06-12',
})
const sign = (trees: readonly Hemlock[]) => problemOf(arborist(), 'hand-to-crew', forAll(trees))
/** What closes the beginning of work at trees; null where all are begun. */
async function begin(jobSubjectIds: string[]): Promise<string | null> {
  const begun = await act(tech(), 'begin-work', {
    jobSubjectIds,
    gear: true,
    noBloom: true,
    otherDay: true,
    seen: { soil: 'moist' },
  })
  if (!begun.ok) return begun.problem.message
  return (begun.value as { closed: string[] }).closed[0] ?? null
}

beforeAll(async () => {
  firm = await makeFirm('Drawn firm')
  const card = CARDS.find((c) => c.card.code === 'SD2')!.card
  await rows(async (sql) => {
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card,
      useIds: [drench, uuidv7()],
      at: NOON,
      by: null,
    })
    await addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'SD2', number: 'SD2-1', expiresOn: null })
    await sql`update site set water_said_at = null, water_said_by = null where id = ${firm.site}`
  })
})
afterAll(() => closePool())

describe('water and wells', () => {
  let tree: Hemlock
  beforeAll(async () => {
    tree = await hemlock('Hem 1', 2)
    await done(arborist(), 'set-area', { siteId: firm.site, area: '5 acre' })
  })

  test('where nobody has said anything of them, nothing is signed that keeps a distance', async () => {
    expect(await sign([tree])).toMatchObject({
      code: 'missing',
      field: 'water',
      message: expect.stringMatching(/Nobody has said where water and wells lie at Drawn firm site/),
    })
  })

  test('a well too near closes it; taken back the question stands again; said, it goes', async () => {
    await draw(outline('well', spot(4, 0), { name: 'old well' }))
    expect(await sign([tree])).toMatchObject({
      message: expect.stringMatching(/Old well at 7 ft: the card keeps 25 ft/),
    })
    expect(await undoNewest()).toBeNull()
    expect(await sign([tree])).toMatchObject({ field: 'water' })
    await done(firm.person('crew lead'), 'say-water', { siteId: firm.site, said: true })
    expect(await sign([tree])).toBeNull()
  })

  test('a well that is drawn after the hand-over marks the work and closes its beginning; gone, it may begin', async () => {
    const jobs = await rows((sql) => sql<{ id: string }[]>`select id from job where site_id = ${firm.site}`)
    const subjects = await rows((sql) => subjectsOfJob(sql, jobs[0]!.id))
    await draw(outline('well', spot(4, 0)))
    expect(await marked()).toEqual(['Hem 1 rule'])
    expect(await begin(subjects.map((s) => s.id))).toMatch(/Well at 7 ft/)
    expect(await undoNewest()).toBeNull()
    expect(await marked()).toEqual([])
    await done(arborist(), 'hand-back', { jobSubjectIds: subjects.map((s) => s.id), words: 'seen enough' })
  })

  test('a tree that nobody has put on the plan is put there first, where distances are kept', async () => {
    const beside = await hemlock('Hem 2', 90)
    await rows((sql) => sql`update tree set placed = false where id = ${beside.treeId}`)
    await draw(
      outline(
        'water',
        {
          type: 'LineString',
          coordinates: [
            [200, 0],
            [200, 50],
          ],
        },
        { name: 'brook' },
      ),
    )
    expect(await sign([beside])).toMatchObject({
      field: 'water',
      message: expect.stringMatching(/Hem 2 is not on the plan .* Put it where it stands first/),
    })
    const version = (await rows((sql) => treeById(sql, beside.treeId)))!.version
    await done(arborist(), 'move-tree', {
      treeId: beside.treeId,
      version,
      eastM: 90,
      northM: 1,
      accepted: ['far'],
    })
    expect(await sign([beside])).toBeNull()
    // Moved to the brook, the crew is told.
    await done(arborist(), 'move-tree', {
      treeId: beside.treeId,
      version: version + 1,
      eastM: 199,
      northM: 1,
      accepted: ['far'],
    })
    expect(await marked()).toEqual(['Hem 2 rule'])
    expect(await undoNewest()).toBeNull()
    expect(await marked()).toEqual([])
    expect(await rows((sql) => treeById(sql, beside.treeId))).toMatchObject({
      eastM: 90,
      northM: 1,
      placed: true,
    })
    // And once more: beside the plan again.
    const moved = (await steps()).find((s) => s.what === 'tree' && s.of === beside.treeId)!
    expect(await undo(moved.id)).toBeNull()
    expect(await rows((sql) => treeById(sql, beside.treeId))).toMatchObject({ placed: false })
  })
})

describe('what is kept clear', () => {
  test('a hive says how far, and closes what is poured or sprayed within it, not what stays in the tree', async () => {
    const tree = await hemlock('Hem 3', 60)
    expect(
      await problemOf(arborist(), 'draw-outlines', {
        siteId: firm.site,
        outlines: [outline('hive', spot(60, 20))],
      }),
    ).toMatchObject({
      code: 'missing',
      field: 'outlines[0].setback',
    })
    await draw(outline('hive', spot(60, 20), { setback: '100 ft' }))
    expect(await sign([tree])).toMatchObject({
      message: expect.stringMatching(/Hive at 66 ft: the plan keeps 100 ft from it/),
    })
    const hive = (await drawn()).find((f) => f.kind === 'hive')!
    const change = {
      outlineId: hive.id,
      version: hive.version,
      kind: 'hive',
      name: 'Orrin’s hive',
      geometry: spot(60, 20),
    }
    await done(arborist(), 'change-outline', { ...change, setback: '50' })
    expect(await sign([tree])).toBeNull()
    expect(await problemOf(arborist(), 'change-outline', { ...change, setback: '60 ft' })).toMatchObject({
      code: 'conflict',
    })
  })

  test.each([
    [
      outline('building', box(0, 0, 5, 5), { setback: '10 ft' }),
      'setback',
      /No distance is kept from building/,
    ],
    [outline('well', spot(0, 0), { setback: '9 miles' }), 'setback', /./],
    [outline('well', spot(0, 0), { setback: '-3 ft' }), 'setback', /more than zero/],
    [outline('ground', spot(0, 0)), 'geometry', /drawn as an area/],
    [outline('ground', { type: 'Polygon', coordinates: 'x' }), 'geometry', /no outline/],
    [outline('moat', spot(0, 0)), 'kind', /choose one of the list/],
  ])('%j is refused beside its field', async (wrong, field, said) => {
    const refused = await problemOf(arborist(), 'draw-outlines', { siteId: firm.site, outlines: [wrong] })
    expect(refused).toMatchObject({ field: `outlines[0].${field}` })
    expect(refused!.message).toMatch(said)
  })
})

describe('ground that is drawn', () => {
  const ground = outline('ground', box(0, 0, 100, 100))
  test('is measured and becomes what limits are of; a house on it is taken out; undone, what was typed holds again', async () => {
    expect((await draw(ground)).areaM2).toBeCloseTo(10_000, 6)
    expect((await draw(outline('building', box(10, 10, 30, 20)))).areaM2).toBeCloseTo(9_800, 6)
    expect(await site()).toMatchObject({ areaMeasured: true })
    expect(await problemOf(arborist(), 'set-area', { siteId: firm.site, area: '90 acre' })).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/measured there/),
    })
    expect(await undoNewest()).toBeNull()
    expect((await site()).areaM2).toBeCloseTo(10_000, 6)
    expect(await undoNewest()).toBeNull()
    expect(await site()).toMatchObject({ areaMeasured: false })
    expect((await site()).areaM2).toBeCloseTo(5 * ACRE, 3)
  })

  test('smaller than what is planned needs, work is held until it fits', async () => {
    // 0.4 lb an acre a year; each takes some 0.04 lb.
    const trees = [await hemlock('Hem 4', 30), await hemlock('Hem 5', 31)]
    expect(await sign(trees)).toBeNull()
    const jobs = await rows((sql) => sql<{ id: string }[]>`select id from job where site_id = ${firm.site}`)
    const subjects = (await rows((sql) => subjectsOfJob(sql, jobs[0]!.id))).filter((s) =>
      /Hem [45]/.test(s.tag),
    )
    const ids = subjects.map((s) => s.id)
    // 800 m² may get 0.079 lb; three hemlocks of 12 in need more.
    await draw(outline('ground', box(0, 0, 20, 40)))
    expect((await marked()).filter((m) => /limit/.test(m))).toEqual(
      expect.arrayContaining(['Hem 4 limit', 'Hem 5 limit']),
    )
    expect(await begin([ids[0]!])).toMatch(
      /All that is put on and planned here in 2026 comes to 0\.15 lb of imidacloprid, .* 0\.0791 lb/,
    )
    // Handed back until it fits: the mark goes by itself.
    const others = (await rows((sql) => subjectsOfJob(sql, jobs[0]!.id))).filter(
      (s) => s.id !== ids[0] && s.status === 'open',
    )
    await done(arborist(), 'hand-back', {
      jobSubjectIds: others.map((s) => s.id),
      words: 'the ground is smaller',
    })
    expect(await marked()).toEqual([])
    expect(await begin([ids[0]!])).toBeNull()
  })

  test('what others put on afterwards holds the rest back as well', async () => {
    await done(arborist(), 'note-applied', {
      id: uuidv7(),
      siteId: firm.site,
      active: 'imidacloprid',
      amount: '0.09 lb',
      onDate: '2026-05-02',
      source: 'the gardener’s receipt',
    })
    expect(await marked()).toEqual(['Hem 4 limit'])
  })
})

describe('undoing', () => {
  test('what was taken away comes back as it was; what was changed since is not undone', async () => {
    const bed = outline('bed', box(40, 40, 44, 44), { name: 'roses' })
    await draw(bed)
    const [drawing] = await steps()
    const row = (await drawn()).find((f) => f.id === bed.id)!
    await done(arborist(), 'change-outline', {
      outlineId: bed.id,
      version: row.version,
      kind: 'bed',
      name: 'old roses',
      setback: null,
      geometry: box(40, 40, 44, 44),
    })
    expect(await undo(drawing!.id)).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/changed again since/),
    })
    await done(arborist(), 'take-outline', { outlineId: bed.id, version: row.version + 1 })
    expect((await drawn()).some((f) => f.id === bed.id)).toBe(false)
    expect(await undoNewest()).toBeNull()
    expect((await drawn()).find((f) => f.id === bed.id)).toMatchObject({ name: 'old roses' })
    expect(await undoNewest()).toBeNull()
    expect((await drawn()).find((f) => f.id === bed.id)).toMatchObject({ name: 'roses' })
    expect(await undoNewest()).toBeNull()
    expect((await drawn()).some((f) => f.id === bed.id)).toBe(false)
    expect(await undo(drawing!.id)).toMatchObject({ message: 'This is undone already.' })
  })

  test('two at once take turns: one takes it away, the other is told', async () => {
    const wall = outline('wall', {
      type: 'LineString',
      coordinates: [
        [0, 0],
        [9, 0],
      ],
    })
    await draw(wall)
    const take = () => act(arborist(), 'take-outline', { outlineId: wall.id, version: 1 })
    const both = await Promise.all([take(), take()])
    expect(both.filter((r) => r.ok)).toHaveLength(1)
  })
})

test('a picture lies beneath, re-encoded, is laid otherwise and taken away, and each is undone', async () => {
  const png = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#7a8' } })
    .png()
    .toBuffer()
  const id = uuidv7()
  expect(await keepPlanPicture(tech(), { id, siteId: firm.site }, png)).toMatchObject({
    problem: { field: 'role' },
  })
  expect(await keepPlanPicture(arborist(), { id, siteId: firm.site }, png)).toMatchObject({
    value: { id, width: 400 },
  })
  expect(
    Buffer.from((await readPlanPicture(arborist(), id))!)
      .subarray(0, 2)
      .toString('hex'),
  ).toBe('ffd8')
  const lies = { id, eastM: 10, northM: 10, metresPerPixel: 0.1, turned: 0 }
  await done(arborist(), 'place-picture', { siteId: firm.site, lies })
  await done(arborist(), 'place-picture', { siteId: firm.site, lies: { ...lies, turned: 12 } })
  expect(await rows((sql) => groundOfSite(sql, firm.site).then((g) => g.picture))).toMatchObject({
    turned: 12,
    width: 400,
    height: 300,
  })
  expect(await undoNewest()).toBeNull()
  expect(await rows((sql) => groundOfSite(sql, firm.site).then((g) => g.picture))).toMatchObject({
    turned: 0,
  })
  await done(arborist(), 'place-picture', { siteId: firm.site, lies: null })
  expect(await undoNewest()).toBeNull()
  expect(await undoNewest()).toBeNull()
  expect(await rows((sql) => groundOfSite(sql, firm.site).then((g) => g.picture))).toBeNull()
  // A picture of another firm is none.
  const other = await makeFirm('Other drawn firm')
  expect(
    await problemOf(other.person('arborist'), 'place-picture', { siteId: other.site, lies }),
  ).toMatchObject({ code: 'unknown' })
  expect(await readPlanPicture(other.person('arborist'), id)).toBeUndefined()
})
