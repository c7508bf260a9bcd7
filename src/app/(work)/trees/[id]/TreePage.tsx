'use client'
import { WhichKind } from './WhichKind'
import { ReadingForm } from './ReadingForm'
import { afterPage } from '@/ui/pieces/afterPage'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import { showGround } from '@/core/quantity/format'
import { marksOn } from '@/core/ports/marks'
import { measureTrunk } from '@/core/trunk/trunk'
import type { TreeView } from '@/server/read/tree'
import { ANEW } from '@/core/plan/anew'
import { Note } from '@/ui/pieces/Note'
import { Ring } from '@/ui/ring/Ring'
import { RingLegend } from '@/ui/ring/RingLegend'
import { StemRings } from '@/ui/ring/StemRings'
import { Slip } from '@/ui/slip/Slip'
import { nextStep } from '@/ui/steps/Steps'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { useMay } from '@/ui/shell/may'
import { useViewKeys } from '@/ui/shell/keys'
import { shortDate, writtenDate } from '@/ui/when'
import { TrunkSize } from '@/ui/methods/TrunkSize'
import { History } from './History'
import { NotStanding } from './NotStanding'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { IdentityQuestion } from './IdentityQuestion'
import { TreeHeading } from './TreeHeading'
import { Button, ButtonLink } from '@/ui/pieces/Button'

const TreeForm = afterPage(() => import('./TreeForm'), 'TreeForm')
const TakeFromList = afterPage(() => import('./TakeFromList'), 'TakeFromList')

// Opened by a press, now and then: they come after the tree itself.

