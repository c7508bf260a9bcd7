import { yearColour } from '@/core/methods/yearMark'
import { addDays } from '@/core/time/calendar'
import { decided } from './signed'
import { idFor, type Story } from './story'
import { wentWell, workOf } from './worked'

const TAG = 'Elm 60'
const AGO = 30

/** An elm at which the wilt was caught on one limb was infused a month ago; it comes back after three years. */
export async function infusedElm(story: Story, today: string): Promise<void> {
  const tree = await decided(
    story,
    TAG,
    AGO + 3,
    {
      'flagging-limb': 'there',
      'sapwood-streaks': 'there',
      'lab-elm-wilt': 'there',
      'soil-dry': 'not-there',
      'flare-hidden': 'not-there',
    },
    'dutch-elm-disease',
    'treat',
    { words: 'One limb, cut out ten feet below the streak; the rest is infused.' },
  )
  const { jobId } = (await story.do('maren', AGO + 2, 'hand-to-crew', {
    id: idFor(`rx ${TAG}`),
    items: [
      { useId: idFor('card PX2'), choice: 0.5, subjects: [{ ...tree, given: { portGirth: '84 in' } }] },
    ],
    onDate: addDays(today, -AGO),
  })) as { jobId: string }
  const { subjects, steps } = await workOf(jobId)
  await story.do(
    'teodor',
    AGO,
    'confirm-tree',
    { jobSubjectId: subjects[0]!.id, tag: TAG, gear: true, seen: { soil: 'moist', leaf: 'out' } },
    5,
  )
  for (const s of steps)
    for (const [i, kind] of (['drill', 'start', 'stop', 'out'] as const).entries())
      await story.do(
        'teodor',
        AGO,
        'mark-step',
        { eventId: idFor(`${TAG} ${s.n} ${kind}`), stepId: s.id, kind },
        10 + s.n * 2 + [0, 1, 90, 100][i]!,
      )
  await story.do(
    'teodor',
    AGO,
    'sign-record',
    {
      id: idFor(`record ${TAG}`),
      jobSubjectIds: [subjects[0]!.id],
      lot: 'PX2-0731',
      temperature: '66 F',
      wind: '4 mph',
      windFrom: 'W',
      sky: 'some cloud',
      soil: 'moist',
      counted: steps.length,
      mark: yearColour(addDays(today, -AGO)),
      notices: 'Street office told; one lane closed.',
      deviations: null,
    },
    200,
  )
  await wentWell(story, TAG, today, 10, 'All out, no scorch; the street office has the report.')
}
