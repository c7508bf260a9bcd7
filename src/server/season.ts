import { placeSiteAsks, seeStageAsks } from '@/asks/season'
import { z } from 'zod'
import { phenologyOf, SEEN_FIRST, TARGETS } from '@/almanac/season'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { addStageSeen } from '@/db/queries/season'
import { siteById } from '@/db/queries/site'
import { placeSite } from '@/db/queries/weather'
import { takenBack } from './takenBack'
import { id } from '@/asks/text'
import { verb } from './verb'

/** Says where a site lies on the globe, so that its own weather is asked for. Null: it has the weather of the firm’s town. */
export const placeSiteVerb = verb({
  roles: ['arborist', 'office'],
  about: (i) => i.siteId,
  input: placeSiteAsks,
  run: async ({ sql }, input): Promise<Result<{ placed: boolean }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    await placeSite(sql, site.id, input.spot)
    return ok({ placed: input.spot !== null })
  },
})

/** The stages that can be seen of a kind of tree, or of what is timed by warmth. */
function stagesOf(kind: string): readonly string[] {
  if (TARGETS.some((t) => t.id === kind)) return [SEEN_FIRST]
  return phenologyOf(kind)?.stages.map((s) => s.stage) ?? []
}

/** Notes a stage that was seen on the ground; every date that was reckoned after it moves with it. */
export const seeStageVerb = verb({
  roles: ['arborist', 'crew lead', 'technician', 'office'],
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: seeStageAsks,
  run: async ({ sql, person, now, at }, input): Promise<Result<{ id: string }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    if (!stagesOf(input.kind).includes(input.stage))
      return refuse('unknown', 'stage', 'No such stage is known of it; choose one of the list.')
    const today = dateIn(site.timeZone, now)
    if (input.on > today)
      return refuse(
        'out-of-range',
        'on',
        `${spokenDate(input.on)} is still to come; note it when it is seen.`,
      )
    if (input.on < `${Number(today.slice(0, 4)) - 1}${today.slice(4)}`)
      return refuse(
        'out-of-range',
        'on',
        `${spokenDate(input.on)} is more than a year ago; it moves nothing of this year.`,
      )
    await addStageSeen(sql, {
      id: input.id,
      firmId: person.firmId,
      siteId: site.id,
      kind: input.kind,
      stage: input.stage,
      seenOn: input.on,
      by: person.id,
      at,
    })
    return ok({ id: input.id })
  },
})

/** Takes back a stage that was not what was seen. */
export const takeStageBackVerb = verb({
  roles: ['arborist', 'crew lead', 'technician', 'office'],
  about: (i) => i.seenId,
  input: z.strictObject({ seenId: id('seenId') }),
  run: (context, input) => takenBack(context, 'stage_seen', input.seenId, 'seenId'),
})
