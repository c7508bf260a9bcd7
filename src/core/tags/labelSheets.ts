/** A sheet of labels; lengths in millimetres from the top left corner of the paper. */
export interface LabelSheet {
  id: string
  /** As it is chosen. */
  says: string
  paper: { width: number; height: number }
  columns: number
  rows: number
  /** Corner of the first label. */
  left: number
  top: number
  /** From one label to the next. */
  across: number
  down: number
  label: { width: number; height: number }
}

const A4 = { width: 210, height: 297 }
const LETTER = { width: 215.9, height: 279.4 }

/** Sizes in which labels are sold, by their paper. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  {
    id: 'letter-30',
    says: 'Letter, 30 of 2 5/8 × 1 in',
    paper: LETTER,
    columns: 3,
    rows: 10,
    left: 4.8,
    top: 12.7,
    across: 69.85,
    down: 25.4,
    label: { width: 66.7, height: 25.4 },
  },
  {
    id: 'letter-10',
    says: 'Letter, 10 of 4 × 2 in',
    paper: LETTER,
    columns: 2,
    rows: 5,
    left: 3.9,
    top: 12.7,
    across: 106.5,
    down: 50.8,
    label: { width: 101.6, height: 50.8 },
  },
  {
    id: 'a4-24',
    says: 'A4, 24 of 70 × 37 mm',
    paper: A4,
    columns: 3,
    rows: 8,
    left: 0,
    top: 0.5,
    across: 70,
    down: 37,
    label: { width: 70, height: 37 },
  },
  {
    id: 'a4-14',
    says: 'A4, 14 of 99 × 38 mm',
    paper: A4,
    columns: 2,
    rows: 7,
    left: 4.7,
    top: 15.1,
    across: 101.6,
    down: 38.1,
    label: { width: 99, height: 38.1 },
  },
]

/** How many labels a sheet has. */
export const labelsOn = (sheet: LabelSheet): number => sheet.columns * sheet.rows

/** How many labels of a sheet are used already, as typed; null for what leaves none or is no number. `readUsed(sheet, '3') === 3` */
export function readUsed(sheet: LabelSheet, typed: string): number | null {
  return /^\d{1,3}$/.test(typed) && Number(typed) < labelsOn(sheet) ? Number(typed) : null
}

/** What stays free around what is printed on a label, mm. */
export const EDGE = 2.5

/** The side of the square code on a label, mm. */
export const codeSide = (sheet: LabelSheet): number => sheet.label.height - 2 * EDGE

/** Where the `n`th label lies, from 0: its sheet and its corner, mm. `placeOf(sheet, 31).page === 1` on one of 30 */
export function placeOf(sheet: LabelSheet, n: number): { page: number; x: number; y: number } {
  const each = labelsOn(sheet)
  const on = n % each
  return {
    page: Math.floor(n / each),
    x: sheet.left + (on % sheet.columns) * sheet.across,
    y: sheet.top + Math.floor(on / sheet.columns) * sheet.down,
  }
}
