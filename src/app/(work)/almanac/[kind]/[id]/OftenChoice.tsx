'use client'
import { useRouter } from 'next/navigation'
import type { Frequency } from '@/core/diagnose/almanac'
import type { AlmanacView } from '@/server/read/almanac'
import { useVerb } from '@/ui/fields/useVerb'
import { OFTEN } from '@/almanac/oftenWord'
import { Select } from '@/ui/fields/Choice'

/** How often a cause shows a finding, as this firm has it; back to the common almanac with one press. */
export function OftenChoice({
  cause,
  finding,
  name,
  often,
  own,
}: {
  cause: string
  finding: string
  /** What the finding is called. */
  name: string
  often: Frequency
  own: AlmanacView['own'][number] | null
}) {
  const router = useRouter()
  const set = useVerb('set-own-entry', { makes: 'id' })
  const back = useVerb('withdraw-own-entry')
  const problem = set.problem ?? back.problem
  return (
    <span className="flex items-center gap-2">
      {problem && (
        <span role="alert" className="text-plum text-small">
          {problem.message}
        </span>
      )}
      {own && (
        <button
          type="button"
          className="tag tag-rust"
          title={`Set by ${own.by}; back to the common almanac`}
          onClick={async () => {
            if ((await back.send({ id: own.id })) !== null) router.refresh()
          }}
        >
          own, undo
        </button>
      )}
      <Select
        aria-label={`How often: ${name}`}
        className="!w-auto"
        value={often}
        disabled={set.busy || back.busy}
        onValue={async (v) => {
          const entry = { kind: 'frequency' as const, cause, finding, often: v }
          if ((await set.send({ entry })) !== null) router.refresh()
        }}
        options={OFTEN}
      />
    </span>
  )
}
