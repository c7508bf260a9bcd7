'use client'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useMemo, useRef, useState } from 'react'
import { withOwn } from '@/almanac/own'
import { detailWords, type FindingDetail } from '@/core/diagnose/detail'
import { WALK, type Finding, type FindingState, type Place } from '@/core/diagnose/almanac'
import { causesOf } from '@/core/diagnose/weigh'
import type { ExamineView } from '@/server/read/tree'
import { newId } from '@/ui/fields/newId'
import { StateChoice } from '@/ui/fields/StateChoice'
import { FIGURED } from '@/ui/figures/figured'
import { useViewKeys } from '@/ui/shell/keys'
import { useGo } from '@/ui/shell/useGo'
import { shortDate } from '@/ui/when'
import { IdentityQuestion } from '../IdentityQuestion'
import { TreeHeading } from '../TreeHeading'
import { CopyShared, sharedFrom } from './CopyShared'
import { useFindings } from './useFindings'

// What is opened or looked at after the first finding is set comes after the walk itself.
const Detail = dynamic(() => import('./Detail').then((m) => m.Detail), { ssr: false })
const Photos = dynamic(() => import('./Photos').then((m) => m.Photos), { ssr: false })
const FindingFigure = dynamic(() => import('@/ui/figures/FindingFigure').then((m) => m.FindingFigure), {
  ssr: false,
})

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

/** The examination: a fixed walk from the site to the soil, four states a finding, one press each. */
export function Examine({ view }: { view: ExamineView }) {
  const closed = view.assessment?.closedAt ?? null
  const [fresh, setFresh] = useState(false)
  const [assessmentId] = useState(() => (view.assessment && !closed ? view.assessment.id : newId()))
  const writing = !closed || fresh
  const { seen, set, problem, saving, settled, refused } = useFindings(
    view.tree.id,
    assessmentId,
    fresh ? {} : view.seen,
  )
  const go = useGo()
  const [all, setAll] = useState(false)
  const [row, setRow] = useState(0)
  const [copied, setCopied] = useState(0)
  const rows = useRef<HTMLDivElement>(null)

  const walk = useMemo(() => {
    const almanac = withOwn(view.own)
    const relevant = new Set(causesOf(view.tree.host, almanac.causes).flatMap((c) => Object.keys(c.findings)))
    const shown = [...almanac.findings.values()].filter(
      (f) => seen[f.id] || (!f.retired && (all || f.unsafe || relevant.has(f.id) || f.id.startsWith('own-'))),
    )
    return WALK.map((place) => ({ place, findings: shown.filter((f) => f.place === place) })).filter(
      (p) => p.findings.length > 0,
    )
    // Rows must not come and go while states are set.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view.tree.host, all])
  const flat = walk.flatMap((p) => p.findings)
  const count = (state: FindingState) => flat.filter((f) => (seen[f.id] ?? 'not-looked') === state).length

  function focus(index: number) {
    const next = Math.max(0, Math.min(flat.length - 1, index))
    setRow(next)
    rows.current?.querySelector<HTMLElement>(`[data-row="${next}"]`)?.scrollIntoView({ block: 'nearest' })
  }
  function press(state: FindingState) {
    const finding = flat[row]
    if (!finding || !writing) return
    set(finding.id, state)
    focus(row + 1)
  }
  useViewKeys({
    j: () => focus(row + 1),
    k: () => focus(row - 1),
    '1': () => press('there'),
    '2': () => press('not-there'),
    '3': () => press('unsure'),
    '4': () => press('not-looked'),
    c: () => writing && copyShared(),
  })
  function copyShared() {
    const shared = sharedFrom(view, seen)
    for (const { finding, state } of shared) set(finding, state)
    setCopied((n) => n + shared.length)
  }
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
        <div className="note note-good mt-3 flex flex-wrap items-center gap-3">
          <span>This examination was signed on {shortDate(closed, view.timeZone)} and stands as it is.</span>
          <button type="button" className="btn" onClick={() => setFresh(true)}>
            Begin a new examination
          </button>
        </div>
      )}
      {!view.tree.identityConfirmedAt && view.kind?.confusedWith && (
        <div className="mt-3 max-w-xl">
          <IdentityQuestion treeId={view.tree.id} host={view.kind} />
        </div>
      )}
      {writing && <CopyShared view={view} seen={seen} onCopy={copyShared} copied={copied} />}
      <div className="grid lg:grid-cols-[150px_minmax(0,1fr)] gap-6 mt-4">
        <nav aria-label="Places on the walk" className="hidden lg:block">
          <ol className="sticky top-4 border-l border-line">
            {walk.map((p) => (
              <li key={p.place}>
                <a
                  href={`#place-${p.place}`}
                  className="flex justify-between gap-2 py-1 pl-3 no-underline hover:underline"
                >
                  <span className="capitalize">{p.place}</span>
                  <span className="text-ink2">
                    {p.findings.filter((f) => (seen[f.id] ?? 'not-looked') !== 'not-looked').length} of{' '}
                    {p.findings.length}
                  </span>
                </a>
              </li>
            ))}
          </ol>
        </nav>
        <div ref={rows} className="max-w-4xl">
          {walk.map((p) => (
            <section key={p.place} id={`place-${p.place}`} aria-labelledby={`h-${p.place}`} className="mb-6">
              <h2 id={`h-${p.place}`} className="border-b border-ink2 pb-1">
                {PLACE_WORDS[p.place]}
              </h2>
              <ul>
                {p.findings.map((f) => {
                  const index = flat.indexOf(f)
                  return (
                    <FindingRow
                      key={f.id}
                      finding={f}
                      index={index}
                      current={index === row}
                      state={seen[f.id] ?? 'not-looked'}
                      disabled={!writing}
                      onFocus={() => setRow(index)}
                      onSet={(s) => set(f.id, s)}
                      ids={{ treeId: view.tree.id, assessmentId, finding: f.id }}
                      detail={fresh ? {} : (view.details[f.id] ?? {})}
                      settled={settled}
                      refused={refused.has(f.id)}
                    />
                  )
                })}
              </ul>
            </section>
          ))}
          <Photos view={view} assessmentId={assessmentId} writing={writing} />
          {!all && (
            <button type="button" className="btn" onClick={() => setAll(true)}>
              Show every finding, also those no cause of this kind makes
            </button>
          )}
        </div>
      </div>
      <div className="sticky bottom-[66px] sm:bottom-0 bg-ground border-t border-line py-2.5 mt-4 flex flex-wrap items-center gap-3">
        <Link
          href={`/trees/${view.tree.id}/weigh`}
          className="btn btn-now"
          onClick={async (e) => {
            // The last presses are kept before they are weighed.
            if (e.metaKey || e.ctrlKey) return
            e.preventDefault()
            await settled()
            go(`/trees/${view.tree.id}/weigh`)
          }}
        >
          Weigh {looked} {looked === 1 ? 'finding' : 'findings'} →
        </Link>
        <span
          className={`text-[0.92rem] ${refused.size > 0 ? 'text-plum font-bold' : 'text-ink2'}`}
          role="status"
        >
          {saving
            ? 'keeping'
            : refused.size > 0
              ? `${refused.size} not kept: ${problem?.message ?? 'press them again.'}`
              : looked > 0 && writing
                ? 'all kept'
                : ''}
        </span>
        <span className="text-ink2 text-[0.88rem] hidden sm:inline ml-auto">
          keys: j k move, 1 there, 2 not there, 3 unsure, 4 not looked, c copy the site, ] next tree
        </span>
      </div>
    </>
  )
}

