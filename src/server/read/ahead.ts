import { sayMethods } from '@/core/methods/names'
import { causeName } from '@/almanac/causes'
import { grouped } from '@/core/grouped'
import { dateIn } from '@/core/time/calendar'
import { promisedAtSite } from '@/db/queries/followUp'
import { jobsBetween } from '@/db/queries/job'
import { dueAgain, endedAtSite } from '@/db/queries/occurrence'
import { siteById } from '@/db/queries/site'
import { waitingSteps } from '@/db/queries/turn'
import { checkHref } from './checkHref'
import { isId, reading } from './reader'

/** As many of each kind as one page shows; it says where there are more. */
const MOST = 300
const FAR = '9999-12-31'

/** One thing that is to come at a site. */
export interface ToCome {
  kind: 'booked' | 'due' | 'promised'
  /** The day, or the first of its days. */
  on: string
  to: string | null
  what: string
  trees: number
  tags: string[]
  href: string
  /** What must be found first, how often more, or that its season is over. */
  more: string | null
}

/** Everything that is promised, booked and due again at a site, by year, with what waits for a step and what was ended and why. */
export function aheadView(siteId: string) {
  return reading(async ({ sql, now }) => {
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const today = dateIn(site.timeZone, now)
    const [jobs, due, checks, waiting, ended] = await Promise.all([
      jobsBetween(sql, today, FAR, { limit: MOST, siteId: site.id }),
      dueAgain(sql, FAR, { limit: MOST, siteId: site.id }),
      promisedAtSite(sql, site.id, MOST),
      waitingSteps(sql, site.id, MOST),
      endedAtSite(sql, site.id, 30),
    ])
    const lines: ToCome[] = [
      ...jobs
        .filter((j) => j.recorded < j.trees)
        .map((j): ToCome => ({
          kind: 'booked',
          on: j.onDate,
          to: null,
          what: sayMethods(j.methods),
          trees: j.trees - j.recorded,
          tags: [],
          href: `/run/${j.id}`,
          more: j.anew > 0 ? `${j.anew} to be worked out again` : j.crew,
        })),
      ...due.map((d): ToCome => ({
        kind: 'due',
        on: d.dueFrom,
        to: d.dueTo,
        what: `${d.cardName}, ${causeName(d.cause).toLowerCase()}`,
        trees: d.trees,
        tags: [...d.tags],
        href: '/run/due',
        more:
          d.endsOn !== null && d.endsOn < today
            ? 'its season is over'
            : d.onlyIf !== null
              ? `only if ${d.onlyIf}`
              : d.times > 1
                ? `${d.n} of ${d.times}`
                : null,
      })),
      ...checks.map((c): ToCome => ({
        kind: 'promised',
        on: c.dueOn,
        to: null,
        what: c.what,
        trees: c.trees,
        tags: [...c.tags],
        href: checkHref({ ...c, siteId: site.id }),
        more: null,
      })),
    ].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    return {
      site,
      today,
      /** What should have been done before today stands first, in a part of its own. */
      late: lines.filter((l) => (l.to ?? l.on) < today),
      years: [
        ...grouped(
          lines.filter((l) => (l.to ?? l.on) >= today),
          (l) => l.on.slice(0, 4),
        ),
      ].map(([year, own]) => ({ year, lines: own })),
      waiting: [...waiting],
      ended,
      full: [jobs, due, checks].some((l) => l.length === MOST),
    }
  })
}

export type AheadView = NonNullable<Awaited<ReturnType<typeof aheadView>>>
