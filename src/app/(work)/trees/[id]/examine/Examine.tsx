'use client'
import { WhichKind } from '../WhichKind'
import { LiveCrown } from './LiveCrown'
import dynamic from 'next/dynamic'
import { useMemo, useRef, useState } from 'react'
import { findingsWithOwn } from '@/almanac/ownFindings'
import { FOLIAGE } from '@/almanac/hosts'
import { stateOf, type Finding, type FindingState, type Place } from '@/core/diagnose/almanac'
import { explain } from '@/core/diagnose/explain'
import { lookFirst } from '@/core/diagnose/looks'
import { knownBefore, nothingHere, sharedBySite, walkOf, type Stop } from '@/core/diagnose/examination'
import type { ExamineView } from '@/server/read/examine'
import { newId } from '@/ui/fields/newId'
import { Select } from '@/ui/fields/Choice'
import { useFindings } from '@/ui/findings/useFindings'
import { useViewKeys } from '@/ui/shell/keys'
import { useGo } from '@/ui/shell/useGo'
import { shortDate } from '@/ui/when'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { IdentityQuestion } from '../IdentityQuestion'
import { TreeHeading } from '../TreeHeading'
import { CopyShared } from './CopyShared'
import { FindingRow } from './FindingRow'
import { WhatDoYouSee } from './WhatDoYouSee'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

// Looked at after the first finding is set: it comes after the walk itself.
const Photos = dynamic(() => import('./Photos').then((m) => m.Photos), { ssr: false })

const PLACE_WORDS: Record<Place, string> = {
  site: 'Site, from afar and by asking',
  crown: 'Crown',
  leaf: 'Leaf, both sides',
  shoot: 'Shoot',
  trunk: 'Trunk',
  base: 'Base',
  soil: 'Soil',
  fruit: 'Fruit',
  lab: 'Laboratory',
}

const NOTHING_LOOKED = { seen: {}, details: {} }

/** A move that comes this soon after a mark, which has moved already, is the hand's habit and not a second move. */
const HABIT_MS = 600

/** The examination of a tree; a signed one stands as it is, and a new one begins with nothing looked at. */
export function Examine({
  view,
  away = false,
}: {
  view: ExamineView
  /** Without a signal: the walk goes on to the next tree, and is weighed later. */
  away?: boolean
}) {
  const [fresh, setFresh] = useState(false)
  return (
    <Walk key={fresh ? 'new' : 'kept'} view={view} fresh={fresh} away={away} onBegin={() => setFresh(true)} />
  )
}

