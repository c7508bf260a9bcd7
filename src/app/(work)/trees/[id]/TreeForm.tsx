'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useFormContext } from 'react-hook-form'
import { hostsOf } from '@/almanac/ownEntry'
import { HOSTS, hostName } from '@/almanac/hosts'
import { changeTreeAsks } from '@/asks/trees'
import type { TreeView } from '@/server/read/tree'
import { askFor } from '@/ui/fields/askFor'
import { Asked } from '@/ui/form/Asked'
import { AskedForm, useAsking } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { DataTable } from '@/ui/pieces/DataTable'
import { Note } from '@/ui/pieces/Note'

type Kept = Pick<TreeView['tree'], 'tag' | 'host' | 'note' | 'liveCrownPercent'>

const NAMES = { tag: 'Tag', host: 'Kind', note: 'Note', liveCrownPercent: 'Live crown, %' } as const
type Fields = Record<keyof typeof NAMES, string>

const asFields = (t: Kept): Fields => ({
  tag: t.tag,
  host: t.host,
  note: t.note ?? '',
  liveCrownPercent: t.liveCrownPercent === null ? '' : String(t.liveCrownPercent),
})

interface Theirs {
  fields: Fields
  version: number
}

/** The tree's own fields. When somebody else changed them meanwhile, both stand side by side to choose from. */
export function TreeForm({ view, onDone }: { view: TreeView; onDone: () => void }) {
  const router = useRouter()
  const { tree } = view
  const step = useStep('change-tree')
  // The version the form began from, not the newest one: a refresh behind the form must not hide a conflict.
  const [version, setVersion] = useState(tree.version)
  const [theirs, setTheirs] = useState<Theirs | null>(null)

  async function send(input: Record<string, unknown>) {
    const done = await step.send(input)
    if (done !== null) return done
    // Out of reach the problem itself says so.
    const now = await askFor<Kept & { version: number }>(`/api/trees/${tree.id}`)
    if (now) setTheirs(now.version === input.version ? null : { fields: asFields(now), version: now.version })
    return null
  }

  return (
    <AskedForm
      asks={changeTreeAsks}
      start={asFields(tree)}
      fixed={{ treeId: tree.id, version }}
      by={{ ...step, send, problem: theirs ? null : step.problem }}
      onDone={() => {
        router.refresh()
        onDone()
      }}
      keep="Save"
      onLeave={onDone}
      className="grid gap-3 mt-4 bg-sheet border border-line p-4"
    >
      <h2>Change {tree.tag}</h2>
      <Asked at="tag" />
      <Asked at="host" options={[...HOSTS, ...hostsOf(view.own)].map((h) => [h.id, h.name] as const)} />
      <Asked at="liveCrownPercent" />
      <Asked at="note" />
      {theirs && (
        <SideBySide
          theirs={theirs}
          onMine={() => setVersion(theirs.version)}
          onTheirs={() => {
            setVersion(theirs.version)
            setTheirs(null)
            router.refresh()
          }}
        />
      )}
    </AskedForm>
  )
}

/** What somebody else kept meanwhile beside what is typed here, where they differ. */
function SideBySide({
  theirs,
  onMine,
  onTheirs,
}: {
  theirs: Theirs
  onMine: () => void
  onTheirs: () => void
}) {
  const { busy, sendWith } = useAsking()
  const { watch, reset } = useFormContext()
  const mine = watch() as Fields
  return (
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
            onMine()
            sendWith({ version: theirs.version })
          }}
        >
          Keep mine
        </Button>
        <Button
          onClick={() => {
            reset(theirs.fields)
            onTheirs()
          }}
        >
          Take theirs
        </Button>
      </div>
    </Note>
  )
}
