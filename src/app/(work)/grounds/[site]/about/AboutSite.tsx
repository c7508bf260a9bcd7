'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { changeSiteAsks } from '@/asks/places'
import type { SiteWholeView } from '@/server/read/clients'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { Terms } from '@/ui/pieces/Terms'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { NO_SITE, SiteFields } from '../../../clients/SiteFields'

/** All that is told of a site, to be changed by whoever keeps it. */
export function AboutSite({ site }: { site: SiteWholeView }) {
  const may = useMay()
  const go = useGo()
  const router = useRouter()
  const away = useVerb('archive-site')
  const [fixed] = useState({ siteId: site.id, version: site.version })
  const by = useStep('change-site')
  const start = Object.fromEntries(
    Object.keys(NO_SITE).map((key) => [key, site[key as keyof typeof NO_SITE] ?? '']),
  )
  return (
    <div className="max-w-2xl">
      <p className="text-ink2">
        <Link href={`/grounds/${site.id}`}>{site.name}</Link>
      </p>
      <h1>About the site</h1>
      <p className="text-ink2 mt-1">
        of <Link href={`/clients/${site.clientId}`}>{site.client}</Link>
      </p>
      {may('change-site') ? (
        <AskedForm
          key={site.version}
          asks={changeSiteAsks}
          fixed={fixed}
          start={start}
          by={by}
          onDone={() => go(`/grounds/${site.id}`)}
          keep="Keep it"
          onLeave={() => go(`/grounds/${site.id}`)}
          className="grid gap-4 mt-3"
        >
          <SiteFields />
        </AskedForm>
      ) : (
        <Told site={site} />
      )}
      {may('archive-site') && (
        <details className="mt-8" open={site.archivedAt !== null}>
          <summary className="cursor-pointer py-2">Put away</summary>
          <p>
            {site.archivedAt !== null
              ? 'This site is put away. Its trees and records stay.'
              : 'Put away, the site is not offered any more. Its trees and records stay.'}
          </p>
          <Button
            className="mt-2"
            disabled={away.busy}
            onClick={async () => {
              if (await away.send({ siteId: site.id, away: site.archivedAt === null })) router.refresh()
            }}
          >
            {site.archivedAt !== null ? 'Take back' : 'Put away'}
          </Button>
          <ProblemNote problem={away.problem} />
        </details>
      )}
    </div>
  )
}

function Told({ site }: { site: SiteWholeView }) {
  const lines = (
    [
      ['Address', site.address],
      ['How to get in', site.access],
      ['Water', site.water],
      ['To be rung on the day', site.contactOnDay],
      ['District', site.district],
      ['Notes', site.note],
    ] as const
  ).filter(([, text]) => text)
  return (
    <>
      <Terms lines={lines} className="mt-3" />
      <Note className="mt-3">The gate code stands at the job on the day of the work.</Note>
    </>
  )
}
