import { useState } from 'react'
import { TextArea } from '@/ui/fields/TextArea'
import { Button } from '@/ui/pieces/Button'
import { readPasted } from './pasted'
import type { Rows } from './sheet'

/** Rows copied elsewhere, taken over in the place of those on the sheet. */
export function PasteRows({
  rows,
  onTake,
}: {
  rows: Rows
  onTake: (read: Record<string, string>[]) => void
}) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  function take() {
    const read = readPasted(text, rows)
    if (read.ok) onTake(read.value)
    else setProblem(read.problem.message)
  }
  return (
    <div className="my-2">
      <TextArea
        label={`Rows to paste: ${rows.lines.map((l) => l.label.toLowerCase()).join(', ')}`}
        hint="From a spreadsheet or a weather file, with or without a first line that names the columns. They take the place of the rows above."
        rows={5}
        value={text}
        problem={problem}
        onChange={(e) => {
          setText(e.target.value)
          setProblem(null)
        }}
      />
      <Button className="mt-2" onClick={take}>
        Take these rows
      </Button>
    </div>
  )
}