/** One tree: what it is, how big, what its trunk carries, and everything that was done to it. */
export function TreePage({ view, leaving = false }: { view: TreeView; leaving?: boolean }) {
  const { tree, units } = view
  const [open, setOpen] = useState<'slip' | 'edit' | 'leave' | null>(leaving ? 'leave' : null)
  const reading = view.readings[0]
  const stems = (reading?.stemsM ?? []).map((d) =>
    reading!.tape === 'girth' ? { girth: d * Math.PI } : { diameter: d },
  )
  const trunk = reading ? measureTrunk(stems, 12, units) : null
  const next = nextStep(tree.id, tree)
  const may = useMay()
  const standing = tree.status === 'standing'
  useViewKeys({ w: () => setOpen(open === 'slip' ? null : 'slip') })

  return (
    <>
      <TreeHeading view={view} title={tree.tag} below={tree.note ?? 'No note on this tree yet.'} />
      <NotStanding view={view} />
      {view.forClient && (
        <p className="mt-1 no-print">
          <Link href={`/trees/${tree.id}/client`} className="underline underline-offset-2">
            {view.forClient === 'does' ? 'What the client does →' : 'What the client is told →'}
          </Link>
        </p>
      )}
      {view.prescription?.status === 'handed' && view.prescription.anew && (
        <Note says="stop" className="mt-3 max-w-3xl">
          {ANEW[view.prescription.anew]}{' '}
          <Link href={`/trees/${tree.id}/prescribe`} className="underline">
            Take it back and prescribe anew
          </Link>
          .
        </Note>
      )}
      <div className="grid gap-x-8 gap-y-6 mt-4 lg:grid-cols-[250px_minmax(300px,1fr)_minmax(280px,320px)]">
        <div>
          {tree.listedAs && !tree.identityConfirmedAt && tree.host !== UNKNOWN_KIND && (
            <p className="text-small mb-2 text-ink2">
              The client’s list calls it “{tree.listedAs}”. Nobody has confirmed that yet.
            </p>
          )}
          {tree.host === UNKNOWN_KIND && <WhichKind treeId={tree.id} listedAs={tree.listedAs} />}
          {!tree.identityConfirmedAt && view.kind?.confusedWith && (
            <IdentityQuestion treeId={tree.id} host={view.kind} lookAlike={view.lookAlike} />
          )}
          <div className="mb-4">
            {trunk?.ok && reading ? (
              <TrunkSize
                stems={stems}
                diameter={trunk.value.equivalentDiameter}
                read={shortDate(reading.readAt, view.timeZone)}
                units={units}
              />
            ) : (
              <p className="text-lead font-bold">Not measured yet</p>
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
            {standing && (
              <ButtonLink href={next.href} now>
                {next.text} →
              </ButtonLink>
            )}
            {trunk?.ok && (
              <Button
                aria-expanded={open === 'slip'}
                onClick={() => setOpen(open === 'slip' ? null : 'slip')}
                title="Working ( w )"
              >
                Working
              </Button>
            )}
            {standing && may('change-tree') && (
              <Button
                aria-expanded={open === 'edit'}
                onClick={() => setOpen(open === 'edit' ? null : 'edit')}
              >
                Change
              </Button>
            )}
            {standing && (
              <ButtonLink quiet href={`/grounds/${tree.siteId}/season?tree=${tree.id}`}>
                Season
              </ButtonLink>
            )}
            {standing && may('move-tree') && (
              <ButtonLink quiet href={`/grounds/${tree.siteId}?move=${tree.id}`}>
                Move on the plan
              </ButtonLink>
            )}
            {standing && may('remove-tree') && (
              <Button
                quiet
                aria-expanded={open === 'leave'}
                onClick={() => setOpen(open === 'leave' ? null : 'leave')}
              >
                Gone, or listed twice
              </Button>
            )}
            <PrintButton />
          </div>
          {open === 'edit' && <TreeForm view={view} onDone={() => setOpen(null)} />}
          {open === 'leave' && <TakeFromList view={view} onDone={() => setOpen(null)} />}
        </div>
        <div>
          {stems.length > 1 && <p className="text-center font-bold">The foot</p>}
          <Ring
            marks={marksOn(view.marks, null)}
            holes={view.holes.filter((h) => h.stem === undefined)}
            label={`${tree.tag} from above`}
            className="w-full max-w-[430px] mx-auto"
          />
          <RingLegend marks={view.marks} holes={view.holes} ports={false} />
          {stems.length > 1 && (
            <StemRings
              className="mt-3"
              stems={stems.map((_, i) => ({
                stem: i + 1,
                label: `Stem ${i + 1} of ${tree.tag} from above`,
              }))}
              marks={view.marks}
              holes={view.holes}
              ports={[]}
            />
          )}
          <p className="text-center mt-2 no-print">
            <Link href={`/trees/${tree.id}/prescribe#ring`} className="underline underline-offset-2">
              {view.marks.length === 0 ? 'Set flares and dead wood on the ring' : 'Change the ring'}
            </Link>
          </p>
        </div>
        <div>
          {trunk?.ok && (
            <div className={open === 'slip' ? '' : 'hidden print:block'}>
              <Slip
                title="Working"
                about={tree.tag}
                working={trunk.value.working.map((s) =>
                  s.source === 'reading' && reading
                    ? { ...s, from: `${reading.tape} tape, ${shortDate(reading.readAt, view.timeZone)}` }
                    : s,
                )}
              />
            </div>
          )}
          {view.promised.length > 0 && <Promised view={view} />}
          {standing && may('add-reading') && <ReadingForm view={view} />}
        </div>
      </div>
      <History treeId={tree.id} entries={view.history} timeZone={view.timeZone} />
    </>
  )
}

/** What is promised of this tree, the next due first. */
function Promised({ view }: { view: TreeView }) {
  return (
    <section id="promised" className="mb-5">
      <h2>Promised</h2>
      <ul className="border-t border-line mt-1">
        {view.promised.map((c) => (
          <li key={c.id} className="border-b border-line">
            <Link
              href={`/follow-up/${c.id}`}
              className="flex justify-between gap-3 py-1.5 no-underline hover:underline"
            >
              <span>{c.what}</span>
              <span className={c.dueOn <= view.today ? 'tag tag-rust' : 'text-ink2 whitespace-nowrap'}>
                {c.dueOn <= view.today ? 'check now' : writtenDate(c.dueOn)}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
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
