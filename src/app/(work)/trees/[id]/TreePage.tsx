'use client'
import Link from 'next/link'
import { useState } from 'react'
import { showGirth, showGround } from '@/core/quantity/format'
import { measureTrunk } from '@/core/trunk/trunk'
import type { HistoryEntry, TreeView } from '@/server/read/tree'
import { Ring } from '@/ui/ring/Ring'
import { RingLegend } from '@/ui/ring/RingLegend'
import { Slip } from '@/ui/slip/Slip'
import { nextStep } from '@/ui/steps/Steps'
import { useViewKeys } from '@/ui/shell/keys'
import { shortDate } from '@/ui/when'
import { IdentityQuestion } from './IdentityQuestion'
import { ReadingForm } from './ReadingForm'
import { TreeForm } from './TreeForm'
import { TreeHeading } from './TreeHeading'

/** One tree: what it is, how big, what its trunk carries, and everything that was done to it. */
export function TreePage({ view }: { view: TreeView }) {
  const { tree, units } = view
  const [open, setOpen] = useState<'slip' | 'edit' | null>(null)
  const reading = view.readings[0]
  const trunk = reading
    ? measureTrunk(
        reading.stemsM.map((d) => (reading.tape === 'girth' ? { girth: d * Math.PI } : { diameter: d })),
        12,
        units,
      )
    : null
  const next = nextStep(tree.id, tree)
  const mayEdit = view.role !== 'technician'
  useViewKeys({ w: () => setOpen(open === 'slip' ? null : 'slip') })

  return (
    <>
      <TreeHeading view={view} title={tree.tag} below={tree.note ?? 'No note on this tree yet.'} />
      <div className="grid gap-x-8 gap-y-6 mt-4 lg:grid-cols-[250px_minmax(300px,1fr)_minmax(280px,320px)]">
        <div>
          {tree.listedAs && !tree.identityConfirmedAt && (
            <p className="text-[0.92rem] mb-2 text-ink2">
              The client’s list calls it “{tree.listedAs}”. Nobody has confirmed that yet.
            </p>
          )}
          {!tree.identityConfirmedAt && view.kind?.confusedWith && (
            <IdentityQuestion treeId={tree.id} host={view.kind} />
          )}
          <div className="mb-4">
            <p className="label">Girth at breast height</p>
            {trunk?.ok && reading ? (
              <>
                <p className="font-head font-bold text-[2.3rem] leading-none">
                  {showGirth(trunk.value.equivalentDiameter * Math.PI, units).replace(/ (in|cm)$/, '')}{' '}
                  <span className="text-[1.05rem] font-text font-normal text-ink2">
                    {units === 'us' ? 'in' : 'cm'}
                  </span>
                </p>
                <p className="text-ink2 mt-1">
                  {showGirth(trunk.value.equivalentDiameter, units)} through · read{' '}
                  {shortDate(reading.readAt, view.timeZone)}
                </p>
              </>
            ) : (
              <p className="text-[1.2rem] font-bold">Not measured yet</p>
            )}
          </div>
          <dl className="mb-4">
            <Row
              name="Live crown"
              value={tree.liveCrownPercent === null ? 'not taken' : `${tree.liveCrownPercent} %`}
            />
            <Row
              name="Root zone"
              value={trunk?.ok ? `${showGround(trunk.value.criticalRootZone.radius, units)} out` : 'unknown'}
            />
            <Row name="Wood" value={view.kind?.wood ?? 'unknown'} />
          </dl>
          <div className="flex flex-wrap gap-2">
            <Link href={next.href} className="btn btn-now">
              {next.text} →
            </Link>
            {trunk?.ok && (
              <button
                type="button"
                className="btn"
                aria-expanded={open === 'slip'}
                onClick={() => setOpen(open === 'slip' ? null : 'slip')}
                title="Working ( w )"
              >
                Working
              </button>
            )}
            {mayEdit && (
              <button
                type="button"
                className="btn"
                aria-expanded={open === 'edit'}
                onClick={() => setOpen(open === 'edit' ? null : 'edit')}
              >
                Change
              </button>
            )}
          </div>
          {open === 'edit' && <TreeForm view={view} onDone={() => setOpen(null)} />}
        </div>
        <div>
          <Ring
            marks={view.marks}
            holes={view.holes}
            label={`${tree.tag} from above`}
            className="w-full max-w-[430px] mx-auto"
          />
          <RingLegend marks={view.marks} holes={view.holes.length} ports={false} />
          <p className="text-center mt-2">
            <Link href={`/trees/${tree.id}/prescribe#ring`} className="underline underline-offset-2">
              {view.marks.length === 0 ? 'Set flares and dead wood on the ring' : 'Change the ring'}
            </Link>
          </p>
        </div>
        <div>
          {open === 'slip' && trunk?.ok && (
            <Slip
              title="Working"
              about={tree.tag}
              working={trunk.value.working.map((s) =>
                s.source === 'reading' && reading
                  ? { ...s, from: `${reading.tape} tape, ${shortDate(reading.readAt, view.timeZone)}` }
                  : s,
              )}
            />
          )}
          {view.role !== 'office' && <ReadingForm view={view} />}
        </div>
      </div>
      <History entries={view.history} timeZone={view.timeZone} />
    </>
  )
}

function Row({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex justify-between border-b border-line2 py-1.5">
      <dt>{name}</dt>
      <dd className="font-bold">{value}</dd>
    </div>
  )
}

const KIND_WORD: Record<HistoryEntry['what'], string> = {
  reading: 'measured',
  diagnosis: 'weighed',
  decision: 'decided',
  prescription: 'prescribed',
  record: 'recorded',
  correction: 'corrected',
  'follow-up': 'checked',
  planned: 'promised',
}

/** Everything that happened to a tree, newest first; what is promised stands on top. */
function History({ entries, timeZone }: { entries: HistoryEntry[]; timeZone: string }) {
  return (
    <section className="mt-8 max-w-4xl" aria-labelledby="history">
      <h2 id="history">History</h2>
      <ol className="border-t border-line mt-2">
        {entries.map((e, i) => (
          <li
            key={i}
            className={`grid sm:grid-cols-[110px_100px_minmax(0,1fr)] gap-x-4 py-2 border-b border-line ${e.what === 'planned' ? 'text-ink2' : ''}`}
          >
            <span className="whitespace-nowrap">{shortDate(e.at, timeZone)}</span>
            <span className="text-ink2">{KIND_WORD[e.what]}</span>
            <span>
              {e.href ? (
                <Link href={e.href} className="font-bold underline underline-offset-2">
                  {e.title}
                </Link>
              ) : (
                <span className="font-bold">{e.title}</span>
              )}
              <span className="block text-[0.92rem]">
                {e.detail}
                {e.by && <span className="text-ink2"> · {e.by}</span>}
              </span>
            </span>
          </li>
        ))}
        {entries.length === 0 && <li className="py-4 text-ink2">Nothing yet. Measure the trunk to begin.</li>}
      </ol>
    </section>
  )
}
