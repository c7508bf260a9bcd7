'use client'
import { useRouter } from 'next/navigation'
import type { AlmanacView } from '@/server/read/almanac'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useMay } from '@/ui/shell/may'

/** Whether a cause is known in the firm's district: it then begins with three times its common weight. */
export function District({ cause, view }: { cause: string; view: AlmanacView }) {
  const may = useMay()
  const router = useRouter()
  const set = useVerb('set-own-entry', { makes: 'id' })
  const back = useVerb('withdraw-own-entry')
  const known = view.own.find((o) => o.entry.kind === 'district' && o.entry.cause === cause)
  if (!may('set-own-entry'))
    return known ? (
      <p className="mt-2">
        <span className="tag tag-rust">known in our district</span>
      </p>
    ) : null
  return (
    <>
      <label className="flex gap-2 items-center mt-2 hand:min-h-12">
        <input
          type="checkbox"
          checked={known !== undefined}
          disabled={set.busy || back.busy}
          onChange={async () => {
            const done = known
              ? await back.send({ id: known.id })
              : await set.send({ entry: { kind: 'district', cause } })
            if (done !== null) router.refresh()
          }}
        />
        Known in our district <span className="text-ink2">(begins with three times its common weight)</span>
      </label>
      <ProblemNote problem={set.problem ?? back.problem} />
    </>
  )
}
