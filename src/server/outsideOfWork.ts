import { seenBefore } from '@/core/gate/looks'
import { goesOnLater, hoursOutside, openings } from '@/core/methods/outside'
import type { SiteHours } from '@/core/roster/siteHours'
import { addDays, dateIn, spokenDate } from '@/core/time/calendar'
import { against, gateOf, NOTICE_GIVEN_DAYS, outOfItsOwnWay } from './mayGoOn'
import type { TreeAtHand } from './treesAtHand'
import type { Context } from './verb'
import type { Worked } from './worked'
import { hoursAhead, knownWeather } from './weather/known'

const HOUR = 3_600_000
/** Rain this long before an hour counts for it, and so much of what follows is read. */
const BEFORE = 48 * HOUR
const AFTER_HOURS = 48

/** What was gone on with on later days by looks of the first. */
function seenOnlyBefore(
  { seen, confirmedAt, timeZone }: Worked['subject'],
  opened: readonly number[],
): string[] {
  const last = opened.reduce((x, y) => Math.max(x, y), -Infinity)
  const said = last === -Infinity ? null : seenBefore(seen, confirmedAt?.getTime() ?? null, last, timeZone)
  return said === null ? [] : [`On ${spokenDate(dateIn(timeZone, new Date(last)))}: ${said}.`]
}

/**
 * What of the work at trees lay outside its card in the hours in which it was done, or outside the gate on its days, a sentence each, by tree of the
 * job: presses that were made without signal, or after a rule had changed, are what happened and are written as they are. `worked` lies at one site.
 */
export async function outsideOfWork(
  context: Context,
  worked: readonly Pick<Worked, 'subject' | 'steps'>[],
  site: {
    /** Its trees with what their gates rest on, by tree. */
    hands: ReadonlyMap<string, TreeAtHand>
    /** When work may be done there; null for any time. */
    siteHours: readonly SiteHours[] | null
  },
): Promise<Map<string, string[]>> {
  const { person } = context
  const one = worked[0]!.subject
  const all = worked.flatMap((w) => openings(w.steps))
  if (all.length === 0) return new Map()
  const [first, last] = [Math.min(...all), Math.max(...all)]
  const weather = await knownWeather(context, one.siteId, {
    hoursFrom: addDays(dateIn(one.timeZone, new Date(first)), -3),
  })
  const hours = hoursAhead(
    weather,
    new Date(first - BEFORE),
    Math.ceil((last - first + BEFORE) / HOUR) + AFTER_HOURS,
    site.siteHours,
  )
  return new Map(
    worked.map(({ subject: s, steps }) => {
      const own = openings(steps)
      const hand = against(outOfItsOwnWay(site.hands.get(s.treeId)!, { workIds: [s.id] }), s.cause)
      const days = [...new Set(own.map((at) => dateIn(s.timeZone, new Date(at))))]
      const closed = days.flatMap((on) =>
        gateOf(
          { ...hand, today: addDays(on, -NOTICE_GIVEN_DAYS) },
          { id: s.useId, use: s.use, product: s.product },
          { on, units: person.units, harvestOn: s.harvestOn, seen: s.seen },
        ).closed.map((r) => r.why),
      )
      return [
        s.id,
        [
          ...hoursOutside(s.use, s.product.actives, own, hours, s.timeZone, person.units),
          ...new Set(closed),
          ...seenOnlyBefore(s, openings(steps.filter((step) => !goesOnLater(step)))),
        ],
      ]
    }),
  )
}
