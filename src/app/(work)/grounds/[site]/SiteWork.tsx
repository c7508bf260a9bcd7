'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { hostName } from '@/almanac/hosts'
import { showGirth, type UnitSystem } from '@/core/quantity/format'
import type { Stage } from '@/core/plan/stage'
import type { SiteView } from '@/server/read/grounds'
import { SmallRing } from '@/ui/ring/SmallRing'
import { useViewKeys } from '@/ui/shell/keys'
import { NewTree } from './NewTree'
import { SitePlan } from './SitePlan'

/** A site: its plan and its trees side by side, each lighting the other; new trees are placed on the plan. */
export function SiteWork({ view, units }: { view: SiteView; units: UnitSystem }) {
  const router = useRouter()
  const [lit, setLit] = useState<string | null>(null)
  const [adding, setAdding] = useState(false)
  const [place, setPlace] = useState<{ east: string; north: string } | null>(null)
  const [text, setText] = useState('')
  const list = useRef<HTMLUListElement>(null)
  const mayAdd = view.role !== 'technician'
  const shown = view.trees.filter((t) =>
    `${t.tag} ${hostName(t.host)}`.toLowerCase().includes(text.trim().toLowerCase()),
  )

  function move(by: number) {
    const links = [...(list.current?.querySelectorAll('a') ?? [])]
    const now = links.indexOf(document.activeElement as HTMLAnchorElement)
    links[Math.max(0, Math.min(links.length - 1, now + by))]?.focus()
  }
  useViewKeys({ n: () => mayAdd && setAdding(true), j: () => move(1), k: () => move(-1) })

  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>{view.site.name}</h1>
          <p className="text-ink2 mt-1">
            {view.site.client} · {view.site.place} · {view.site.trees} trees
          </p>
        </div>
        {mayAdd && !adding && (
          <button
            type="button"
            className="btn btn-now"
            onClick={() => setAdding(true)}
            title="New tree ( n )"
          >
            Add a tree
          </button>
        )}
      </div>
      {view.site.note && <p className="note mt-3 max-w-3xl">{view.site.note}</p>}
      <div className="grid gap-6 mt-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(320px,1fr)]">
        <SitePlan
          features={view.features}
          trees={view.trees}
          lit={lit}
          onLit={setLit}
          place={adding && place ? { east: Number(place.east), north: Number(place.north) } : null}
          onPlace={
            adding ? (east, north) => setPlace({ east: String(east), north: String(north) }) : undefined
          }
          onOpen={(id) => router.push(`/trees/${id}`)}
        />
        <div>
          {adding ? (
            <NewTree
              ownHosts={view.ownHosts}
              siteId={view.site.id}
              place={place}
              onPlace={setPlace}
              onDone={() => {
                setAdding(false)
                setPlace(null)
              }}
            />
          ) : (
            <>
              <label className="label" htmlFor="tree-filter">
                Filter by tag or kind
              </label>
              <input
                id="tree-filter"
                className="field"
                value={text}
                onChange={(e) => setText(e.target.value)}
                autoComplete="off"
              />
              <ul ref={list} className="border-t border-line mt-3">
                {shown.map((t) => (
                  <li
                    key={t.id}
                    className="border-b border-line"
                    onMouseEnter={() => setLit(t.id)}
                    onMouseLeave={() => setLit(null)}
                  >
                    <Link
                      href={`/trees/${t.id}`}
                      onFocus={() => setLit(t.id)}
                      className={`grid grid-cols-[48px_minmax(0,1fr)_auto] gap-3 items-center py-2 no-underline ${lit === t.id ? 'bg-sheet' : ''}`}
                    >
                      <span className="grid place-items-center">
                        <SmallRing
                          size={24 + Math.min(24, Math.round((t.diameterM ?? 0.2) * 40))}
                          marks={t.marks}
                        />
                      </span>
                      <span>
                        <span className="font-bold block">{t.tag}</span>
                        <span className="text-ink2 text-[0.92rem]">
                          {hostName(t.host)}
                          {t.diameterM !== null
                            ? `, ${showGirth(t.diameterM * Math.PI, units)} girth`
                            : ', not measured'}
                          {t.liveCrownPercent !== null && `, ${t.liveCrownPercent} % live crown`}
                        </span>
                      </span>
                      <Standing tree={t} />
                    </Link>
                  </li>
                ))}
                {shown.length === 0 && (
                  <li className="py-4 text-ink2">
                    {view.trees.length === 0
                      ? 'No tree is listed here yet. Add the first one.'
                      : 'No tree has that name. Clear the filter.'}
                  </li>
                )}
              </ul>
              {view.more && (
                <Link
                  className="btn mt-3"
                  href={`?after=${encodeURIComponent(view.trees.at(-1)!.tag)}&id=${view.trees.at(-1)!.id}`}
                >
                  Next 500 trees
                </Link>
              )}
            </>
          )}
        </div>
      </div>
    </>
  )
}

const STANDING: Record<Stage, [look: string, word: string]> = {
  examine: ['', 'measured'],
  weigh: ['tag-straw', 'examined'],
  decide: ['tag-straw', 'to decide'],
  otherwise: ['tag-straw', 'decided'],
  prescribe: ['tag-straw', 'to prescribe'],
  run: ['tag-water', 'with the crew'],
  check: ['tag-moss', 'treated'],
  done: ['tag-moss', 'treated'],
}

function Standing({ tree: t }: { tree: SiteView['trees'][number] }) {
  if (!t.identityConfirmedAt && hostName(t.host) === 'Ash')
    return <span className="tag tag-plum">which kind?</span>
  if (t.returned) return <span className="tag tag-plum">back to decide</span>
  const [look, word] = STANDING[t.stage]
  return (
    <span className={`tag ${look}`}>{t.stage === 'examine' && t.diameterM === null ? 'listed' : word}</span>
  )
}
