'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { saySiteHours } from '@/core/roster/siteHours'
import type { SiteView } from '@/server/read/grounds'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** When work may be done at a site. */
export function WorkHours({ site }: { site: SiteView['site'] }) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('set-site-hours')
  const [typed, setTyped] = useState<string | null>(null)
  if (typed === null)
    return (
      <p className="text-small text-ink2 mt-0.5 no-print">
        Work is done here {saySiteHours(site.hours)}
        {may('set-site-hours') && (
          <>
            {' '}
            <button
              type="button"
              className="underline underline-offset-2 py-1"
              onClick={() => setTyped(site.hours === null ? '' : saySiteHours(site.hours))}
            >
              change hours
            </button>
          </>
        )}
      </p>
    )
  return (
    <form
      className="mt-2"
      onSubmit={async (e) => {
        e.preventDefault()
        if ((await verb.send({ siteId: site.id, hours: typed })) === null) return
        setTyped(null)
        router.refresh()
      }}
    >
      <Field
        label="When work may be done here (empty: any time)"
        placeholder="Mon to Fri 05:30 to 07:40; Sat 08:00 to 12:00"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        problem={verb.problem?.field === 'hours' ? verb.problem.message : null}
        autoFocus
      />
      <div className="flex gap-2 mt-2">
        <Button type="submit" disabled={verb.busy}>
          Keep it
        </Button>
        <Button quiet onClick={() => setTyped(null)}>
          Leave it
        </Button>
      </div>
      <ProblemNote problem={verb.problem?.field === 'hours' ? null : verb.problem} />
    </form>
  )
}
