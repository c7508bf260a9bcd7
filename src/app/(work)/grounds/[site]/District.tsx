'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SiteView } from '@/server/read/grounds'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** In which district a site lies, and how many rules of the place hold there. */
export function District({ view }: { view: SiteView }) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('set-district')
  const [typed, setTyped] = useState<string | null>(null)
  const { site, rules } = view
  if (typed === null)
    return (
      <p className="text-small text-ink2 mt-0.5 no-print">
        {site.district ? `District ${site.district}` : 'No district is named'}
        {may('set-district') && (
          <>
            {' '}
            <button
              type="button"
              className="underline underline-offset-2 py-1"
              onClick={() => setTyped(site.district ?? '')}
            >
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
    <form
      className="mt-2 flex flex-wrap gap-2 items-end"
      onSubmit={async (e) => {
        e.preventDefault()
        if ((await verb.send({ siteId: site.id, district: typed.trim() || null })) === null) return
        setTyped(null)
        router.refresh()
      }}
    >
      <Field
        label="District (empty: none)"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        autoFocus
      />
      <Button type="submit" disabled={verb.busy}>
        Keep it
      </Button>
      <Button quiet onClick={() => setTyped(null)}>
        Leave it
      </Button>
      <ProblemNote problem={verb.problem} />
    </form>
  )
}
