import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { Problem } from '@/core/problem'
import { LineInput } from '@/ui/fields/TypedLine'
import { placeOf, rowsOf, type Typed } from '@/ui/fields/paths'
import { Refusal } from '@/ui/fields/Refusal'
import { isRows, rowPath, type Line, type Rows, type Sheet } from './sheet'
import { Button } from '@/ui/pieces/Button'

// Pasting is seldom, and brings a reader of files with it.
const PasteRows = dynamic(() => import('./PasteRows').then((m) => m.PasteRows), { ssr: false })

/** What is typed on a sheet. The problem of the answer stands at its own line. */
export function SheetForm({
  sheet,
  typed,
  read,
  problem,
  onChange,
}: {
  sheet: Sheet
  typed: Typed
  /** What is typed with its units filled in, see `withUnits`. */
  read: Typed
  problem: Problem | null
  onChange: (typed: Typed) => void
}) {
  const place = problem ? placeOf(sheet.lineOf?.(problem.field) ?? problem.field, typed) : null
  const at = (path: string) => (place === path ? problem!.message : null)
  const set = (path: string, text: string) => onChange({ ...typed, [path]: text })
  return (
    <form
      className="grid grid-cols-2 gap-x-4 gap-y-3 content-start"
      onSubmit={(e) => e.preventDefault()}
      aria-label={sheet.title}
    >
      {sheet.lines.map((line) => {
        if (line.when && !line.when(typed)) return null
        if (isRows(line))
          return (
            <RowsOf
              key={line.rows}
              rows={line}
              typed={typed}
              read={read}
              at={at}
              set={set}
              onChange={onChange}
            />
          )
        return (
          <OneLine
            key={line.path}
            line={line}
            path={line.path}
            typed={typed}
            read={read}
            problem={at(line.path)}
            set={set}
          />
        )
      })}
    </form>
  )
}

function OneLine({
  line,
  path,
  typed,
  read,
  problem,
  set,
  spoken,
}: {
  line: Line
  path: string
  typed: Typed
  read: Typed
  problem: string | null
  set: (path: string, text: string) => void
  spoken?: string
}) {
  const input = (
    <LineInput
      line={line}
      value={typed[path] ?? ''}
      help={read[path] === typed[path] ? line.help : `read as ${read[path]}`}
      problem={problem}
      spoken={spoken}
      onValue={(text) => set(path, text)}
    />
  )
  // Lists and long words get the whole width of a phone.
  if (line.kind === 'numbers') return <div className="col-span-2">{input}</div>
  const long = !spoken && line.options?.some(([, text]) => text.length > 13)
  return long ? <div className="col-span-2 sm:col-span-1">{input}</div> : input
}

function RowsOf({
  rows,
  typed,
  read,
  at,
  set,
  onChange,
}: {
  rows: Rows
  typed: Typed
  read: Typed
  at: (path: string) => string | null
  set: (path: string, text: string) => void
  onChange: (typed: Typed) => void
}) {
  const numbers = rowsOf(typed, rows.rows)
  const [pasting, setPasting] = useState(false)
  function add() {
    const next = (numbers.at(-1) ?? -1) + 1
    const from = numbers.at(-1)
    const added: Record<string, string> = {}
    for (const l of rows.lines)
      added[rowPath(rows.rows, next, l.path)] =
        // A new row begins as the last one where that saves typing: the same shape, the same kind of product.
        l.kind === 'choice'
          ? ((from === undefined ? undefined : typed[rowPath(rows.rows, from, l.path)]) ??
            l.options?.[0]?.[0] ??
            '')
          : ''
    onChange({ ...typed, ...added })
  }
  const without = (start: string) =>
    Object.fromEntries(Object.entries(typed).filter(([path]) => !path.startsWith(start)))
  const remove = (row: number) => onChange(without(`${rows.rows}[${row}]`))
  function take(read: Record<string, string>[]) {
    const next: Record<string, string> = without(`${rows.rows}[`)
    read.forEach((row, i) => {
      for (const [path, text] of Object.entries(row)) next[rowPath(rows.rows, i, path)] = text
    })
    onChange(next)
    setPasting(false)
  }
  return (
    <fieldset className="col-span-2 border-l-2 border-line pl-3">
      <legend className="sr-only">{rows.each}</legend>
      <Refusal words={at(rows.rows)} />
      {numbers.map((row, i) => (
        <div key={row} className="flex items-start gap-2 mb-2">
          <div
            className="grid gap-2 flex-1 min-w-0"
            style={{
              gridTemplateColumns: `repeat(auto-fit, minmax(${rows.lines.length > 3 ? 92 : 84}px, 1fr))`,
            }}
          >
            {rows.lines.map((line) => {
              const path = rowPath(rows.rows, row, line.path)
              return (
                <OneLine
                  key={line.path}
                  line={i === 0 ? line : { ...line, help: undefined }}
                  path={path}
                  typed={typed}
                  read={read}
                  problem={at(path) ?? (line === rows.lines[0] ? at(`${rows.rows}[${row}]`) : null)}
                  set={set}
                  spoken={`${line.label}, ${rows.each} ${i + 1}`}
                />
              )
            })}
          </div>
          <Button
            className="mt-[22px] px-0 w-[38px] hand:w-12 no-print"
            onClick={() => remove(row)}
            aria-label={`Take away ${rows.each} ${i + 1}`}
            title="Take away"
          >
            −
          </Button>
        </div>
      ))}
      <button
        type="button"
        className="underline underline-offset-2 py-1 hand:min-h-12 no-print"
        onClick={add}
      >
        + {rows.each}
      </button>
      {rows.pasted && (
        <button
          type="button"
          aria-expanded={pasting}
          className="underline underline-offset-2 py-1 ml-4 hand:min-h-12 no-print"
          onClick={() => setPasting(!pasting)}
        >
          {pasting ? 'Do not paste' : 'Paste rows'}
        </button>
      )}
      {pasting && <PasteRows rows={rows} onTake={take} />}
    </fieldset>
  )
}
