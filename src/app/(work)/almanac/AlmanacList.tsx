'use client'
import { ALMANAC_VERSION } from '@/almanac/version'
import { afterPage } from '@/ui/pieces/afterPage'
import { Link } from '@/ui/pieces/Link'
import { useDeferredValue, useMemo, useState } from 'react'
import { withOwn } from '@/almanac/own'
import type { AlmanacView } from '@/server/read/almanac'
import { entriesOf, KIND_WORD, search, type EntryKind } from '@/almanac/entries'
import { Button } from '@/ui/pieces/Button'
import { Toggle } from '@/ui/fields/Toggle'
import { useMay } from '@/ui/shell/may'

const OwnCause = afterPage(() => import('./OwnForms'), 'OwnCause')
const OwnFinding = afterPage(() => import('./OwnForms'), 'OwnFinding')
const OwnHost = afterPage(() => import('./OwnForms'), 'OwnHost')

const KINDS = Object.keys(KIND_WORD) as EntryKind[]

/** The whole almanac, searched as you type. */
export function AlmanacList({ view }: { view: AlmanacView }) {
  const may = useMay()
  const [typed, setTyped] = useState('')
  const [kind, setKind] = useState<EntryKind | null>('cause')
  const [adding, setAdding] = useState<'cause' | 'finding' | 'host' | null>(null)
  const almanac = useMemo(() => withOwn(view.own.map((o) => o.entry)), [view.own])
  const entries = useMemo(
    () =>
      entriesOf(
        almanac,
        view.own.map((o) => o.entry),
      ),
    [almanac, view.own],
  )
  const words = useDeferredValue(typed)
  const found = useMemo(() => search(entries, words), [entries, words])
  const shown = found.filter((e) => kind === null || words.trim() !== '' || e.kind === kind)
  const noted = new Set(view.notes.map((n) => n.entry))
  return (
    <>
      <h1>Almanac</h1>
      <p className="text-ink2 mt-1">
        {almanac.causes.length} causes, {almanac.findings.size} findings · {ALMANAC_VERSION}
        {view.own.length > 0 && ` with ${view.own.length} own`}
      </p>
      <div className="flex flex-wrap gap-3 items-end mt-4">
        <div className="w-80 max-w-full">
          <label htmlFor="almanac-search" className="label">
            Search everything
          </label>
          <input
            id="almanac-search"
            type="search"
            className="field"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            placeholder="bark, honeydew, oak …"
            autoComplete="off"
          />
        </div>
        <Toggle
          label="Kinds of entry"
          hideLabel
          className="flex flex-wrap gap-1.5"
          options={KINDS.map((k) => [k, KIND_WORD[k]] as const)}
          value={typed === '' ? kind : null}
          onChange={(k) => {
            setKind(k)
            setTyped('')
          }}
        />
      </div>
      <p className="sr-only" role="status">
        {shown.length} entries
      </p>
      <ul className="mt-4 border-t border-line max-w-4xl">
        {shown.slice(0, 200).map((e) => (
          <li key={`${e.kind}:${e.id}`} className="border-b border-line">
            <Link
              href={`/almanac/${e.kind}/${e.id}`}
              className="grid sm:grid-cols-[240px_minmax(0,1fr)_auto] gap-x-4 py-2 no-underline hover:bg-sheet"
            >
              <b>{e.name}</b>
              <span className="text-ink2">{e.says}</span>
              <span className="flex gap-1.5 items-start">
                {e.id.startsWith('own-') && <span className="tag tag-rust">own</span>}
                {noted.has(`${e.kind}:${e.id}`) && <span className="tag tag-straw">noted</span>}
                {words.trim() !== '' && <span className="tag">{KIND_WORD[e.kind].toLowerCase()}</span>}
              </span>
            </Link>
          </li>
        ))}
        {shown.length === 0 && (
          <li className="py-4 text-ink2">Nothing holds all of these words. Try fewer, or a part of one.</li>
        )}
      </ul>
      {may('set-own-entry') && (
        <div className="mt-6">
          {adding === null && (
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => setAdding('cause')}>Add a cause of our own</Button>
              <Button onClick={() => setAdding('finding')}>Add a finding of our own</Button>
              <Button onClick={() => setAdding('host')}>Add a tree of our own</Button>
            </div>
          )}
          {adding === 'host' && <OwnHost onDone={() => setAdding(null)} />}
          {adding === 'cause' && <OwnCause almanac={almanac} view={view} onDone={() => setAdding(null)} />}
          {adding === 'finding' && <OwnFinding onDone={() => setAdding(null)} />}
        </div>
      )}
    </>
  )
}