function FindingRow({
  finding,
  index,
  current,
  state,
  disabled,
  onFocus,
  onSet,
  ids,
  detail,
  settled,
  refused,
}: {
  refused: boolean
  ids: { treeId: string; assessmentId: string; finding: string }
  detail: FindingDetail
  settled: () => Promise<void>
  finding: Finding
  index: number
  current: boolean
  state: FindingState
  disabled: boolean
  onFocus: () => void
  onSet: (state: FindingState) => void
}) {
  return (
    <li
      data-row={index}
      className={`py-2.5 border-b border-line grid md:grid-cols-[minmax(0,1fr)_auto] gap-x-5 gap-y-2 items-center pl-3 border-l-[3px] ${current ? 'border-l-rust bg-sheet' : 'border-l-transparent'}`}
      onClick={onFocus}
    >
      <div className="flex gap-3 items-start">
        {FIGURED.has(finding.id) && (
          <span className="w-16 h-12 shrink-0">
            <FindingFigure finding={finding.id} size={64} />
          </span>
        )}
        <div className="min-w-0">
          <p className="font-bold">
            <Link
              href={`/almanac/finding/${finding.id}`}
              className="no-underline hover:underline"
              tabIndex={-1}
            >
              {finding.name}
            </Link>
          </p>
          <p className="text-[0.92rem] text-ink2">{finding.question}</p>
        </div>
      </div>
      <div className="md:w-[384px]">
        <StateChoice name={finding.name} state={state} disabled={disabled} onFocus={onFocus} onSet={onSet} />
        {/* Its place is kept whether anything stands in it or not, so that no row moves under a finger. */}
        <div className="h-[26px] max-sm:h-12 overflow-hidden text-[0.92rem]">
          {refused ? (
            <p className="text-plum font-bold">Not kept; press it again.</p>
          ) : state === 'there' && !disabled ? (
            <Detail ids={ids} name={finding.name} detail={detail} before={settled} />
          ) : (
            state === 'there' && <p className="font-bold truncate">{detailWords(detail)}</p>
          )}
        </div>
      </div>
    </li>
  )
}
