import { METHODS } from '@/core/methods/names'
import { inFirm } from '@/db/client'
import { crewById, crews } from '@/db/queries/crew'
import { subjectsOfJob } from '@/db/queries/job'
import { openWeek } from '@/server/week'
import { nowOf } from '@/server/verb'
import { dateIn } from '@/core/time/calendar'
import { act, closePool, decideAsh, done, makeFirm, uuidv7, type TestFirm } from './scenario'

/** Two who change crews in the same moment: who is in which, and who still goes out, is decided by one of them. */
const ROUNDS = 8
let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Crews at once')
})
afterAll(() => closePool())

const office = () => firm.person('office')
const read = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const crewOf = (crewId: string, name: string, people: string[]) => ({
  crewId,
  name,
  truck: 'truck 1',
  people,
  methods: METHODS,
  begins: 420,
  minutes: [480, 480, 480, 480, 480, 480, 480],
})

test('one person put into two crews at once is in one of them', async () => {
  for (let round = 0; round < ROUNDS; round++) {
    const two = [uuidv7(), uuidv7()]
    const who = firm.person('technician').id
    const answers = await Promise.all(
      two.map((id, i) => act(office(), 'set-crew', crewOf(id, `Round ${round} ${i}`, [who]))),
    )
    expect(answers.filter((a) => a.ok)).toHaveLength(1)
    expect(answers.find((a) => !a.ok)).toMatchObject({ problem: { code: 'conflict', field: 'people' } })
    expect((await read((sql) => crews(sql))).filter((c) => c.people.includes(who))).toHaveLength(1)
    for (const id of two)
      if (await read((sql) => crewById(sql, id))) await done(office(), 'end-crew', { crewId: id })
  }
})

test('a crew that is ended while it is given work has either ended or the work, never both', async () => {
  const person = office()
  const now = nowOf(person)
  for (let round = 0; round < ROUNDS; round++) {
    const crewId = uuidv7()
    await done(office(), 'set-crew', crewOf(crewId, `Ended ${round}`, [firm.person('crew lead').id]))
    const { prescription } = await decideAsh(firm, `X-${round}`)
    const { jobId } = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', prescription)
    const [subject] = await read((sql) => subjectsOfJob(sql, jobId))
    const week = await read((sql) => openWeek({ sql, person, now, today: dateIn(person.timeZone, now) }))
    const stop = week.stops.find((s) => s.subjects.includes(subject!.id))!
    const take = {
      id: uuidv7(),
      placed: [
        {
          stop: stop.id,
          trees: stop.trees,
          from: { crewId: stop.crewId, onDate: stop.onDate },
          to: { crewId, onDate: '2026-06-15' },
          pinned: false,
          why: 'their turn',
        },
      ],
      order: [],
    }
    const [taken, ended] = await Promise.all([
      act(office(), 'take-week', take),
      act(office(), 'end-crew', { crewId }),
    ])
    expect([round, taken.ok && ended.ok]).toEqual([round, false])
    expect([round, taken.ok || ended.ok]).toEqual([round, true])
    if (taken.ok)
      // Given back, so that the next round may end its own.
      await act(office(), 'take-week', {
        ...take,
        id: uuidv7(),
        placed: [
          {
            ...take.placed[0],
            stop: (await openStops()).find((s) => s.subjects.includes(subject!.id))!.id,
            from: take.placed[0]!.to,
            to: { crewId: null, onDate: '2026-06-15' },
          },
        ],
      })
    if (!ended.ok) await act(office(), 'end-crew', { crewId })
  }
  function openStops() {
    return read((sql) => openWeek({ sql, person, now, today: dateIn(person.timeZone, now) })).then(
      (w) => w.stops,
    )
  }
})
