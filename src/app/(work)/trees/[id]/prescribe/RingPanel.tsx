'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { InjectionPlan } from '@/core/methods/trunk-injection/plan'
import type { RingMark } from '@/core/ports/marks'
import { suitability } from '@/core/ports/suitability'
import { sideInWords } from '@/core/ports/bearing'
import { plain } from '@/core/quantity/format'
import type { PrescribeView } from '@/server/read/tree'
import { MarkList } from '@/ui/ring/MarkList'
import { askFor } from '@/ui/fields/askFor'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { marksOfStem, withStem } from './marksOfStem'

/** Beside the ring: the chosen port with its cost, or the marks as numbers and their saving. */
export function RingPanel(props: {
  view: PrescribeView
  mode: 'ports' | 'marks'
  marks: RingMark[]
  onMarks: (marks: RingMark[]) => void
  chosen: number | null
  onChoose: (index: number) => void
  dirty: boolean
  bearings: number[]
  best: number[]
  plan: InjectionPlan | null
  refusal: string | null
  onMove: (index: number, bearing: number) => void
  onPutBack: () => void
}) {
  return props.mode === 'ports' ? <PortPanel {...props} /> : <MarksPanel {...props} stem={null} />
}

function PortPanel({
  chosen,
  bearings,
  best,
  plan,
  refusal,
  onMove,
  onPutBack,
}: Parameters<typeof RingPanel>[0]) {
  const bearing = chosen === null ? undefined : bearings[chosen]
  const changed = bearings.filter((b) => !best.includes(b)).length
  return (
    <section aria-label="Chosen port" className="no-print mb-4">
      <div aria-live="polite">
        {bearing === undefined || !plan ? (
          <p className="text-ink2 text-small">
            Drag a port, or choose one with Tab and move it with the arrow keys.
          </p>
        ) : (
          <p>
            <b>Port {chosen! + 1}</b> at {bearing}°, {sideInWords(bearing)} · suitability of the wood there{' '}
            {plain(suitability(bearing, plan.layoutInput))} of 1
          </p>
        )}
        {plan && changed > 0 && (
          <p className="text-small text-straw">
            {changed} moved by hand: {plain(plan.bestTotal - plan.layout.total)} of suitability given up.
          </p>
        )}
      </div>
      {bearing !== undefined && (
        <div className="flex flex-wrap gap-2 mt-2 items-end">
          <Button className="!px-2.5" onClick={() => onMove(chosen!, bearing - 1)}>
            − 1°
          </Button>
          <Button className="!px-2.5" onClick={() => onMove(chosen!, bearing + 1)}>
            + 1°
          </Button>
          <label>
            <span className="sr-only">Bearing of port {chosen! + 1}</span>
            <input
              key={bearing}
              className="field !w-[64px] text-right"
              inputMode="numeric"
              defaultValue={bearing}
              onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
              onBlur={(e) => {
                const n = Math.round(Number(e.target.value))
                if (e.target.value.trim() === '' || !Number.isFinite(n)) e.target.value = String(bearing)
                else if (n !== bearing) onMove(chosen!, n)
              }}
            />
          </label>
          {changed > 0 && (
            <Button className="!px-2.5" onClick={onPutBack}>
              Put all back
            </Button>
          )}
        </div>
      )}
      <div role="alert">
        {refusal && (
          <Note says="stop" className="mt-2">
            {refusal}
          </Note>
        )}
      </div>
    </section>
  )
}

