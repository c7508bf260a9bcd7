'use client'
import { District } from './District'
import { WorkHours } from './WorkHours'
import { TreeList } from './TreeList'
import { afterPage } from '@/ui/pieces/afterPage'
import { useRouter } from 'next/navigation'
import { useCallback, useRef, useState } from 'react'
import { readPlace, showPlace, type TypedPlace } from '@/core/place/place'
import type { SiteView } from '@/server/read/grounds'
import { CalendarLinks } from '@/ui/calendar/CalendarLinks'
import { useViewKeys } from '@/ui/shell/keys'
import { useMay } from '@/ui/shell/may'
import type { TypedTree } from './NewTree'
import { SitePlan } from './SitePlan'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Link } from '@/ui/pieces/Link'
import { PrintButton } from '@/ui/pieces/PrintButton'

const MoveTree = afterPage(() => import('./MoveTree'), 'MoveTree')
const NewTree = afterPage(() => import('./NewTree'), 'NewTree')

// Opened by a press: they come after the plan and the list.

const NOTHING: TypedTree = { tag: '', host: '', note: '' }
const NOWHERE: TypedPlace = { east: '', north: '' }

/** A site: its plan and its trees side by side, each lighting the other; new trees are placed on the plan. */
export function SiteWork({ view }: { view: SiteView }) {
  const router = useRouter()
  const [adding, setAdding] = useState(false)
  const may = useMay()
  const moving = may('move-tree') ? view.moving : null
  const [place, setPlace] = useState(() => (moving ? showPlace(moving, view.units) : NOWHERE))
  const [typed, setTyped] = useState(NOTHING)
  const both = useRef<HTMLDivElement>(null)
  useViewKeys({ n: () => may('add-tree') && !moving && setAdding(true) })
  const placing = adding || moving !== null
  const read = placing ? readPlace(place, view.units) : null

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
            <Link href={`/clients/${view.site.clientId}`} className="underline underline-offset-2">
              {view.site.client}
            </Link>{' '}
            · {view.site.place} · {view.site.trees.toLocaleString('en-US')}{' '}
            {view.site.trees === 1 ? 'tree' : 'trees'} ·{' '}
            <Link href={`/grounds/${view.site.id}/about`} className="underline underline-offset-2 no-print">
              about the site
            </Link>
            {may('add-tree') && view.site.trees > 0 && (
              <>
                {' · '}
                <Link
                  href={`/grounds/${view.site.id}/trees-from-file`}
                  className="underline underline-offset-2 no-print"
                >
                  trees from a file
                </Link>
              </>
            )}
          </p>
          <District view={view} />
          <WorkHours site={view.site} />
          <CalendarLinks
            of={{ crewId: null, clientId: view.site.clientId }}
            links={view.links}
            timeZone={view.site.timeZone}
          />
        </div>
        <div className="flex flex-wrap gap-2">
          <ButtonLink href={`/grounds/${view.site.id}/plan`}>Plan</ButtonLink>
          {view.site.trees > 0 && (
            <>
              <PrintButton />
              {may('hand-to-crew') && !placing && (
                <ButtonLink href={`/grounds/${view.site.id}/prescribe`}>Prescribe for many →</ButtonLink>
              )}
              <ButtonLink href={`/grounds/${view.site.id}/decide`}>Decide for many</ButtonLink>
              <ButtonLink href={`/grounds/${view.site.id}/blocks`}>Blocks</ButtonLink>
              <ButtonLink href={`/grounds/${view.site.id}/ahead`}>To come</ButtonLink>
              <ButtonLink href={`/grounds/${view.site.id}/season`}>Season</ButtonLink>
              <ButtonLink href={`/grounds/${view.site.id}/limits`}>Limits</ButtonLink>
              <ButtonLink href={`/grounds/${view.site.id}/tags`}>Tags</ButtonLink>
              <ButtonLink href={`/turn?site=${view.site.id}`}>Whose turn</ButtonLink>
            </>
          )}
          {may('add-tree') && !placing && view.site.trees === 0 && (
            <ButtonLink href={`/grounds/${view.site.id}/trees-from-file`}>Trees from a file</ButtonLink>
          )}
          {may('add-tree') && !placing && (
            <Button now onClick={() => setAdding(true)} title="New tree ( n )">
              Add a tree
            </Button>
          )}
        </div>
      </div>
      {view.site.away && (
        <Note says="stop" className="mt-3 max-w-3xl">
          This site is put away: nothing is worked here. Take it back under <i>about the site</i>.
        </Note>
      )}
      {view.site.note && <Note className="mt-3 max-w-3xl">{view.site.note}</Note>}
      <div ref={both} className="grid gap-6 mt-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(320px,1fr)]">
        <SitePlan
          features={view.features}
          picture={view.picture}
          siteId={view.site.id}
          first={view.plan}
          onLit={light}
          units={view.units}
          place={read?.ok ? read.value : null}
          onPlace={placing ? (pressed) => setPlace(showPlace(pressed, view.units)) : undefined}
          onOpen={(id) => router.push(`/trees/${id}`)}
        />
        <div>
          {moving ? (
            <MoveTree
              tree={moving}
              units={view.units}
              corner={view.site.corner}
              place={place}
              onPlace={setPlace}
            />
          ) : adding ? (
            <NewTree
              typed={typed}
              onTyped={(part) => setTyped((before) => ({ ...before, ...part }))}
              ownHosts={view.ownHosts}
              siteId={view.site.id}
              units={view.units}
              corner={view.site.corner}
              place={place}
              onPlace={setPlace}
              onDone={() => {
                setAdding(false)
                setPlace(NOWHERE)
                setTyped(NOTHING)
              }}
            />
          ) : (
            <TreeList siteId={view.site.id} first={view.list} units={view.units} onLit={light} />
          )}
        </div>
      </div>
    </>
  )
}
