'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** Names the chosen trees as one block, or takes the name off them. */
export function NameBlock({
  siteId,
  treeIds,
  onDone,
}: {
  siteId: string
  treeIds: string[]
  onDone: () => void
}) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('set-block')
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  if (!open) return <Button onClick={() => setOpen(true)}>Name as a block</Button>
  async function keep(block: string | null) {
    if ((await send({ siteId, treeIds, name: block })) === null) return
    onDone()
    router.refresh()
  }
  return (
    <form
      className="flex flex-wrap items-end gap-2 w-full"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void keep(name)
      }}
    >
      <Field
        label={`Name of the block of ${treeIds.length}`}
        placeholder="Bank A"
        value={name}
        onChange={(e) => setName(e.target.value)}
        problem={problem?.field === 'name' ? problem.message : null}
      />
      <Button type="submit" disabled={busy}>
        Keep the name
      </Button>
      <Button quiet disabled={busy} onClick={() => void keep(null)}>
        No block
      </Button>
      <ProblemNote problem={problem?.field === 'name' ? null : problem} />
    </form>
  )
}
