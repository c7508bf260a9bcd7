'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { hostsOf } from '@/almanac/own'
import { HOSTS, hostName } from '@/almanac/hosts'
import type { TreeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'

interface Fields {
  tag: string
  host: string
  note: string
  crown: string
}

const NAMES: Record<keyof Fields, string> = { tag: 'Tag', host: 'Kind', note: 'Note', crown: 'Live crown, %' }

/** The tree's own fields. When somebody else changed them meanwhile, both stand side by side to choose from. */
export function TreeForm({ view, onDone }: { view: TreeView; onDone: () => void }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb<{ version: number }>('change-tree')
  const { tree } = view
  const asFields = (t: {
    tag: string
    host: string
    note: string | null
    liveCrownPercent: number | null
  }): Fields => ({
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
    const answer = await fetch(`/api/trees/${tree.id}`)
    if (!answer.ok) return
    const now = (
      (await answer.json()) as {
        value: {
          version: number
          tag: string
          host: string
          note: string | null
          liveCrownPercent: number | null
        }
      }
    ).value
    setTheirs(now.version === base ? null : { fields: asFields(now), version: now.version })
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save(version)
  }

  return (
    <form onSubmit={submit} className="grid gap-3 mt-4 bg-sheet border border-line p-4" noValidate>
      <h2>Change {tree.tag}</h2>
      <Field label={NAMES.tag} value={mine.tag} onChange={set('tag')} problem={at('tag')} />
      <div>
        <label className="label" htmlFor="host">
          {NAMES.host}
        </label>
        <select id="host" className="field" value={mine.host} onChange={set('host')}>
          {[...HOSTS, ...hostsOf(view.own)].map((h) => (
            <option key={h.id} value={h.id}>
              {h.name}
            </option>
          ))}
        </select>
      </div>
      <Field
        label="Live crown, % in steps of 5"
        inputMode="numeric"
        value={mine.crown}
        onChange={set('crown')}
        problem={at('liveCrownPercent')}
      />
      <div>
        <label className="label" htmlFor="note">
          {NAMES.note}
        </label>
        <textarea
          id="note"
          rows={3}
          className="field"
          value={mine.note}
          onChange={set('note')}
          aria-invalid={at('note') ? true : undefined}
        />
        {at('note') && <p className="text-plum font-semibold text-[0.88rem]">{at('note')}</p>}
      </div>
      {theirs ? (
        <div className="note" role="alert">
          <p className="font-bold">Somebody else changed this tree while you had it open.</p>
          <table className="w-full mt-2 text-left">
            <thead>
              <tr>
                <th />
                <th>theirs, kept now</th>
                <th>yours</th>
              </tr>
            </thead>
            <tbody>
              {(Object.keys(NAMES) as (keyof Fields)[])
                .filter((f) => theirs.fields[f] !== mine[f])
                .map((f) => (
                  <tr key={f} className="align-top border-t border-line">
                    <th className="font-normal text-ink2 pr-2">{NAMES[f]}</th>
                    <td className="pr-2 break-words">
                      {f === 'host' ? hostName(theirs.fields[f]) : theirs.fields[f] || 'empty'}
                    </td>
                    <td className="break-words">{f === 'host' ? hostName(mine[f]) : mine[f] || 'empty'}</td>
                  </tr>
                ))}
            </tbody>
          </table>
          <div className="flex flex-wrap gap-2 mt-2">
            <button
              type="button"
              className="btn"
              disabled={busy}
              onClick={() => {
                setVersion(theirs.version)
                void save(theirs.version)
              }}
            >
              Keep mine
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => {
                setMine(theirs.fields)
                setVersion(theirs.version)
                setTheirs(null)
                router.refresh()
              }}
            >
              Take theirs
            </button>
          </div>
        </div>
      ) : (
        <ProblemNote
          problem={problem && ['tag', 'note', 'liveCrownPercent'].includes(problem.field) ? null : problem}
        />
      )}
      <div className="flex gap-2">
        <button type="submit" className="btn btn-now" disabled={busy}>
          {busy ? 'Saving' : 'Save'}
        </button>
        <button type="button" className="btn" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  )
}
