'use client'
import { useRouter } from 'next/navigation'
import { JURISDICTION_NAME, JURISDICTIONS } from '@/almanac/jurisdiction'
import type { SettingsView } from '@/server/read/settings'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useMay } from '@/ui/shell/may'

const NOT_SET = 'not set: what most places ask for'

/** Where the firm works: what must be reported there is flagged when a cause is weighed. */
export function JurisdictionChoice({ chosen }: { chosen: SettingsView['jurisdiction'] }) {
  const may = useMay()
  const router = useRouter()
  const set = useVerb('set-own-entry', { makes: 'id' })
  const back = useVerb('withdraw-own-entry')
  const writing = may('set-own-entry')
  return (
    <section>
      <h2 className="mb-1.5">What must be reported</h2>
      {writing ? (
        <Choice
          label="The firm works in"
          options={[['', NOT_SET], ...JURISDICTIONS.map((j) => [j, JURISDICTION_NAME[j]] as const)]}
          value={chosen?.place ?? ''}
          disabled={set.busy || back.busy}
          onValue={async (place) => {
            const done = place
              ? await set.send({ entry: { kind: 'jurisdiction', place } })
              : chosen && (await back.send({ id: chosen.id }))
            if (done !== null) router.refresh()
          }}
        />
      ) : (
        <p>{chosen ? JURISDICTION_NAME[chosen.place] : NOT_SET}</p>
      )}
      <ProblemNote problem={set.problem ?? back.problem} />
      <p className="text-ink2 mt-1">
        A cause that is asked for there is flagged before anything is sold. Rules change: check the
        authority’s current list.
      </p>
    </section>
  )
}
