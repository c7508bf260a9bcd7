import type { PrescribeView } from '@/server/read/tree'
import { TrunkSize } from '@/ui/methods/TrunkSize'
import { shortDate } from '@/ui/when'

/** What is dosed by: the trunk as it was read last, or that nobody has. */
export function TrunkRead({
  view,
}: {
  view: Pick<PrescribeView, 'facts' | 'reading' | 'units' | 'timeZone'>
}) {
  const { facts, reading, units } = view
  return facts && reading ? (
    <TrunkSize
      stems={facts.stems}
      diameter={facts.diameter}
      read={shortDate(reading.readAt, view.timeZone)}
      units={units}
    />
  ) : (
    <p className="font-bold">Not measured yet</p>
  )
}
