'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SeasonView } from '@/server/read/season'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** Degrees as they are typed: `42.31`, `42,31`, `75.2 W`. Empty and letters are the server’s to speak about. */
function degrees(text: string): number | string {
  const read = /^\s*([−-]?\d+(?:[.,]\d+)?)\s*°?\s*([NSEW])?\s*$/i.exec(text)
  if (!read) return text
  const value = Number(read[1]!.replace(',', '.').replace('−', '-'))
  return /[SW]/i.test(read[2] ?? '') ? -Math.abs(value) : value
}

/** Where the weather of a site comes from, and where the site says that it lies. */
export function SiteSpot({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('place-site')
  const { place, madeUp } = view.weather
  const own = place?.own ?? false
  const [typed, setTyped] = useState<{ latitude: string; longitude: string } | null>(null)
  const at = (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null)
  async function keep(spot: { latitude: number | string; longitude: number | string } | null) {
    const sent = await verb.send({
      siteId: view.site.id,
      spot: spot as { latitude: number; longitude: number } | null,
    })
    if (sent === null) return
    setTyped(null)
    router.refresh()
  }
  return (
    <section aria-label="Where the weather comes from" className="mt-6 border-t border-line pt-2 no-print">
      <p className="text-small text-ink2">
        {place === null
          ? 'There is no weather for this site.'
          : `The weather is of the square of about three miles that ${own ? 'the site lies in' : 'the firm’s town lies in, as the site does not say where it lies'}.`}{' '}
        {madeUp && 'It is made up. '}
        {may('place-site') && typed === null && (
          <button
            type="button"
            className="underline underline-offset-2 py-1"
            onClick={() => setTyped({ latitude: '', longitude: '' })}
          >
            {own ? 'Say anew where it lies' : 'Say where it lies'}
          </button>
        )}
      </p>
      {typed && (
        <form
          className="flex flex-wrap gap-2 items-end mt-2"
          noValidate
          onSubmit={(e) => {
            e.preventDefault()
            void keep({ latitude: degrees(typed.latitude), longitude: degrees(typed.longitude) })
          }}
        >
          <Field
            label="Latitude, such as 42.31"
            value={typed.latitude}
            onChange={(e) => setTyped({ ...typed, latitude: e.target.value })}
            problem={at('latitude')}
            autoFocus
          />
          <Field
            label="Longitude, such as 75.22 W"
            value={typed.longitude}
            onChange={(e) => setTyped({ ...typed, longitude: e.target.value })}
            problem={at('longitude')}
          />
          <Button type="submit" disabled={verb.busy}>
            Keep it
          </Button>
          {own && (
            <Button disabled={verb.busy} onClick={() => void keep(null)}>
              Take the town’s
            </Button>
          )}
          <Button quiet onClick={() => setTyped(null)}>
            Leave it
          </Button>
          <ProblemNote
            problem={verb.problem && /latitude|longitude/.test(verb.problem.field) ? null : verb.problem}
          />
        </form>
      )}
    </section>
  )
}
