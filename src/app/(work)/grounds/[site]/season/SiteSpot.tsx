'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SeasonView } from '@/server/read/season'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { siteSpotAsks } from '@/asks/season'

/** Where the weather of a site comes from, and where the site says that it lies. */
export function SiteSpot({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const by = useStep('place-site')
  const town = useVerb('place-site')
  const { place, madeUp } = view.weather
  const own = place?.own ?? false
  const [open, setOpen] = useState(false)
  const kept = () => {
    setOpen(false)
    router.refresh()
  }
  return (
    <section aria-label="Where the weather comes from" className="mt-6 border-t border-line pt-2 no-print">
      <p className="text-small text-ink2">
        {place === null
          ? 'There is no weather for this site.'
          : `The weather is of the square of about three miles that ${own ? 'the site lies in' : 'the firm’s town lies in, as the site does not say where it lies'}.`}{' '}
        {madeUp && 'It is made up. '}
        {may('place-site') && !open && (
          <button type="button" className="underline underline-offset-2 py-1" onClick={() => setOpen(true)}>
            {own ? 'Say anew where it lies' : 'Say where it lies'}
          </button>
        )}
      </p>
      {open && (
        <AskedForm
          asks={siteSpotAsks}
          start={{ spot: { latitude: '', longitude: '' } }}
          sends={({ spot }) => ok({ siteId: view.site.id, spot })}
          by={by}
          onDone={kept}
          keep="Keep it"
          quiet
          inline
          className="flex flex-wrap gap-2 items-end mt-2"
          onLeave={() => setOpen(false)}
          more={
            own && (
              <Button
                disabled={town.busy}
                onClick={async () => {
                  if ((await town.send({ siteId: view.site.id, spot: null })) !== null) kept()
                }}
              >
                Take the town’s
              </Button>
            )
          }
        >
          <Asked at="spot.latitude" autoFocus />
          <Asked at="spot.longitude" />
          <ProblemNote problem={town.problem} />
        </AskedForm>
      )}
    </section>
  )
}
