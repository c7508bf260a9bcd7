'use client'
import { useState } from 'react'
import { forSheet } from '@/core/text/sheetCell'
import type { Refused } from '@/core/treeList/readList'
import type { ImportLooked } from '@/server/trees/importTrees'
import { Select } from '@/ui/fields/Choice'
import { Button } from '@/ui/pieces/Button'
import type { TreeFile } from './useTreeFile'

/** More than this is mended in the file, not here. */
const SHOWN = 40

/** Rows that cannot be taken as they are, each with its ways out; and kinds nobody knows. */
export function AskingRows({
  work,
  looked,
  kinds,
}: {
  work: TreeFile
  looked: ImportLooked
  kinds: readonly { id: string; name: string }[]
}) {
  const { refused, kindsUnknown } = looked
  const mend = (line: number, how: { out: true } | { column: string; text: string }) =>
    work.change({ rows: { ...work.understood.rows, [line]: how } })
  if (refused.length === 0 && kindsUnknown.length === 0) return null
  const rows = kindsUnknown.reduce((n, k) => n + k.rows, 0)
  return (
    <section className="mt-6">
      <h2>What asks something</h2>
      <ul className="border-t border-line mt-2">
        {refused.slice(0, SHOWN).map((r) => (
          <Row
            key={`${r.line} ${r.message}`}
            refused={r}
            busy={work.busy !== null}
            onMend={(how) => mend(r.line, how)}
          />
        ))}
        {kindsUnknown.length > 0 && (
          <li className="border-b border-line py-2.5 grid gap-2">
            <span>
              <span className="text-ink2 inline-block min-w-[92px]">
                {rows.toLocaleString('en-US')} {rows === 1 ? 'row' : 'rows'}
              </span>
              Kinds that are not known are kept as they are written and asked for at the tree:
            </span>
            {kindsUnknown.slice(0, 12).map((k) => (
              <span key={k.written} className="flex flex-wrap items-center gap-3 pl-[92px] max-sm:pl-0">
                <b className="mr-auto">
                  {k.written}{' '}
                  <span className="font-normal text-ink2">· {k.rows.toLocaleString('en-US')}</span>
                </b>
                <Select
                  aria-label={`${k.written} is the same as`}
                  className="max-w-[210px]"
                  options={[['', 'same as …'] as const, ...kinds.map((x) => [x.id, x.name] as const)]}
                  value=""
                  onValue={(id) =>
                    id !== '' && work.change({ kinds: { ...work.understood.kinds, [k.written]: id } })
                  }
                />
              </span>
            ))}
            {kindsUnknown.length > 12 && (
              <span className="pl-[92px] text-ink2">and {kindsUnknown.length - 12} kinds more</span>
            )}
          </li>
        )}
      </ul>
      {refused.length > 0 && (
        <p className="mt-2">
          {refused.length > SHOWN &&
            `${(refused.length - SHOWN).toLocaleString('en-US')} more rows ask something. `}
          What is not mended is left out.{' '}
          <a href={sheetOf(refused)} download="rows-that-ask.csv">
            A sheet of the {refused.length.toLocaleString('en-US')}
          </a>{' '}
          to hand back.
        </p>
      )}
    </section>
  )
}

function Row({
  refused: r,
  busy,
  onMend,
}: {
  refused: Refused
  busy: boolean
  onMend: (how: { out: true } | { column: string; text: string }) => void
}) {
  const [typed, setTyped] = useState('')
  const column = r.column
  // Which of two it is cannot be typed; one is left out.
  const isTwice = / stands (twice|\d+ times) /.test(r.message)
  return (
    <li className="border-b border-line py-2 grid grid-cols-[72px_minmax(0,1fr)] sm:grid-cols-[84px_minmax(0,1fr)_auto] items-center gap-x-2 gap-y-1.5">
      <span className="text-ink2">row {r.line.toLocaleString('en-US')}</span>
      <span>{r.message}</span>
      <span className="flex items-center gap-2 max-sm:col-start-2">
        {column !== null && !isTwice && (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault()
              if (typed.trim() !== '') onMend({ column, text: typed })
            }}
          >
            <input
              className="field w-[110px]"
              aria-label={`${column}, row ${r.line}`}
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              autoComplete="off"
            />
            <Button type="submit" disabled={busy || typed.trim() === ''}>
              Mend
            </Button>
          </form>
        )}
        <Button quiet disabled={busy} onClick={() => onMend({ out: true })}>
          leave out
        </Button>
      </span>
    </li>
  )
}

/** The refused rows as a file of cells, for whoever made the list. */
function sheetOf(refused: readonly Refused[]): string {
  const cell = (text: string) => `"${forSheet(text).replace(/"/g, '""')}"`
  const lines = [
    ['row', 'column', 'what'],
    ...refused.map((r) => [String(r.line), r.column ?? '', r.message]),
  ].map((line) => line.map(cell).join(','))
  return `data:text/csv;charset=utf-8,${encodeURIComponent(lines.join('\r\n'))}`
}
