'use client'
import type { ForecastHour } from '@/core/methods/hourReasons'
import type { JobView } from '@/server/read/work'
import { AgreedLines } from '@/ui/methods/AgreedLines'
import { HoursPanel } from '@/ui/methods/HoursPanel'
import { Link } from '@/ui/pieces/Link'
import { MovedNote } from '../MovedNote'
import { GettingIn } from './GettingIn'
import type { JobItem } from './job'

/** What holds at the place and of the work: how one gets in, how it is done here, when it may be done, and what was moved. */
export function ThisPlace({
  view,
  item,
  early,
  ahead,
  minutes,
}: {
  view: JobView
  item: JobItem
  /** It is booked for a later day. */
  early: boolean
  /** The hours from this one on; null where nothing is to be done now. */
  ahead: readonly ForecastHour[] | null
  /** Of work at trees that are open. */
  minutes: number
}) {
  const { agreed } = item
  return (
    <section aria-label="This place" className="no-print mt-4">
      <GettingIn job={view.job} />
      <p className="flex flex-wrap gap-x-5">
        <Link href={`/run/${view.job.id}/tell`} className="underline underline-offset-2 py-1 hand:py-3">
          Tell the client
        </Link>
        <Link
          href={`/grounds/${view.job.siteId}/sign`}
          className="underline underline-offset-2 py-1 hand:py-3"
        >
          Sign to post
        </Link>
      </p>
      <MovedNote moved={[...view.moved.here, ...view.moved.away]} timeZone={view.timeZone} />
      {(agreed.matters.length > 0 || agreed.notices.length > 0) && (
        <details className="mt-2" open={early && agreed.notices.length > 0}>
          <summary className="cursor-pointer py-1 hand:py-3 text-ink2">How it is done here</summary>
          <AgreedLines agreed={agreed} />
        </details>
      )}
      {ahead && (
        <HoursPanel use={item.use} actives={item.product.actives} forecast={ahead} minutes={minutes} />
      )}
    </section>
  )
}
