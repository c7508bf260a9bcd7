'use client'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import type { SiteView } from '@/server/read/grounds'
import { afterPage } from '@/ui/pieces/afterPage'
import { useMay } from '@/ui/shell/may'

const DistrictForm = afterPage(() => import('./DistrictForm'), 'DistrictForm')

/** In which district a site lies, and how many rules of the place hold there. */
export function District({ view }: { view: SiteView }) {
  const may = useMay()
  const [open, setOpen] = useState(false)
  const { site, rules } = view
  if (!open)
    return (
      <p className="text-small text-ink2 mt-0.5 no-print">
        {site.district ? `District ${site.district}` : 'No district is named'}
        {may('set-district') && (
          <>
            {' '}
            <button type="button" className="underline underline-offset-2 py-1" onClick={() => setOpen(true)}>
              {site.district ? 'change' : 'name it'}
            </button>
          </>
        )}{' '}
        ·{' '}
        <Link href="/settings/rules" className="underline underline-offset-2">
          {rules === 0
            ? 'no local rule is kept'
            : `${rules} local ${rules === 1 ? 'rule holds' : 'rules hold'}`}
        </Link>
      </p>
    )
  return <DistrictForm site={site} onLeave={() => setOpen(false)} />
}
