'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { TreeView } from '@/server/read/tree'
import { Toggle } from '@/ui/fields/Toggle'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { removeTreeAsks, mergeTreesAsks } from '@/asks/trees'

/** Takes a tree from the list: it is gone, or it was listed twice. */
export function TakeFromList({ view, onDone }: { view: TreeView; onDone: () => void }) {
  const { tree } = view
  const may = useMay()
  const router = useRouter()
  const go = useGo()
  const remove = useStep('remove-tree')
  const merge = useStep('merge-trees')
  const [way, setWay] = useState<'gone' | 'twice'>('gone')
  const fixed = { treeId: tree.id, version: tree.version }
  return (
    <div className="grid gap-3 mt-4 bg-sheet border border-line p-4">
      <h2>Take {tree.tag} from the list</h2>
      {may('merge-trees') && (
        <Toggle
          label="Why?"
          options={[
            ['gone', 'It is gone'],
            ['twice', 'Listed twice'],
          ]}
          value={way}
          onChange={setWay}
        />
      )}
      {way === 'gone' ? (
        <AskedForm
          key="gone"
          asks={removeTreeAsks}
          start={{ words: '' }}
          fixed={fixed}
          by={remove}
          onDone={() => {
            router.refresh()
            onDone()
          }}
          keep="Take it from the list"
          onLeave={onDone}
        >
          <Asked at="words" />
        </AskedForm>
      ) : (
        <AskedForm
          key="twice"
          asks={mergeTreesAsks}
          start={{ into: '' }}
          fixed={fixed}
          by={merge}
          onDone={({ treeId }) => go(`/trees/${treeId}`)}
          keep="Merge"
          onLeave={onDone}
          doubtKept={() => 'They are one tree'}
        >
          <Asked at="into" />
        </AskedForm>
      )}
    </div>
  )
}
