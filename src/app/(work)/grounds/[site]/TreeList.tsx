'use client'
import { useVirtualizer } from '@tanstack/react-virtual'
import Link from 'next/link'
import { memo, useEffect, useMemo, useRef } from 'react'
import { hostName } from '@/almanac/hosts'
import { STAGES, type Stage } from '@/core/plan/stage'
import { showGirth, type UnitSystem } from '@/core/quantity/format'
import type { PageOfTrees } from '@/server/read/grounds'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { SmallRing } from '@/ui/ring/SmallRing'
import { useViewKeys } from '@/ui/shell/keys'
import { useTreeList } from './useTreeList'

type Card = PageOfTrees['trees'][number]

/** Rows are as high as this, so that a list of any length can be scrolled at once. */
const ROW = 66

const STANDING: Record<Stage, [look: string, word: string]> = {
  examine: ['', 'measured'],
  weigh: ['tag-straw', 'examined'],
  decide: ['tag-straw', 'to decide'],
  otherwise: ['tag-straw', 'decided'],
  prescribe: ['tag-straw', 'to prescribe'],
  run: ['tag-water', 'with the crew'],
  check: ['tag-moss', 'treated, checks promised'],
  done: ['tag-moss', 'treated'],
}

/** The site's trees in tag order: only those in view are drawn, the next ones come as they are scrolled to. */
export function TreeList({
  siteId,
  first,
  units,
  onLit,
}: {
  siteId: string
  first: PageOfTrees
  units: UnitSystem
  onLit: (id: string | null) => void
}) {
  const { page, filter, setFilter, state, next, whole } = useTreeList(siteId, first)
  const frame = useRef<HTMLDivElement>(null)
  const shown = useMemo(() => {
    if (!whole) return page.trees
    const text = filter.text.trim().toLowerCase()
    return page.trees.filter(
      (t) =>
        (text === '' || `${t.tag} ${hostName(t.host)}`.toLowerCase().includes(text)) &&
        (filter.stage === '' || t.stage === filter.stage),
    )
  }, [page.trees, whole, filter])
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 6,
    // What the server sends is what fits a screen; the rest is drawn when it is scrolled to.
    initialRect: { width: 400, height: 700 },
  })
  const drawn = rows.getVirtualItems()
  const last = drawn.at(-1)?.index ?? 0
  useEffect(() => {
    if (!whole && last >= shown.length - 20) next()
  }, [last, next, shown.length, whole])

  function move(by: number) {
    const now = Number((document.activeElement as HTMLElement | null)?.dataset.index ?? -1)
    const to = Math.max(0, Math.min(shown.length - 1, now + by))
    rows.scrollToIndex(to)
    requestAnimationFrame(() => frame.current?.querySelector<HTMLElement>(`[data-index="${to}"]`)?.focus())
  }
  useViewKeys({ j: () => move(1), k: () => move(-1) })
  const total = whole ? shown.length : (page.total ?? shown.length)

  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)_170px] gap-3">
        <Field
          label="Filter by tag or kind"
          value={filter.text}
          onChange={(e) => setFilter({ ...filter, text: e.target.value })}
        />
        <Choice
          label="Standing"
          value={filter.stage}
          onChange={(e) => setFilter({ ...filter, stage: e.target.value as Stage | '' })}
          options={[['', 'all'], ...STAGES.map((s) => [s, STANDING[s][1]] as const)]}
        />
      </div>
      <p className="text-[0.88rem] text-ink2 mt-2 h-[1.5em]" role="status">
        {state === 'out of reach'
          ? 'The server cannot be reached; the list is as it was.'
          : `${total.toLocaleString('en-US')} ${total === 1 ? 'tree' : 'trees'}${state === 'coming' ? ', more coming' : ''}`}
      </p>
      {shown.length === 0 ? (
        <p className="py-4 text-ink2 border-t border-line">
          {first.trees.length === 0
            ? 'No tree is listed here yet. Add the first one.'
            : 'No tree of this site fits. Clear the filter.'}
        </p>
      ) : (
        <div
          ref={frame}
          className="border-t border-line overflow-y-auto max-h-[70vh] max-sm:max-h-none max-sm:h-[70vh]"
          onMouseOver={(e) =>
            onLit((e.target as HTMLElement).closest<HTMLElement>('[data-tree]')?.dataset.tree ?? null)
          }
          onMouseLeave={() => onLit(null)}
          onFocus={(e) => onLit(e.target.closest<HTMLElement>('[data-tree]')?.dataset.tree ?? null)}
        >
          <ul className="relative" style={{ height: rows.getTotalSize() }}>
            {drawn.map((row) => (
              <li
                key={shown[row.index]!.id}
                className="absolute inset-x-0 border-b border-line"
                style={{ transform: `translateY(${row.start}px)`, height: row.size }}
                aria-setsize={total}
                aria-posinset={row.index + 1}
              >
                <Row tree={shown[row.index]!} index={row.index} units={units} />
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  )
}

const Row = memo(function Row({ tree: t, index, units }: { tree: Card; index: number; units: UnitSystem }) {
  return (
    <Link
      href={`/trees/${t.id}`}
      prefetch={false}
      data-tree={t.id}
      data-index={index}
      className="h-full grid grid-cols-[48px_minmax(0,1fr)_auto] gap-3 items-center no-underline hover:bg-sheet focus:bg-sheet [&.lit]:bg-sheet"
    >
      <span className="grid place-items-center">
        <SmallRing size={24 + Math.min(24, Math.round((t.diameterM ?? 0.2) * 40))} marks={marksOf(t)} />
      </span>
      <span className="min-w-0">
        <span className="font-bold block truncate">{t.tag}</span>
        <span className="text-ink2 text-[0.92rem] block truncate">
          {hostName(t.host)}
          {t.diameterM !== null ? `, ${showGirth(t.diameterM * Math.PI, units)} girth` : ', not measured'}
          {t.liveCrownPercent !== null && `, ${t.liveCrownPercent} % live crown`}
        </span>
      </span>
      <Standing tree={t} />
    </Link>
  )
})

const kept = new WeakMap<Card, { kind: Card['marks'][number][0]; from: number; to: number }[]>()

/** A card's marks in the shape the ring draws, made once. */
export function marksOf(card: Card) {
  let marks = kept.get(card)
  if (!marks) kept.set(card, (marks = card.marks.map(([kind, from, to]) => ({ kind, from, to }))))
  return marks
}

function Standing({ tree: t }: { tree: Card }) {
  if (!t.confirmed && hostName(t.host) === 'Ash') return <span className="tag tag-plum">which kind?</span>
  if (t.returned) return <span className="tag tag-plum">back to decide</span>
  const [look, word] = STANDING[t.stage]
  return (
    <span className={`tag ${look}`}>
      {t.stage === 'examine' && t.diameterM === null ? 'listed' : word.replace(/,.*/, '')}
    </span>
  )
}
