import type { Sheet } from './sheet'
import { DIAGNOSE } from './diagnoseSheet'
import { GATE_SHEET } from './gateSheet'
import { GROUND_SHEETS } from './groundSheets'
import { OFFICE_SHEETS } from './officeSheets'
import { PLAN_SHEETS } from './planSheets'
import { TRUNK_SHEETS } from './trunkSheets'

/** Every sheet, in the order of the work. */
export const SHEETS: readonly Sheet[] = [
  ...TRUNK_SHEETS,
  ...GROUND_SHEETS,
  ...PLAN_SHEETS,
  ...OFFICE_SHEETS,
  GATE_SHEET,
  DIAGNOSE,
]

/** The sheet of a name; the first where there is none. */
export function sheetNamed(name: string | null): Sheet {
  return SHEETS.find((s) => s.name === name) ?? SHEETS[0]!
}

/** What the address bar carries into the sheet: paths it knows, everything else stays as it starts. */
export function isPathOf(sheet: Sheet, path: string): boolean {
  return sheet.lines.some((line) => {
    if (!('rows' in line)) return line.path === path
    const found = /^(.*)\[(\d{1,4})\](?:\.(.*))?$/.exec(path)
    return found?.[1] === line.rows && line.lines.some((l) => l.path === (found[3] ?? ''))
  })
}
