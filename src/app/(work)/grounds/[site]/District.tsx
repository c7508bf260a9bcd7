'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SiteView } from '@/server/read/grounds'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { setDistrictAsks } from '@/asks/rules'

/** In which district a site lies, and how many rules of the place hold there. */
export function District({ view }: { view: SiteView }) {
  const may = useMay()
  const router = useRouter()
  const by = useStep('set-district')
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
  return (
    <AskedForm
      asks={setDistrictAsks}
      start={{ district: site.district ?? '' }}
      fixed={{ siteId: site.id }}
      by={by}
      onDone={() => {
        setOpen(false)
        router.refresh()
      }}
      keep="Keep it"
      quiet
      onLeave={() => setOpen(false)}
      inline
    >
      <Asked at="district" autoFocus />
    </AskedForm>
  )
}
