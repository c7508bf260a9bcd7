'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { HOSTS } from '@/almanac/hosts'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

const KINDS = [...HOSTS].sort((a, b) => a.name.localeCompare(b.name))

/** A tree from a list whose kind nobody here knew by its name: it is settled at the tree, before anything is weighed or put on. */
export function WhichKind({ treeId, listedAs }: { treeId: string; listedAs: string | null }) {
  const router = useRouter()
  const may = useMay()
  const [kind, setKind] = useState('')
  const { send, busy, problem } = useVerb('confirm-identity')
  return (
    <Note as="section" className="mb-4" aria-label="What kind of tree is it?">
      <h2>What kind of tree is it?</h2>
      <p className="mt-1">
        {listedAs
          ? `The list calls it “${listedAs}”, which the almanac does not know.`
          : 'The list did not say.'}
      </p>
      {may('confirm-identity') ? (
        <form
          className="grid gap-2 mt-2"
          onSubmit={async (e) => {
            e.preventDefault()
            if (kind !== '' && (await send({ treeId, host: kind })) !== null) router.refresh()
          }}
        >
          <Choice
            label="Kind"
            options={[['', 'choose'], ...KINDS.map((h) => [h.id, `${h.name} (${h.botanical})`] as const)]}
            value={kind}
            onValue={setKind}
            problem={problem?.field === 'host' ? problem.message : null}
          />
          <Button type="submit" disabled={busy || kind === ''}>
            It is this
          </Button>
          <ProblemNote problem={problem?.field === 'host' ? null : problem} />
        </form>
      ) : (
        <p className="mt-2 font-bold">The arborist or the crew lead looks and settles it.</p>
      )}
    </Note>
  )
}
