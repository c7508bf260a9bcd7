'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { TreeView } from '@/server/read/tree'
import { Doubt } from '@/ui/fields/Doubt'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Toggle } from '@/ui/fields/Toggle'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'

/** Takes a tree from the list: it is gone, or it was listed twice. */
export function TakeFromList({ view, onDone }: { view: TreeView; onDone: () => void }) {
  const { tree } = view
  const may = useMay()
  const router = useRouter()
  const go = useGo()
  const remove = useVerb('remove-tree')
  const merge = useVerb('merge-trees')
  const [way, setWay] = useState<'gone' | 'twice'>('gone')
  const [words, setWords] = useState('')
  const [into, setInto] = useState('')
  const busy = remove.busy || merge.busy
  const problem = (way === 'gone' ? remove : merge).problem
  const at = (field: string) => (problem?.field === field ? problem.message : null)

  async function save(accepted: string[] = []) {
    if (way === 'gone') {
      if (!(await remove.send({ treeId: tree.id, version: tree.version, words }))) return
      router.refresh()
      onDone()
      return
    }
    const merged = await merge.send({ treeId: tree.id, version: tree.version, into, accepted })
    if (merged) go(`/trees/${merged.treeId}`)
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save()
  }

  return (
    <form onSubmit={submit} className="grid gap-3 mt-4 bg-sheet border border-line p-4" noValidate>
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
        <Field
          label="In a few words: felled, fallen, never there"
          value={words}
          onChange={(e) => setWords(e.target.value)}
          problem={at('words')}
        />
      ) : (
        <Field
          label="Tag of the listing that stays"
          value={into}
          onChange={(e) => setInto(e.target.value)}
          problem={at('into')}
          hint="What was done under either counts for the one that stays: holes, doses, history."
        />
      )}
      <Doubt problem={problem} busy={busy} keep="They are one tree" onKeep={(code) => void save([code])} />
      <ProblemNote
        problem={problem && (problem.code === 'doubt' || at('words') || at('into')) ? null : problem}
      />
      <div className="flex gap-2">
        <Button type="submit" now disabled={busy}>
          {way === 'gone' ? 'Take it from the list' : 'Merge'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  )
}
