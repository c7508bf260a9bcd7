import { decided } from './signed'
import { idFor, type Story } from './story'
import { workOf } from './worked'

const TAG = 'Ash 31'

/** Capsules that went into the ash by the lodge this morning and are still in it: they come out before anybody leaves. */
export async function capsulesOut(story: Story, today: string): Promise<void> {
  const tree = await decided(
    story,
    TAG,
    3,
    { 'exit-hole-d': 'there', 'galleries-s': 'there', 'soil-dry': 'not-there', 'flare-hidden': 'not-there' },
    'emerald-ash-borer',
    'treat',
    { words: 'Capsules: the lodge wants no bottles by the door.' },
  )
  const { jobId } = (await story.do('maren', 2, 'hand-to-crew', {
    id: idFor(`rx ${TAG}`),
    items: [
      { useId: idFor('card IC3'), choice: 0.5, subjects: [{ ...tree, given: { portGirth: '52 in' } }] },
    ],
    onDate: today,
  })) as { jobId: string }
  const { subjects, steps } = await workOf(jobId)
  await story.do(
    'teodor',
    0,
    'confirm-tree',
    { jobSubjectId: subjects[0]!.id, tag: TAG, gear: true, seen: { soil: 'moist', leaf: 'out' } },
    -50,
  )
  for (const s of steps)
    for (const [i, kind] of (['drill', 'start'] as const).entries())
      await story.do(
        'teodor',
        0,
        'mark-step',
        { eventId: idFor(`${TAG} ${s.n} ${kind}`), stepId: s.id, kind },
        -45 + s.n * 2 + i,
      )
}