/** A fixed walk from the site to the soil, four states a finding, one press each. */
function Walk({
  view,
  fresh,
  away,
  onBegin,
}: {
  view: ExamineView
  fresh: boolean
  away: boolean
  onBegin: () => void
}) {
  const closed = view.assessment?.closedAt ?? null
  const [assessmentId] = useState(() => (view.assessment && !closed ? view.assessment.id : newId()))
  const may = useMay()
  const writing = (!closed || fresh) && may('set-finding')
  const { seen, details, set, note, problem, saving, here, settled, refused, goingOn } = useFindings(
    {
      treeId: view.tree.id,
      assessmentId,
      running: view.assessment !== null && !closed,
      after: closed && fresh ? view.assessment!.id : null,
    },
    fresh ? NOTHING_LOOKED : view,
  )
  const go = useGo()
  const [all, setAll] = useState(false)
  const [row, setRow] = useState(0)
  const [copied, setCopied] = useState(0)
  /** What "nothing here" marked last, by place, so that it can be taken back. */
  const [cleared, setCleared] = useState<Partial<Record<Place, string[]>>>({})
  const rows = useRef<HTMLDivElement>(null)
  const markedAt = useRef(-Infinity)

  const findings = useMemo(() => findingsWithOwn(view.own), [view.own])
  const walk = useMemo(
    () => walkOf(findings.values(), view.asked, seen, all),
    // Rows must not come and go while states are set.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [view.tree.host, all],
  )
  const known = useMemo(
    () =>
      new Map(
        knownBefore(view.marks, view.last?.findings ?? [], findings.values()).map((k) => [k.finding, k]),
      ),
    [view.marks, view.last, findings],
  )
  const flat = walk.flatMap((stop) => stop.findings)
  const count = (state: FindingState) => flat.filter((f) => stateOf(seen, f.id) === state).length
  const lookedAt = (stop: Stop) => stop.findings.filter((f) => stateOf(seen, f.id) !== 'not-looked').length

  /** By place, the looks that would matter most now. */
  const first = useMemo(
    () =>
      lookFirst(
        explain({
          host: view.tree.host,
          month: view.month,
          seen,
          causes: view.causes,
          findings,
          district: view.district,
          foliage: FOLIAGE,
        }),
      ),
    [view.tree.host, view.month, view.causes, view.district, findings, seen],
  )

  const shared = sharedBySite(view.lastOnSite?.findings ?? [], findings, seen)
  const [offerCopy] = useState(shared.length > 0)

  /** Moves to a row, with the keyboard's own place, so that there is one place and not two. */
  function focus(index: number) {
    const next = Math.max(0, Math.min(flat.length - 1, index))
    setRow(next)
    const at = rows.current?.querySelector<HTMLElement>(`[data-row="${next}"]`)
    at?.querySelector<HTMLElement>('[role=radio][tabindex="0"]')?.focus({ preventScroll: true })
    at?.scrollIntoView({ block: 'nearest' })
  }
  function step(by: 1 | -1, event: KeyboardEvent) {
    if (by === 1 && event.timeStamp - markedAt.current < HABIT_MS) {
      markedAt.current = -Infinity
      return
    }
    focus(row + by)
  }
  function press(event: KeyboardEvent, act: (finding: string) => void) {
    const finding = flat[row]
    // A key held down marks one row, not all that follow.
    if (!finding || !writing || event.repeat) return
    act(finding.id)
    markedAt.current = event.timeStamp
    focus(row + 1)
  }
  function jump(place: Place) {
    const stop = walk.find((s) => s.place === place)
    if (!stop) return
    focus(flat.indexOf(stop.findings[0]!))
    document.getElementById(`place-${place}`)?.scrollIntoView({ block: 'start' })
  }
  function jumpBy(by: number) {
    const here = walk.findIndex((s) => s.place === flat[row]?.place)
    const next = walk[here + by]
    if (next) jump(next.place)
  }
  function asKnown(finding: string) {
    const k = known.get(finding)
    if (k && stateOf(seen, finding) === 'not-looked') set(finding, k.state, k.detail)
  }
  function clearPlace(stop: Stop) {
    const nothing = nothingHere(stop.findings, seen, known)
    for (const finding of nothing) set(finding, 'not-there')
    setCleared((now) => ({ ...now, [stop.place]: nothing }))
  }
  function takeBack(place: Place) {
    for (const finding of cleared[place] ?? []) if (seen[finding] === 'not-there') set(finding, 'not-looked')
    setCleared((now) => ({ ...now, [place]: undefined }))
  }
  function copyShared() {
    for (const { finding, state } of shared) set(finding, state)
    setCopied((n) => n + shared.length)
  }
  useViewKeys({
    j: (e) => step(1, e),
    k: (e) => step(-1, e),
    '.': () => jumpBy(1),
    ',': () => jumpBy(-1),
    '1': (e) => press(e, (f) => set(f, 'there')),
    '2': (e) => press(e, (f) => set(f, 'not-there')),
    '3': (e) => press(e, (f) => set(f, 'unsure')),
    '4': (e) => press(e, (f) => set(f, 'not-looked')),
    '5': (e) => press(e, asKnown),
    n: (e) => {
      const stop = walk.find((s) => s.place === flat[row]?.place)
      if (stop && writing && !e.repeat) clearPlace(stop)
    },
    c: () => writing && copyShared(),
  })
  const looked = count('there') + count('not-there') + count('unsure')

  return (
    <>
      <TreeHeading
        view={view}
        title={`${view.tree.tag}, examine`}
        below={`${looked} looked at · ${count('there')} there · ${count('not-there')} not there · ${count('not-looked')} not looked at`}
        here="examine"
        step="examine"
      />
      {closed && !fresh && (
        <Note as="div" says="good" className="mt-3 flex flex-wrap items-center gap-3">
          <span>This examination was signed on {shortDate(closed, view.timeZone)} and stands as it is.</span>
          {may('set-finding') && <Button onClick={onBegin}>Begin a new examination</Button>}
        </Note>
      )}
      {view.tree.host === UNKNOWN_KIND && (
        <div className="mt-3 max-w-xl">
          <WhichKind treeId={view.tree.id} listedAs={view.tree.listedAs} />
        </div>
      )}
      {!view.tree.identityConfirmedAt && view.kind?.confusedWith && (
        <div className="mt-3 max-w-xl">
          <IdentityQuestion treeId={view.tree.id} host={view.kind} lookAlike={view.lookAlike} />
        </div>
      )}
      {writing && offerCopy && view.lastOnSite && (
        <CopyShared last={view.lastOnSite} left={shared.length} copied={copied} onCopy={copyShared} />
      )}
      <WhatDoYouSee
        findings={flat}
        writing={writing}
        stateOf={(id) => stateOf(seen, id)}
        onSet={set}
        onPlace={jump}
      />
      <div className="grid lg:grid-cols-[150px_minmax(0,1fr)] gap-6 mt-4">
        <nav aria-label="Places on the walk" className="hidden lg:block">
          <ol className="sticky top-4 border-l border-line">
            {walk.map((stop) => (
              <li key={stop.place}>
                <a
                  href={`#place-${stop.place}`}
                  onClick={(e) => {
                    e.preventDefault()
                    jump(stop.place)
                  }}
                  aria-current={flat[row]?.place === stop.place ? 'true' : undefined}
                  className="flex justify-between gap-2 py-1 pl-3 no-underline hover:underline aria-[current]:font-bold"
                >
                  <span className="capitalize">{stop.place}</span>
                  <span className="text-ink2">
                    {lookedAt(stop)} of {stop.findings.length}
                  </span>
                </a>
              </li>
            ))}
          </ol>
        </nav>
        <div ref={rows} className="max-w-4xl">
          {walk.map((stop) => (
            <section
              key={stop.place}
              id={`place-${stop.place}`}
              aria-labelledby={`h-${stop.place}`}
              className="mb-6 scroll-mt-2"
            >
              <div className="flex items-center justify-between gap-3 border-b border-ink2 pb-1 min-h-[44px]">
                <h2 id={`h-${stop.place}`}>{PLACE_WORDS[stop.place]}</h2>
                {writing && stop.place !== 'lab' && (
                  <NothingHere
                    place={PLACE_WORDS[stop.place]}
                    left={nothingHere(stop.findings, seen, known).length}
                    cleared={cleared[stop.place]?.length ?? 0}
                    onClear={() => clearPlace(stop)}
                    onTakeBack={() => takeBack(stop.place)}
                  />
                )}
              </div>
              {writing && stop.place !== 'lab' && (
                <LookFirst
                  findings={(first.get(stop.place) ?? []).map((id) => findings.get(id)!)}
                  onGo={(finding) => focus(flat.indexOf(finding))}
                />
              )}
              {stop.place === 'crown' && <LiveCrown tree={view.tree} />}
              <ul>
                {stop.findings.map((f) => {
                  const index = flat.indexOf(f)
                  const before = known.get(f.id)
                  return (
                    <FindingRow
                      key={f.id}
                      finding={f}
                      index={index}
                      current={index === row}
                      state={stateOf(seen, f.id)}
                      disabled={!writing}
                      onFocus={() => setRow(index)}
                      onSet={(s) => set(f.id, s)}
                      detail={details[f.id] ?? {}}
                      onNote={(detail) => void note(f.id, detail)}
                      refused={refused.has(f.id)}
                      known={before}
                      knownFrom={
                        before?.by === 'last'
                          ? `On ${shortDate(view.last!.at, view.timeZone)}`
                          : 'On the ring'
                      }
                      onKnown={() => asKnown(f.id)}
                    />
                  )
                })}
              </ul>
            </section>
          ))}
          <Photos view={view} kept={!fresh} writing={writing} goingOn={goingOn} />
          {!all && (
            <Button onClick={() => setAll(true)}>
              Show every finding, also those no cause of this kind makes
            </Button>
          )}
        </div>
      </div>
      <div className="sticky bottom-[66px] sm:bottom-0 bg-ground border-t border-line py-2.5 mt-4 flex flex-wrap items-center gap-3">
        {away ? (
          <ButtonLink href={view.next ? `/trees/${view.next}/examine` : '/'} now>
            {view.next ? 'On to the next tree →' : 'All trees kept here'}
          </ButtonLink>
        ) : (
          <ButtonLink
            href={`/trees/${view.tree.id}/weigh`}
            now
            onClick={async (e) => {
              // The last presses are kept before they are weighed.
              if (e.metaKey || e.ctrlKey) return
              e.preventDefault()
              await settled()
              go(`/trees/${view.tree.id}/weigh`)
            }}
          >
            Weigh {looked} {looked === 1 ? 'finding' : 'findings'} →
          </ButtonLink>
        )}
        <span
          className={`text-small ${refused.size > 0 ? 'text-plum font-bold' : 'text-ink2'}`}
          role="status"
        >
          {saving
            ? 'keeping'
            : refused.size > 0
              ? `${refused.size} not kept: ${problem?.message ?? 'press them again.'}`
              : here > 0
                ? `${here} kept on this device; they go out with the next signal`
                : looked > 0 && writing
                  ? 'all kept'
                  : ''}
        </span>
        <Select
          aria-label="Jump to a place"
          className="lg:hidden !w-auto"
          value={flat[row]?.place ?? 'site'}
          onValue={jump}
          options={walk.map((stop) => [
            stop.place,
            `${stop.place}, ${lookedAt(stop)} of ${stop.findings.length}`,
          ])}
        />
        <span className="text-ink2 text-small hidden lg:inline ml-auto">
          keys: j k move, comma and dot by place, 1 there, 2 not there, 3 unsure, 4 not looked, 5 still so, n
          nothing here, ] next tree
        </span>
      </div>
    </>
  )
}

