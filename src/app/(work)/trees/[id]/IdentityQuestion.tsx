'use client'
import { useRouter } from 'next/navigation'
import type { Host } from '@/almanac/hosts'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

/** Is it what it is said to be? One look parts it from what it is taken for. */
export function IdentityQuestion({
  treeId,
  host,
  lookAlike,
}: {
  treeId: string
  host: Host
  lookAlike: string | null
}) {
  const router = useRouter()
  const may = useMay()
  const { send, busy, problem } = useVerb('confirm-identity')
  const other = host.confusedWith!
  async function settle(kind: string) {
    if ((await send({ treeId, host: kind })) !== null) router.refresh()
  }
  return (
    <Note as="section" className="mb-4" aria-label="What kind of tree is it?">
      <h2>
        Is it really {/^[aeiou]/i.test(host.name) ? 'an' : 'a'} {host.name.toLowerCase()}?
      </h2>
      <p className="mt-1">{other.question}</p>
      {may('confirm-identity') ? (
        <div className="grid gap-2 mt-2">
          <Button className="text-left !justify-start py-1.5" disabled={busy} onClick={() => settle(host.id)}>
            {other.ifThis}
          </Button>
          <Button
            className="text-left !justify-start py-1.5"
            disabled={busy}
            onClick={() => settle(other.host)}
          >
            {other.ifOther}
          </Button>
        </div>
      ) : (
        <p className="mt-2 font-bold">The arborist or the crew lead looks and confirms it.</p>
      )}
      <p className="text-small mt-2">
        {lookAlike} and {host.name.toLowerCase()} have different troubles; what helps one does nothing for the
        other.
      </p>
      <ProblemNote problem={problem} />
    </Note>
  )
}
