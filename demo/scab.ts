import { addDays } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import { dueAgain } from '@/db/queries/occurrence'
import type { DemoTree } from './grounds'
import { decided } from './signed'
import { FIRM, idFor, type Story } from './story'
import { worked } from './worked'

/** Six young apples by the gate, in their third leaf. */
export const GATE_TREES: readonly DemoTree[] = Array.from({ length: 6 }, (_, i) => ({
  tag: `Gate apple ${i + 1}`,
  host: 'apple',
  confirmed: true,
  place: [6 + i * 5, 101],
  girths: [[String(9 + (i % 3)), 70]],
  liveCrown: 95,
  note: null,
  marks: [],
}))

/** Days before today on which they were sprayed against scab, and the day after which the next cover is due. */
const SPRAYED = [27, 15, 3] as const

/** A scab season half done: signed before bloom, three covers on, the next one due. */
export async function scabSeasonOfGate(story: Story, today: string): Promise<void> {
  await story.trees('orchard', [...GATE_TREES], today)
  const first = SPRAYED[0]
  const subjects = []
  for (const { tag } of GATE_TREES)
    subjects.push({
      ...(await decided(
        story,
        tag,
        first + 4,
        { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
        'apple-scab',
        'treat',
        {},
      )),
      given: { crownHeight: '7 ft', crownWidth: '5 ft', crownShape: 'ellipsoid', crownDensity: 'medium' },
    })
  let { jobId } = (await story.do('maren', first + 3, 'hand-to-crew', {
    id: idFor('rx gate'),
    items: [{ useId: idFor('card CP4'), choice: 0, times: 5, subjects }],
    onDate: addDays(today, -first),
    eaten: true,
    harvestOn: addDays(today, 95),
  })) as { jobId: string }
  for (const [n, ago] of SPRAYED.entries()) {
    await spray(story, jobId, n, ago)
    const next = SPRAYED[n + 1]
    if (next === undefined) return
    const due = await inFirm(FIRM.id, (sql) => dueAgain(sql, today, { siteId: idFor('site orchard') }))
    jobId = (
      (await story.do('maren', next + 1, 'put-on-day', {
        occurrenceId: due[0]!.id,
        onDate: addDays(today, -next),
      })) as { jobId: string }
    ).jobId
  }
}

/** One cover, put on and signed. */
const spray = (story: Story, jobId: string, n: number, ago: number): Promise<void> =>
  worked(story, jobId, {
    name: `gate ${n}`,
    ago,
    at: -90,
    begin: { noBloom: true },
    record: { lot: 'CP4-6000', temperature: '61 F', windFrom: 'W', notices: 'Sign at the gate.' },
  })