/** The marks of one trunk as numbers, and the saving of all. */
export function MarksPanel({
  view,
  stem,
  marks,
  onMarks,
  chosen,
  onChoose,
  dirty,
}: Pick<Parameters<typeof RingPanel>[0], 'view' | 'marks' | 'onMarks' | 'chosen' | 'onChoose' | 'dirty'> & {
  /** Which of several stems; null for the foot or the only trunk. */
  stem: number | null
}) {
  const may = useMay()
  const { send, busy, problem, takeVersion } = useSaveRing(view)
  // A press that was lost is no conflict with anybody.
  const overtaken = problem?.field === 'version'
  return (
    <section aria-label="Marks on the trunk">
      <h2 className="mb-2">On {stem === null ? 'the trunk' : `stem ${stem}`}, clockwise from north</h2>
      <MarkList
        marks={marksOfStem(marks, stem)}
        today={view.today}
        chosen={chosen}
        onChoose={onChoose}
        onChange={(own) => onMarks(withStem(marks, stem, own))}
      />
      <ProblemNote problem={overtaken ? null : problem} />
      {overtaken && (
        <RingConflict
          view={view}
          mine={marks}
          onTake={(theirs, version) => {
            onMarks(theirs)
            takeVersion(version)
          }}
          onKeep={() => void send(marks, true)}
        />
      )}
      <div className="flex gap-2 mt-3">
        {may('save-ring') && (
          <Button now disabled={busy || !dirty} onClick={() => void send(marks)}>
            {busy ? 'Saving' : dirty ? 'Save the ring' : 'Ring saved'}
          </Button>
        )}
        {dirty && <Button onClick={() => onMarks(view.marks)}>As it was</Button>}
      </div>
    </section>
  )
}

/** Saves the ring against the version the page was opened with. */
export function useSaveRing(view: PrescribeView) {
  const router = useRouter()
  const verb = useVerb('save-ring')
  const [version, setVersion] = useState(view.tree.version)
  async function send(marks: RingMark[], over = false): Promise<boolean> {
    let base = version
    if (over) {
      const theirs = await asItIs(view.tree.id)
      if (theirs) base = theirs.version
    }
    const done = await verb.send({
      treeId: view.tree.id,
      version: base,
      marks: marks.map((m) => ({
        kind: m.kind,
        from: m.from,
        to: m.to,
        severity: m.severity ?? null,
        notedOn: m.notedOn,
        stem: m.stem ?? null,
      })),
    })
    if (!done) return false
    setVersion(done.version)
    router.refresh()
    return true
  }
  function takeVersion(next: number) {
    setVersion(next)
    verb.clear()
    router.refresh()
  }
  return { ...verb, send, takeVersion }
}

/** The ring as it is kept now; null where it cannot be had. */
const asItIs = (treeId: string) => askFor<{ version: number; marks: RingMark[] }>(`/api/trees/${treeId}`)

function RingConflict({
  view,
  mine,
  onTake,
  onKeep,
}: {
  view: PrescribeView
  mine: RingMark[]
  onTake: (marks: RingMark[], version: number) => void
  onKeep: () => void
}) {
  /** Null where it was asked for and cannot be had. */
  const [theirs, setTheirs] = useState<Awaited<ReturnType<typeof asItIs>>>()
  const words = (list: RingMark[]) =>
    list
      .map(
        (m) =>
          `${m.stem ? `stem ${m.stem}: ` : ''}${m.kind} ${Math.round(m.from)}°${m.kind === 'hole' ? '' : `–${Math.round(m.to)}°`}`,
      )
      .join(', ') || 'nothing'
  return (
    <Note as="div" className="mt-2" role="alert">
      <p>Somebody else changed this tree while you had it open.</p>
      {theirs ? (
        <dl className="text-small mt-1">
          <dt className="font-bold">Theirs, kept now</dt>
          <dd>{words(theirs.marks)}</dd>
          <dt className="font-bold mt-1">Yours</dt>
          <dd>{words(mine)}</dd>
        </dl>
      ) : (
        <Button className="mt-2" onClick={async () => setTheirs(await asItIs(view.tree.id))}>
          See both
        </Button>
      )}
      {theirs === null && (
        <p className="mt-1">
          Theirs cannot be had just now. Yours is still here; try again when you are in reach.
        </p>
      )}
      {theirs && (
        <div className="flex gap-2 mt-2">
          <Button onClick={onKeep}>Keep mine</Button>
          <Button
            onClick={() =>
              onTake(
                theirs.marks.map(({ kind, from, to, severity, notedOn, stem }) => ({
                  kind,
                  from,
                  to,
                  severity,
                  notedOn,
                  stem,
                })),
                theirs.version,
              )
            }
          >
            Take theirs
          </Button>
        </div>
      )}
    </Note>
  )
}
