'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useRef, useState } from 'react'
import type { SiteView } from '@/server/read/grounds'
import { useViewKeys } from '@/ui/shell/keys'
import { NewTree } from './NewTree'
import { SitePlan } from './SitePlan'
import { TreeList } from './TreeList'

/** A site: its plan and its trees side by side, each lighting the other; new trees are placed on the plan. */
export function SiteWork({ view }: { view: SiteView }) {
  const router = useRouter()
  const [adding, setAdding] = useState(false)
  const [place, setPlace] = useState<{ east: string; north: string } | null>(null)
  const both = useRef<HTMLDivElement>(null)
  const mayAdd = view.role !== 'technician'
  useViewKeys({ n: () => mayAdd && setAdding(true) })

  /** Lights a tree in the list and on the plan at once. A class on two elements, not a new drawing of all of them. */
  const light = useCallback((id: string | null) => {
    for (const lit of both.current?.querySelectorAll('.lit') ?? []) lit.classList.remove('lit')
    if (id)
      for (const own of both.current?.querySelectorAll(`[data-tree="${id}"]`) ?? []) own.classList.add('lit')
  }, [])

  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>{view.site.name}</h1>
          <p className="text-ink2 mt-1">
            {view.site.client} · {view.site.place} · {view.site.trees.toLocaleString('en-US')} trees
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
      <div ref={both} className="grid gap-6 mt-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(320px,1fr)]">
        <SitePlan
          features={view.features}
          siteId={view.site.id}
          first={view.plan}
          onLit={light}
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
              <TreeList siteId={view.site.id} first={view.list} units={view.units} onLit={light} />
            </>
          )}
        </div>
      </div>
    </>
  )
}
