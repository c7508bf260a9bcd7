import type { ReactNode } from 'react'

/** A column: what stands over it, and whether its figures stand flush right or only where there is room. */
export interface Column {
  head: ReactNode
  figures?: boolean
  wideOnly?: boolean
}

/**
 * A table of figures or words: rows that each begin with their name. `caption` says what it is to whoever cannot see it.
 */
export function DataTable({
  caption,
  columns,
  rows,
  className = '',
}: {
  caption: string
  /** The first stands over the rows' names. */
  columns: readonly Column[]
  rows: readonly { key: string | number; name: ReactNode; cells: readonly ReactNode[] }[]
  className?: string
}) {
  const look = (c: Column | undefined) =>
    [c?.figures && 'text-right', c?.wideOnly && 'max-sm:hidden'].filter(Boolean).join(' ') || undefined
  return (
    <table className={`data-table ${className}`}>
      <caption className="sr-only">{caption}</caption>
      {columns.some((c) => Boolean(c.head)) && (
        <thead>
          <tr>
            {columns.map((c, i) => (
              <th key={i} scope="col" className={look(c)}>
                {c.head}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row) => (
          <tr key={row.key}>
            <th scope="row">{row.name}</th>
            {row.cells.map((cell, i) => (
              <td key={i} className={look(columns[i + 1])}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
