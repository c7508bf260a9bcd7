'use client'
import { useRouter } from 'next/navigation'
import type { SiteView } from '@/server/read/grounds'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { setDistrictAsks } from '@/asks/rules'

/** In which district a site lies. */
export function DistrictForm({ site, onLeave }: { site: SiteView['site']; onLeave: () => void }) {
  const router = useRouter()
  const by = useStep('set-district')
  return (
    <AskedForm
      asks={setDistrictAsks}
      start={{ district: site.district ?? '' }}
      fixed={{ siteId: site.id }}
      by={by}
      onDone={() => {
        onLeave()
        router.refresh()
      }}
      keep="Keep it"
      quiet
      onLeave={onLeave}
      inline
    >
      <Asked at="district" autoFocus />
    </AskedForm>
  )
}
