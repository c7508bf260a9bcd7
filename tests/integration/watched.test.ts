import { inFirm } from '@/db/client'
import { subjectsOfJob } from '@/db/queries/job'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { openWeek } from '@/server/week'
import {
  closePool,
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What work takes is learned from presses that were watched, and from no others. */
let firm: TestFirm
const scent = uuidv7()
const at = (minutes: number) => new Date(NOON.getTime() + minutes * 60_000)
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Watched firm')
  await putOnShelf(firm, { 'HC-SCENT': scent })
})
afterAll(() => closePool())

let trees = 0
/** Soap is hung at a tree: eleven minutes are planned for four pieces. Answers the work at it. */
async function hung(onDate = '2026-06-12'): Promise<string> {
  const arborist = firm.person('arborist')
  const tag = `S${++trees}`
  const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '12', eastM: trees })
  const decisionId = await decideTree(arborist, treeId, {
    seen: { 'browse-torn': 'there' },
    cause: 'deer-browse',
    reason: 'seen at it',
    action: 'care',
    due: '2026-09-10',
    words: 'as talked over',
  })
  const { jobId } = await done<{ jobId: string }>(arborist, 'hand-to-crew', {
    id: uuidv7(),
    items: [
      { useId: scent, choice: 0, subjects: [{ treeId, decisionId, given: { hand: { pieces: '4' } } }] },
    ],
    onDate,
    eaten: null,
  })
  return (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.treeId === treeId)!.id
}

/** Begins at a minute, presses every piece evenly until another, and signs. */
async function worked(id: string, from: number, to: number, more: object = {}) {
  const tech = (minute: number) => firm.person('technician', at(minute))
  await done(tech(from), 'begin-work', { jobSubjectIds: [id], gear: true, seen: {} })
  const [step] = await rows((sql) => stepsOfSubjects(sql, [id]))
  for (let n = 1; n <= 4; n++)
    await done(tech(from + ((to - from) * n) / 4), 'mark-step', {
      eventId: uuidv7(),
      stepId: step!.id,
      kind: 'do',
      times: 1,
    })
  await done(firm.person('crew lead', at(to + 5)), 'sign-record', {
    ...typedRecord([id], 'house card'),
    accepted: ['wind', 'temperature', 'outside', 'short'],
    ...more,
  })
}

const minutesOf = async (id: string) => {
  const person = firm.person('office', at(600))
  const week = await rows((sql) => openWeek({ sql, person, now: at(600), today: '2026-06-12' }))
  return { minutes: week.stops.find((s) => s.subjects.includes(id))!.minutes, pace: week.pace.get('repel') }
}

test('five works that took half as long again make the next one longer in the week; what was told or pressed too near does not', async () => {
  const next = await hung('2026-06-15')
  const planned = await minutesOf(next)
  expect(planned).toEqual({ minutes: 21, pace: undefined })
  for (let n = 0; n < 4; n++) await worked(await hung(), n * 30, n * 30 + 16.5)
  // Ticked at the end within a minute, and told afterwards.
  await worked(await hung(), 130, 130.5)
  await worked(await hung(), 140, 140.5, { began: '12:30', ended: '13:10' })
  expect(await minutesOf(next)).toEqual(planned)
  const kept = await rows(
    (sql) =>
      sql<{ took: number | null }[]>`select watched_minutes as took from application order by signed_at`,
  )
  expect(kept.map((k) => k.took)).toEqual([16.5, 16.5, 16.5, 16.5, null, null])
  await worked(await hung(), 200, 216.5)
  expect(await minutesOf(next)).toEqual({ minutes: 10 + 16.5, pace: { factor: 1.5, works: 5 } })
})