/**
 * The looks of a place that could change the work most now. It takes the same room whatever it says, so that no row moves
 * under a finger.
 */
function LookFirst({ findings, onGo }: { findings: readonly Finding[]; onGo: (finding: Finding) => void }) {
  return (
    <p className="text-small text-ink2 pt-1.5 h-[6em] sm:h-[2.2em] overflow-hidden">
      {findings.length === 0 ? 'No look here would change the work now.' : 'Look first: '}
      {findings.map((finding, i) => (
        <span key={finding.id}>
          {i > 0 && ' · '}
          <button type="button" className="underline underline-offset-2" onClick={() => onGo(finding)}>
            {finding.name.toLowerCase()}
          </button>
        </span>
      ))}
    </p>
  )
}

/** One press for a whole place where nothing is; the next takes it back. */
function NothingHere({
  place,
  left,
  cleared,
  onClear,
  onTakeBack,
}: {
  place: string
  left: number
  cleared: number
  onClear: () => void
  onTakeBack: () => void
}) {
  const back = cleared > 0 && left === 0
  return (
    <Button
      quiet
      className="shrink-0"
      disabled={!back && left === 0}
      onClick={back ? onTakeBack : onClear}
      title={
        back
          ? 'What was marked in one press is not looked at again'
          : 'Marks what is not looked at here as not there ( n ). Signs of danger, and what was there before, are pressed one by one.'
      }
    >
      {back ? `Take back ${cleared}` : left > 0 ? `Nothing here, ${left}` : 'Nothing here'}
      <span className="sr-only">: {place}</span>
    </Button>
  )
}
