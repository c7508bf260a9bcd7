'use client'
import { useState, type FormEvent } from 'react'
import type { TreeBase } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** How much of the crown lives, asked where a person looks up into it; the tree keeps it. */
export function LiveCrown({ tree }: { tree: TreeBase['tree'] }) {
  const may = useMay()
  const { send, busy, problem } = useVerb('change-tree')
  const [kept, setKept] = useState({ percent: tree.liveCrownPercent, version: tree.version })
  const [typed, setTyped] = useState(kept.percent === null ? '' : String(kept.percent))
  const same = typed.trim() === (kept.percent === null ? '' : String(kept.percent))

  async function keep(event: FormEvent) {
    event.preventDefault()
    const percent = typed.trim() === '' ? null : Number(typed)
    const done = await send({
      treeId: tree.id,
      version: Math.max(kept.version, tree.version),
      tag: tree.tag,
      host: tree.host,
      note: tree.note,
      liveCrownPercent: Number.isNaN(percent) ? typed : percent,
    })
    if (done) setKept({ percent, version: done.version })
  }

  return (
    <form onSubmit={keep} noValidate className="flex items-end gap-3 py-2.5 pl-3 border-b border-line">
      <div className="w-56">
        <Field
          label="Live crown, % in steps of 5"
          inputMode="numeric"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          disabled={!may('change-tree')}
          problem={problem?.message ?? null}
        />
      </div>
      {may('change-tree') && (
        <Button type="submit" disabled={busy || same}>
          {same && kept.percent !== null ? 'Kept' : 'Keep the live crown'}
        </Button>
      )}
    </form>
  )
}
