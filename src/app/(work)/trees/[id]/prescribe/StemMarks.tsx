'use client'
import { useState } from 'react'
import { holesIn, type RingMark } from '@/core/ports/marks'
import type { PrescribeView } from '@/server/read/tree'
import { Toggle } from '@/ui/fields/Toggle'
import { RingEditor } from '@/ui/ring/RingEditor'
import { RingLegend } from '@/ui/ring/RingLegend'
import { MarksPanel } from './RingPanel'
import { marksOfStem, withStem } from './marksOfStem'

/** What lies on one of several stems: its ring under the hand, the same as numbers, and its saving. */
export function StemMarks({
  view,
  stems,
  marks,
  onMarks,
  dirty,
}: {
  view: PrescribeView
  stems: number
  marks: RingMark[]
  onMarks: (marks: RingMark[]) => void
  dirty: boolean
}) {
  const [stem, setStem] = useState(1)
  const [chosen, setChosen] = useState<number | null>(null)
  const own = marksOfStem(marks, stem)
  const holes = holesIn(view.holes, stem)
  return (
    <details className="mt-4 no-print">
      <summary className="cursor-pointer underline underline-offset-2 py-1">
        Flares, dead wood and earlier holes of each stem
      </summary>
      <Toggle
        label="Whose ring"
        hideLabel
        className="flex flex-wrap gap-2 mt-2"
        options={Array.from({ length: stems }, (_, i) => [String(i + 1), `Stem ${i + 1}`] as const)}
        value={String(stem)}
        onChange={(s) => {
          setStem(Number(s))
          setChosen(null)
        }}
      />
      <div className="grid md:grid-cols-2 gap-4 mt-2">
        <div>
          <RingEditor
            label={`Stem ${stem} of ${view.tree.tag} from above`}
            marks={own}
            holes={holes}
            ports={[]}
            mode="marks"
            chosen={chosen}
            onChoose={setChosen}
            onMovePort={() => {}}
            onChangeMark={(i, m) =>
              onMarks(
                withStem(
                  marks,
                  stem,
                  own.map((x, j) => (j === i ? m : x)),
                ),
              )
            }
            refusedAt={null}
            className="w-full max-w-[360px] mx-auto"
          />
          <RingLegend marks={own} holes={holes} ports={false} />
        </div>
        <MarksPanel
          view={view}
          stem={stem}
          marks={marks}
          onMarks={onMarks}
          chosen={chosen}
          onChoose={setChosen}
          dirty={dirty}
        />
      </div>
    </details>
  )
}
