'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { useVirtualizer } from '@tanstack/react-virtual'
import { Link } from '@/ui/pieces/Link'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { hostName } from '@/almanac/hosts'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { STAGES, type Stage } from '@/core/plan/stage'
import { showGirth, type UnitSystem } from '@/core/quantity/format'
import type { PageOfTrees } from '@/server/read/grounds'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { SmallRing } from '@/ui/ring/SmallRing'
import { useViewKeys } from '@/ui/shell/keys'
import { marksOf } from './marksOf'
import { useTreeList } from './useTreeList'
import { DataTable } from '@/ui/pieces/DataTable'
import { usePrinting } from '@/ui/pieces/usePrinting'
import { inOrder, TREE_ORDERS, type TreeOrder } from '@/core/plan/order'
import { Button } from '@/ui/pieces/Button'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { useMay } from '@/ui/shell/may'
import { beginRound } from '@/ui/shell/round'
import { useGo } from '@/ui/shell/useGo'

const NameBlock = afterPage(() => import('./NameBlock'), 'NameBlock')

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

const ORDERS: Record<TreeOrder, string> = {
  tag: 'by tag',
  girth: 'thickest first',
  crown: 'least live crown first',
}

/**
 * The site's trees in an order: only those in view are drawn, the next ones come as they are scrolled to. Several can be
 * chosen, to be walked one after another or printed by themselves.
 */
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
  const go = useGo()
  const may = useMay()
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const shown = useMemo(() => {
    if (!whole) return page.trees
    const text = filter.text.trim().toLowerCase()
    return page.trees
      .filter(
        (t) =>
          (text === '' || `${t.tag} ${hostName(t.host)} ${t.block ?? ''}`.toLowerCase().includes(text)) &&
          (filter.stage === '' || t.stage === filter.stage),
      )
      .sort(inOrder(filter.order))
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
  useViewKeys({
    j: () => move(1),
    k: () => move(-1),
    x: () => {
      const id = (document.activeElement as HTMLElement | null)?.dataset.tree
      if (id) choose(id)
    },
  })
  const choose = useCallback(
    (id: string) =>
      setChosen((now) => {
        const next = new Set(now)
        if (!next.delete(id)) next.add(id)
        return next
      }),
    [],
  )
  // In the order they are listed; what the filter hides meanwhile is still chosen.
  const picked = useMemo(
    () => (chosen.size === 0 ? [] : page.trees.filter((t) => chosen.has(t.id)).sort(inOrder(filter.order))),
    [page.trees, chosen, filter.order],
  )
  function walk() {
    beginRound(picked.map((t) => t.id))
    go(`/trees/${picked[0]!.id}/examine`)
  }
  const total = whole ? shown.length : (page.total ?? shown.length)

  return (
    <>
      <Printed
        trees={picked.length > 0 ? picked : shown}
        total={picked.length > 0 ? picked.length : total}
        units={units}
      />
      <div className="no-print grid grid-cols-2 sm:grid-cols-[minmax(0,1fr)_150px_150px] gap-3 max-sm:[&>:first-child]:col-span-2">
        <Field
          label="Filter by tag, kind or block"
          value={filter.text}
          onChange={(e) => setFilter({ ...filter, text: e.target.value })}
        />
        <Choice
          label="Standing"
          value={filter.stage}
          onValue={(v) => setFilter({ ...filter, stage: v })}
          options={[['', 'all'], ...STAGES.map((s) => [s, STANDING[s][1]] as const)]}
        />
        <Choice
          label="Order"
          value={filter.order}
          onValue={(order) => setFilter({ ...filter, order })}
          options={TREE_ORDERS.map((o) => [o, ORDERS[o]] as const)}
        />
      </div>
      <div className="no-print flex flex-wrap items-center gap-2 mt-2 min-h-[44px]">
        {picked.length > 0 && (
          <>
            <Button onClick={walk}>
              Examine {picked.length === 1 ? 'it' : `these ${picked.length} in turn`} →
            </Button>
            <PrintButton what={picked.length === 1 ? 'Print it' : `Print these ${picked.length}`} />
            {may('set-block') && (
              <NameBlock
                key={picked.length}
                siteId={siteId}
                treeIds={picked.map((t) => t.id)}
                onDone={() => setChosen(new Set())}
              />
            )}
            <Button quiet onClick={() => setChosen(new Set())}>
              Choose none
            </Button>
          </>
        )}
        {picked.length === 0 && shown.length > 1 && (
          <Button quiet onClick={() => setChosen(new Set(shown.map((t) => t.id)))}>
            Choose all {shown.length < total ? `${shown.length} listed` : ''}
          </Button>
        )}
        <span className="text-small text-ink2 ml-auto" role="status">
          {picked.length > 0 ? `${picked.length} chosen of ` : ''}
          {state === 'out of reach'
            ? 'The server cannot be reached; the list is as it was.'
            : `${total.toLocaleString('en-US')} ${total === 1 ? 'tree' : 'trees'}${state === 'coming' ? ', more coming' : ''}`}
        </span>
      </div>
      {shown.length === 0 ? (
        <p className="py-4 text-ink2 border-t border-line">
          {first.trees.length === 0
            ? 'No tree is listed here yet. Add the first one.'
            : 'No tree of this site fits. Clear the filter.'}
        </p>
      ) : (
        <div
          ref={frame}
          className="no-print border-t border-line overflow-y-auto max-h-[70vh] max-sm:max-h-none max-sm:h-[70vh]"
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
                <Row
                  tree={shown[row.index]!}
                  index={row.index}
                  units={units}
                  chosen={chosen.has(shown[row.index]!.id)}
                  onChoose={choose}
                />
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  )
}

/** The list on paper: every tree that has been loaded, and how many there are. */
function Printed({ trees, total, units }: { trees: Card[]; total: number; units: UnitSystem }) {
  if (!usePrinting()) return null
  return (
    <>
      <p>
        {trees.length < total ? `${trees.length} of ` : ''}
        {total.toLocaleString('en-US')} trees
      </p>
      <DataTable
        caption="Trees of this site"
        columns={[
          { head: 'Tag' },
          { head: 'Kind' },
          { head: 'Girth', figures: true },
          { head: 'Live crown', figures: true },
          { head: 'Stands' },
        ]}
        rows={trees.map((t) => ({
          key: t.id,
          name: <b>{t.tag}</b>,
          cells: [
            hostName(t.host),
            t.diameterM === null ? 'not measured' : showGirth(t.diameterM * Math.PI, units),
            t.liveCrownPercent === null ? 'not taken' : `${t.liveCrownPercent} %`,
            STANDING[t.stage][1],
          ],
        }))}
      />
    </>
  )
}

const Row = memo(function Row({
  tree: t,
  index,
  units,
  chosen,
  onChoose,
}: {
  tree: Card
  index: number
  units: UnitSystem
  chosen: boolean
  onChoose: (id: string) => void
}) {
  return (
    <div className="h-full grid grid-cols-[40px_minmax(0,1fr)] items-stretch">
      <label className="grid place-items-center cursor-pointer" title="Choose ( x )">
        <input
          type="checkbox"
          className="size-5 accent-[var(--color-rust)]"
          checked={chosen}
          onChange={() => onChoose(t.id)}
          aria-label={`Choose ${t.tag}`}
        />
      </label>
      <Link
        href={`/trees/${t.id}`}

        data-tree={t.id}
        data-index={index}
        className="h-full grid grid-cols-[48px_minmax(0,1fr)_auto] gap-3 items-center no-underline hover:bg-sheet focus:bg-sheet [&.lit]:bg-sheet"
      >
        <span className="grid place-items-center">
          <SmallRing size={24 + Math.min(24, Math.round((t.diameterM ?? 0.2) * 40))} marks={marksOf(t)} />
        </span>
        <span className="min-w-0">
          <span className="font-bold block truncate">{t.tag}</span>
          <span className="text-ink2 text-small block truncate">
            {hostName(t.host)}
            {t.block !== null && `, ${t.block}`}
            {t.diameterM !== null ? `, ${showGirth(t.diameterM * Math.PI, units)} girth` : ', not measured'}
            {t.liveCrownPercent !== null && `, ${t.liveCrownPercent} % live crown`}
          </span>
        </span>
        <Standing tree={t} />
      </Link>
    </div>
  )
})

function Standing({ tree: t }: { tree: Card }) {
  if (t.host === UNKNOWN_KIND || (!t.confirmed && hostName(t.host) === 'Ash'))
    return <span className="tag tag-plum">which kind?</span>
  if (t.returned)
    return <span className="tag tag-plum">{t.stage === 'prescribe' ? 'handed back' : 'back to decide'}</span>
  if (t.anew) return <span className="tag tag-plum">work out again</span>
  const [look, word] = STANDING[t.stage]
  return (
    <span className={`tag ${look}`}>
      {t.stage === 'examine' && t.diameterM === null ? 'listed' : word.replace(/,.*/, '')}
    </span>
  )
}
