'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { setBlockAsks } from '@/asks/trees'

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
  const by = useStep('set-block')
  const off = useVerb('set-block')
  const [open, setOpen] = useState(false)
  if (!open) return <Button onClick={() => setOpen(true)}>Name as a block</Button>
  const kept = () => {
    onDone()
    router.refresh()
  }
  return (
    <AskedForm
      asks={setBlockAsks}
      start={{ name: '' }}
      fixed={{ siteId, treeIds }}
      by={by}
      onDone={kept}
      keep="Keep the name"
      quiet
      inline
      more={
        <Button
          quiet
          disabled={off.busy}
          onClick={async () => {
            if ((await off.send({ siteId, treeIds, name: null })) !== null) kept()
          }}
        >
          No block
        </Button>
      }
    >
      <Asked at="name" label={`Name of the block of ${treeIds.length}`} />
      <ProblemNote problem={off.problem} />
    </AskedForm>
  )
}
