'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { saySiteHours } from '@/core/roster/siteHours'
import type { SiteView } from '@/server/read/grounds'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { setSiteHoursAsks } from '@/asks/crews'

/** When work may be done at a site. */
export function WorkHours({ site }: { site: SiteView['site'] }) {
  const may = useMay()
  const router = useRouter()
  const by = useStep('set-site-hours')
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <p className="text-small text-ink2 mt-0.5 no-print">
        Work is done here {saySiteHours(site.hours)}
        {may('set-site-hours') && (
          <>
            {' '}
            <button type="button" className="underline underline-offset-2 py-1" onClick={() => setOpen(true)}>
              change hours
            </button>
          </>
        )}
      </p>
    )
  return (
    <AskedForm
      asks={setSiteHoursAsks}
      start={{ hours: site.hours === null ? '' : saySiteHours(site.hours) }}
      fixed={{ siteId: site.id }}
      by={by}
      onDone={() => {
        setOpen(false)
        router.refresh()
      }}
      keep="Keep it"
      quiet
      onLeave={() => setOpen(false)}
      className="mt-2 grid gap-2"
    >
      <Asked at="hours" autoFocus />
    </AskedForm>
  )
}
