'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { hostsOf } from '@/almanac/ownEntry'
import { HOSTS, hostName } from '@/almanac/hosts'
import type { TreeView } from '@/server/read/tree'
import { askFor } from '@/ui/fields/askFor'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { TextArea } from '@/ui/fields/TextArea'
import { DataTable } from '@/ui/pieces/DataTable'

interface Fields {
  tag: string
  host: string
  note: string
  crown: string
}

type Kept = Pick<TreeView['tree'], 'tag' | 'host' | 'note' | 'liveCrownPercent'>

const NAMES: Record<keyof Fields, string> = { tag: 'Tag', host: 'Kind', note: 'Note', crown: 'Live crown, %' }

/** The tree's own fields. When somebody else changed them meanwhile, both stand side by side to choose from. */
export function TreeForm({ view, onDone }: { view: TreeView; onDone: () => void }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('change-tree')
  const { tree } = view
  const asFields = (t: Kept): Fields => ({
    tag: t.tag,
    host: t.host,
    note: t.note ?? '',
    crown: t.liveCrownPercent === null ? '' : String(t.liveCrownPercent),
  })
  const [mine, setMine] = useState(() => asFields(tree))
  // The version the form began from, not the newest one: a refresh behind the form must not hide a conflict.
  const [version, setVersion] = useState(tree.version)
  const [theirs, setTheirs] = useState<{ fields: Fields; version: number } | null>(null)
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  const set = (field: keyof Fields) => (e: { target: { value: string } }) =>
    setMine({ ...mine, [field]: e.target.value })

  async function save(base: number) {
    const crown = mine.crown.trim()
    const done = await send({
      treeId: tree.id,
      version: base,
      tag: mine.tag,
      host: mine.host,
      note: mine.note || null,
      liveCrownPercent: crown === '' ? null : Number.isNaN(Number(crown)) ? crown : Number(crown),
    })
    if (done) {
      router.refresh()
      onDone()
      return
    }
    // Out of reach the problem itself says so.
    const now = await askFor<Kept & { version: number }>(`/api/trees/${tree.id}`)
    if (now) setTheirs(now.version === base ? null : { fields: asFields(now), version: now.version })
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save(version)
  }

  return (
    <form onSubmit={submit} className="grid gap-3 mt-4 bg-sheet border border-line p-4" noValidate>
      <h2>Change {tree.tag}</h2>
      <Field label={NAMES.tag} value={mine.tag} onChange={set('tag')} problem={at('tag')} />
      <Choice
        label={NAMES.host}
        value={mine.host}
        onValue={(v) => set('host')({ target: { value: v } })}
        options={[...HOSTS, ...hostsOf(view.own)].map((h) => [h.id, h.name] as const)}
      />
      <Field
        label="Live crown, % in steps of 5"
        inputMode="numeric"
        value={mine.crown}
        onChange={set('crown')}
        problem={at('liveCrownPercent')}
      />
      <TextArea label={NAMES.note} value={mine.note} onChange={set('note')} problem={at('note')} />
      {theirs ? (
        <Note as="div" role="alert">
          <p className="font-bold">Somebody else changed this tree while you had it open.</p>
          <DataTable
            caption="What differs"
            className="mt-2"
            columns={[{ head: '' }, { head: 'theirs, kept now' }, { head: 'yours' }]}
            rows={(Object.keys(NAMES) as (keyof Fields)[])
              .filter((f) => theirs.fields[f] !== mine[f])
              .map((f) => {
                const said = (t: Fields) => (f === 'host' ? hostName(t[f]) : t[f] || 'empty')
                return { key: f, name: NAMES[f], cells: [said(theirs.fields), said(mine)] }
              })}
          />
          <div className="flex flex-wrap gap-2 mt-2">
            <Button
              disabled={busy}
              onClick={() => {
                setVersion(theirs.version)
                void save(theirs.version)
              }}
            >
              Keep mine
            </Button>
            <Button
              onClick={() => {
                setMine(theirs.fields)
                setVersion(theirs.version)
                setTheirs(null)
                router.refresh()
              }}
            >
              Take theirs
            </Button>
          </div>
        </Note>
      ) : (
        <ProblemNote
          problem={problem && ['tag', 'note', 'liveCrownPercent'].includes(problem.field) ? null : problem}
        />
      )}
      <div className="flex gap-2">
        <Button type="submit" now disabled={busy}>
          {busy ? 'Saving' : 'Save'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  )
}
