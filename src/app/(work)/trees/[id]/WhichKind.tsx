'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { HOSTS } from '@/almanac/hosts'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { KEPT_ON_DEVICE, useStepHere } from '@/ui/field/useStepHere'
import { confirmIdentityAsks } from '@/asks/trees'

const KINDS = [...HOSTS].sort((a, b) => a.name.localeCompare(b.name))

/** A tree from a list whose kind nobody here knew by its name: it is settled at the tree, before anything is weighed or put on. */
export function WhichKind({ treeId, listedAs }: { treeId: string; listedAs: string | null }) {
  const router = useRouter()
  const may = useMay()
  const by = useStepHere('confirm-identity', treeId)
  const [here, setHere] = useState(false)
  return (
    <Note as="section" className="mb-4" aria-label="What kind of tree is it?">
      <h2>What kind of tree is it?</h2>
      <p className="mt-1">
        {listedAs
          ? `The list calls it “${listedAs}”, which the almanac does not know.`
          : 'The list did not say.'}
      </p>
      {may('confirm-identity') ? (
        <AskedForm
          asks={confirmIdentityAsks}
          start={{ host: '' }}
          fixed={{ treeId }}
          by={by}
          onDone={(answer) => (answer === KEPT_ON_DEVICE ? setHere(true) : router.refresh())}
          keep="It is this"
          quiet
          className="grid gap-2 mt-2"
          more={here && <span role="status">Kept on this device.</span>}
        >
          <Asked
            at="host"
            options={[['', 'choose'], ...KINDS.map((h) => [h.id, `${h.name} (${h.botanical})`] as const)]}
          />
        </AskedForm>
      ) : (
        <p className="mt-2 font-bold">The arborist or the crew lead looks and settles it.</p>
      )}
    </Note>
  )
}
