'use client'
import { TREE_FIELDS, type TreeField } from '@/core/treeList/fields'
import type { ImportLooked } from '@/server/trees/importTrees'
import { Select } from '@/ui/fields/Choice'
import { DataTable } from '@/ui/pieces/DataTable'
import type { TreeFile } from './useTreeFile'

const NAMES: Partial<Record<TreeField, string>> = {
  crown: 'live crown',
  east: 'metres east',
  north: 'metres north',
  stems: 'stems',
}
const UNITS: Record<string, string> = {
  in: 'inches',
  ft: 'feet',
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
}

/** What each column of the file is; a press says otherwise. */
export function Columns({ work, looked }: { work: TreeFile; looked: ImportLooked }) {
  return (
    <DataTable
      caption="Columns of the file"
      columns={[{ head: 'In the file' }, { head: 'Is' }, { head: 'For example', wideOnly: true }]}
      rows={looked.columns.map((c) => ({
        key: c.header,
        name: c.header,
        cells: [
          <span key="is" className="flex items-center gap-2 min-w-[150px]">
            <Select
              aria-label={`${c.header} is`}
              className="w-[150px]"
              options={[['', 'nothing'] as const, ...TREE_FIELDS.map((f) => [f, NAMES[f] ?? f] as const)]}
              value={c.field ?? ''}
              onValue={(field) =>
                work.change({
                  columns: { ...work.understood.columns, [c.header]: field === '' ? null : field },
                })
              }
            />
            {c.unit && <span className="text-ink2 whitespace-nowrap">{UNITS[c.unit]}</span>}
          </span>,
          <span key="sample" className="text-ink2">
            {c.sample}
          </span>,
        ],
      }))}
    />
  )
}
