import { yearColour } from '@/core/methods/yearMark'
import { planTrunkInjection } from '@/core/methods/trunk-injection/plan'
import { readQuantity } from '@/core/quantity/parse'
import { addDays } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import { subjectsOfJob } from '@/db/queries/job'
import { personById } from '@/db/queries/person'
import { treeById } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { cardSource, dayFor, readingSource, treesAtHand } from '@/server/treesAtHand'
import { CARDS, useOf } from './cards'
import { FIRM, idFor, ZONE, type Story } from './story'

/** The bearings the product proposes for a tree on a day, with the first card at a rate. */
export async function bestBearings(
  treeId: string,
  on: string,
  portGirth: string,
  choice = 0,
): Promise<number[]> {
  const girth = readQuantity(portGirth, 'length', 'portGirth')
  if (!girth.ok) throw new Error(girth.problem.message)
  const { card, version } = CARDS[0]!
  const now = new Date(Date.parse(`${on}T13:00:00Z`))
  const plan = await inFirm(FIRM.id, async (sql) => {
    const person = (await personById(sql, idFor('maren@hollinquay.example')))!
    const [hand] = await treesAtHand({ sql, now, person }, [(await treeById(sql, treeId))!], [])
    const day = dayFor(null, ZONE, now, on)
    return planTrunkInjection({
      use: useOf(card, 'trunk-injection'),
      tree: hand!.facts!,
      day,
      choice,
      given: { portGirth: girth.value.si },
      units: 'us',
      sources: {
        reading: readingSource(hand!.reading!, ZONE),
        label: cardSource({ product: { code: card.code, version } }),
        weather: day.source,
      },
    })
  })
  if (!plan.ok) throw new Error(plan.problem.message)
  return plan.value.plan.shape.ports.map((p) => p.bearing)
}

/** Ash 15 was injected a year ago: the past record, with its holes and what came of it. */
export async function lastYear(story: Story, today: string) {
  const tag = 'Ash 15'
  const treeId = idFor(tag)
  const ago = 365
  const on = addDays(today, -ago)
  await story.findings(tag, ago + 2, 'last year', {
    'crown-thin-top': 'there',
    'exit-hole-d': 'there',
    'woodpecker-blond': 'there',
    'flare-hidden': 'not-there',
    'soil-dry': 'not-there',
  })
  await story.do(
    'maren',
    ago + 2,
    'sign-diagnosis',
    {
      id: idFor('dx15'),
      treeId,
      assessmentId: idFor(`${tag} last year`),
      cause: 'emerald-ash-borer',
      reason: null,
    },
    20,
  )
  await story.do(
    'maren',
    ago + 2,
    'sign-decision',
    { id: idFor('dec15'), treeId, diagnosisId: idFor('dx15'), action: 'treat', words: null },
    25,
  )
  const bearings = await bestBearings(treeId, on, '42 in')
  const { jobId } = (await story.do('maren', ago + 1, 'hand-to-crew', {
    id: idFor('rx15'),
    items: [
      {
        useId: idFor('card EB4'),
        choice: 0,
        subjects: [{ treeId, decisionId: idFor('dec15'), given: { portGirth: '42 in', bearings } }],
      },
    ],
    onDate: on,
  })) as { jobId: string }
  const item = await inFirm(FIRM.id, async (sql) => {
    const [subject] = await subjectsOfJob(sql, jobId)
    return { id: subject!.id, ports: [...(await stepsOfSubjects(sql, [subject!.id]))] }
  })
  await story.do(
    'teodor',
    ago,
    'confirm-tree',
    { jobSubjectId: item.id, tag, gear: true, seen: { soil: 'moist', leaf: 'out' } },
    5,
  )
  for (const p of item.ports)
    for (const [i, kind] of (['drill', 'start', 'stop', 'out'] as const).entries())
      await story.do(
        'teodor',
        ago,
        'mark-step',
        { eventId: idFor(`15 ${p.n} ${kind}`), stepId: p.id, kind },
        10 + p.n * 2 + [0, 1, 28, 40][i]!,
      )
  await story.do(
    'teodor',
    ago,
    'sign-record',
    {
      id: idFor('record15'),
      jobSubjectIds: [item.id],
      lot: 'EB4-2207',
      temperature: '70 F',
      wind: '5 mph',
      windFrom: 'SW',
      sky: 'some cloud',
      soil: 'moist',
      counted: item.ports.length,
      mark: yearColour(on),
      notices: 'School office told the day before; sign at the gate.',
      deviations: null,
    },
    75,
  )
  const checks = await inFirm(FIRM.id, async (sql) => {
    const rows = await sql<
      { id: string; dueOn: string }[]
    >`select id, due_on::text as "dueOn" from follow_up where tree_id = ${treeId} order by due_on`
    return [...rows]
  })
  await story.do(
    'teodor',
    ago,
    'enter-result',
    { id: idFor('m15a'), followUpId: checks[0]!.id, value: 0, nextStep: 'go on as planned', words: null },
    600,
  )
  await story.do(
    'maren',
    ago - 14,
    'enter-result',
    { id: idFor('m15b'), followUpId: checks[1]!.id, value: 2, nextStep: 'go on as planned', words: null },
    60,
  )
}
