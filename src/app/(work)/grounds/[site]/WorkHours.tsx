'use client'
import { useState } from 'react'
import { saySiteHours } from '@/core/roster/siteHours'
import type { SiteView } from '@/server/read/grounds'
import { afterPage } from '@/ui/pieces/afterPage'
import { useMay } from '@/ui/shell/may'

const HoursForm = afterPage(() => import('./HoursForm'), 'HoursForm')

/** When work may be done at a site. */
export function WorkHours({ site }: { site: SiteView['site'] }) {
  const may = useMay()
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
  return <HoursForm site={site} onLeave={() => setOpen(false)} />
}
