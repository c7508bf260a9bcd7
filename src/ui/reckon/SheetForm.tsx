import type { Problem } from '@/core/problem'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { placeOf, rowsOf, type Typed } from './paths'
import { isRows, rowPath, type Line, type Rows, type Sheet } from './sheet'

/** What is typed on a sheet. The problem of the answer stands at its own line. */
export function SheetForm({
  sheet,
  typed,
  problem,
  onChange,
}: {
  sheet: Sheet
  typed: Typed
  problem: Problem | null
  onChange: (typed: Typed) => void
}) {
  const place = problem ? placeOf(problem.field, typed) : null
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
          return <RowsOf key={line.rows} rows={line} typed={typed} at={at} set={set} onChange={onChange} />
        return (
          <OneLine
            key={line.path}
            line={line}
            path={line.path}
            typed={typed}
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
  problem,
  set,
  spoken,
}: {
  line: Line
  path: string
  typed: Typed
  problem: string | null
  set: (path: string, text: string) => void
  spoken?: string
}) {
  const name = spoken ? { 'aria-label': spoken } : {}
  if (line.kind === 'choice') {
    // Long words get the whole width of a phone.
    const long = !spoken && line.options?.some(([, text]) => text.length > 13)
    return (
      <div className={long ? 'col-span-2 sm:col-span-1' : undefined}>
        <Choice
          label={line.label}
          options={line.options ?? []}
          value={typed[path] || line.options?.[0]?.[0]}
          onChange={(e) => set(path, e.target.value)}
          problem={problem}
          {...name}
        />
      </div>
    )
  }
  const field = (
    <Field
      label={line.label}
      hint={line.hint}
      value={typed[path] ?? ''}
      onChange={(e) => set(path, e.target.value)}
      problem={problem}
      type={line.kind === 'date' ? 'date' : 'text'}
      inputMode={line.kind === 'number' ? 'decimal' : undefined}
      {...name}
    />
  )
  return line.kind === 'numbers' ? <div className="col-span-2">{field}</div> : field
}

function RowsOf({
  rows,
  typed,
  at,
  set,
  onChange,
}: {
  rows: Rows
  typed: Typed
  at: (path: string) => string | null
  set: (path: string, text: string) => void
  onChange: (typed: Typed) => void
}) {
  const numbers = rowsOf(typed, rows.rows)
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
  const remove = (row: number) =>
    onChange(
      Object.fromEntries(Object.entries(typed).filter(([path]) => !path.startsWith(`${rows.rows}[${row}]`))),
    )
  return (
    <fieldset className="col-span-2 border-l-2 border-line pl-3">
      <legend className="sr-only">{rows.each}</legend>
      {at(rows.rows) && <p className="text-plum font-semibold">{at(rows.rows)}</p>}
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
                  line={i === 0 ? line : { ...line, hint: undefined }}
                  path={path}
                  typed={typed}
                  problem={at(path) ?? (line === rows.lines[0] ? at(`${rows.rows}[${row}]`) : null)}
                  set={set}
                  spoken={`${line.label}, ${rows.each} ${i + 1}`}
                />
              )
            })}
          </div>
          <button
            type="button"
            className="btn mt-[22px] px-0 w-[38px] max-sm:w-12 no-print"
            onClick={() => remove(row)}
            aria-label={`Take away ${rows.each} ${i + 1}`}
            title="Take away"
          >
            −
          </button>
        </div>
      ))}
      <button
        type="button"
        className="underline underline-offset-2 py-1 max-sm:min-h-12 no-print"
        onClick={add}
      >
        + {rows.each}
      </button>
    </fieldset>
  )
}
