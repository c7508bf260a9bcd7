'use client'
import { useRouter } from 'next/navigation'
import { saySiteHours } from '@/core/roster/siteHours'
import type { SiteView } from '@/server/read/grounds'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { setSiteHoursAsks } from '@/asks/crews'

/** In which hours work may be done at a site. */
export function HoursForm({ site, onLeave }: { site: SiteView['site']; onLeave: () => void }) {
  const router = useRouter()
  const by = useStep('set-site-hours')
  return (
    <AskedForm
      asks={setSiteHoursAsks}
      start={{ hours: site.hours === null ? '' : saySiteHours(site.hours) }}
      fixed={{ siteId: site.id }}
      by={by}
      onDone={() => {
        onLeave()
        router.refresh()
      }}
      keep="Keep it"
      quiet
      onLeave={onLeave}
      className="mt-2 grid gap-2"
    >
      <Asked at="hours" autoFocus />
    </AskedForm>
  )
}
