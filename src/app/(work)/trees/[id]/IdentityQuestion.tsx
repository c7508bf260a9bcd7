'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Host } from '@/almanac/hosts'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { KEPT_ON_DEVICE, useStepHere } from '@/ui/field/useStepHere'
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
  const { send, busy, problem } = useStepHere('confirm-identity', treeId)
  const [here, setHere] = useState<string | null>(null)
  const other = host.confusedWith!
  async function settle(kind: string) {
    const answer = await send({ treeId, host: kind })
    if (answer === KEPT_ON_DEVICE) setHere(kind)
    else if (answer !== null) router.refresh()
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
      {here !== null && (
        <p role="status" className="font-bold">
          Kept on this device: {here === host.id ? other.ifThis : other.ifOther}
        </p>
      )}
      <ProblemNote problem={problem} />
    </Note>
  )
}
