import { sayMethods } from '@/core/methods/names'
import { Link } from '@/ui/pieces/Link'
import type { ReactNode } from 'react'
import { ANEW } from '@/core/plan/anew'
import { TURN_NAME, type Turn } from '@/core/plan/turn'
import { sayTags } from '@/server/read/together'
import type { TurnView } from '@/server/read/turn'
import { fromToday } from '@/ui/when'

const STEP = { examine: 'to examine', weigh: 'to weigh', decide: 'to decide', prescribe: 'to prescribe' }

/** Whose answer is waited for, beside our own looks. */
const OUTSIDE: readonly Turn[] = ['client', 'laboratory', 'assessor', 'authority', 'removal']

/** The board: what waits for whom, each with the day it is due and the page on which it goes on. */
export function Turns({ view }: { view: TurnView }) {
  const { today, site, turns } = view
  const ofSite = site ? `?${new URLSearchParams({ site: site.id })}` : ''
  const us = turns.find((t) => t.turn === 'us')
  const outside = turns.filter((t) => OUTSIDE.includes(t.turn))
  const arborist = view.stages.reduce((n, s) => n + s.count, 0) + view.anew.length
  const crew = view.jobs.length + view.due.length
  return (
    <>
      {site && (
        <p className="text-small text-ink2">
          <Link href={`/grounds/${site.id}`} className="underline underline-offset-2">
            {site.name}
          </Link>{' '}
          ·{' '}
          <Link href="/turn" className="underline underline-offset-2">
            all sites
          </Link>
        </p>
      )}
      <h1>{site ? `${site.name}, whose turn` : 'Whose turn'}</h1>
      <div className="grid gap-x-6 gap-y-7 mt-4 sm:grid-cols-2 xl:grid-cols-4">
        <Lane title="The arborist" count={arborist} empty="Nothing waits for the arborist.">
          {view.stages.map((s) => (
            <Row
              key={s.stage}
              href={site ? `/grounds/${site.id}` : `/waiting/${s.stage}`}
              lead={`${s.count.toLocaleString('en-US')} ${s.count === 1 ? 'tree' : 'trees'}`}
              said={STEP[s.stage]}
            />
          ))}
          {view.anew.map((a) => (
            <Row
              key={`anew ${a.treeId}`}
              href={`/trees/${a.treeId}/prescribe`}
              lead={a.tag}
              place={site ? null : a.siteName}
              said={ANEW[a.anew]}
              now
            />
          ))}
          {view.returned.map((r) => (
            <Row
              key={r.id}
              href={`/trees/${r.id}/${r.stage}`}
              lead={r.tag}
              place={site ? null : r.siteName}
              said={r.returned}
              now
            />
          ))}
        </Lane>
        <Lane title="The crew" count={crew} empty="Nothing is booked in the next two weeks.">
          {view.release.map((r) => (
            <Row
              key={r.id}
              href={`/run/${r.jobId}`}
              lead={r.tag}
              place={site ? null : r.siteName}
              said={`waits for the crew lead: only if ${r.onlyIf}`}
              day={fromToday(r.onDate, today)}
              now={r.onDate <= today}
            />
          ))}
          {view.jobs.map((j) => (
            <Row
              key={j.id}
              href={`/run/${j.id}`}
              lead={site ? sayMethods(j.methods) : j.siteName}
              said={`${site ? '' : `${sayMethods(j.methods)}, `}${j.recorded} of ${j.trees} recorded`}
              day={fromToday(j.onDate, today)}
              now={j.onDate <= today}
            />
          ))}
          {view.moreJobs && <Row href="/run" lead="All jobs" said="" />}
          {view.due.map((d) => (
            <Row
              key={d.id}
              href="/run"
              lead={d.cardName}
              place={site ? null : d.siteName}
              said={`on no day yet, ${d.trees} ${d.trees === 1 ? 'tree' : 'trees'}${d.after ? `, after ${d.after}` : `, ${d.n} of ${d.times}`}`}
              day={fromToday(d.dueFrom, today)}
              now={d.dueTo < today}
            />
          ))}
          {view.steps.map((s) => (
            <Row
              key={s.id}
              href={`/trees/${s.treeId}`}
              lead={s.tag}
              place={site ? null : s.siteName}
              said={`${s.cardName}, ${s.days === 0 ? 'once' : `${s.days} ${s.days === 1 ? 'day' : 'days'} after`} ${s.after} is signed`}
            />
          ))}
        </Lane>
        <Lane
          title={TURN_NAME.us}
          count={us?.open ?? 0}
          overdue={us?.overdue}
          empty="No look is promised."
          all={us && us.open > us.first.flatMap((p) => p.tags).length ? `/follow-up${ofSite}` : null}
        >
          {us?.first.map((p) => (
            <Promise key={p.id} row={p} today={today} place={!site} />
          ))}
        </Lane>
        <Lane
          title="Others"
          count={outside.reduce((n, t) => n + t.open, 0)}
          overdue={outside.reduce((n, t) => n + t.overdue, 0)}
          empty="Nobody outside is waited for."
        >
          {outside.map((t) => (
            <li key={t.turn} className="pt-2 first:pt-0">
              <h3 className="text-small text-ink2 font-text font-normal">
                {TURN_NAME[t.turn]}, {t.open.toLocaleString('en-US')}
                {t.overdue > 0 &&
                  (t.overdue === t.open ? ', overdue' : `, ${t.overdue.toLocaleString('en-US')} overdue`)}
              </h3>
              <ul>
                {t.first.map((p) => (
                  <Promise key={p.id} row={p} today={today} place={!site} />
                ))}
              </ul>
            </li>
          ))}
        </Lane>
      </div>
    </>
  )
}

/** Everything that waits for one of them. */
function Lane({
  title,
  count,
  overdue = 0,
  empty,
  all = null,
  children,
}: {
  title: string
  count: number
  overdue?: number
  empty: string
  /** Where the rest stands; null where all of it is here. */
  all?: string | null
  children: ReactNode
}) {
  return (
    <section aria-label={title}>
      <div className="flex items-baseline justify-between border-b-2 border-ink pb-1">
        <h2>{title}</h2>
        <span className="font-head font-bold text-lead">{count.toLocaleString('en-US')}</span>
      </div>
      {overdue > 0 && (
        <p className="text-plum font-bold text-small mt-1">{overdue.toLocaleString('en-US')} overdue</p>
      )}
      <ul>{count === 0 && !hasAny(children) ? <li className="py-3 text-ink2">{empty}</li> : children}</ul>
      {all && (
        <Link href={all} className="underline underline-offset-2 inline-block py-2">
          All {count.toLocaleString('en-US')}
        </Link>
      )}
    </section>
  )
}

/** True where something stands in a lane whatever its count says. */
function hasAny(children: ReactNode): boolean {
  return Array.isArray(children) ? children.some(hasAny) : Boolean(children)
}

function Promise({
  row,
  today,
  place,
}: {
  row: TurnView['turns'][number]['first'][number]
  today: string
  place: boolean
}) {
  return (
    <Row
      href={`/follow-up/${row.id}`}
      lead={row.tags.length === 1 ? row.tag : `${row.tags.length} trees`}
      place={place ? row.siteName : null}
      said={row.tags.length === 1 ? row.what : `${row.what}: ${sayTags(row.tags)}`}
      day={fromToday(row.dueOn, today)}
      now={row.dueOn <= today}
    />
  )
}

function Row({
  href,
  lead,
  place = null,
  said,
  day,
  now = false,
}: {
  href: string
  lead: string
  place?: string | null
  said: string
  day?: string
  /** It is due, or holds something up. */
  now?: boolean
}) {
  return (
    <li className="border-b border-line">
      <Link
        href={href}

        className={`block py-2 pl-2.5 -ml-0.5 border-l-[3px] no-underline hover:bg-sheet ${now ? 'border-rust' : 'border-transparent'}`}
      >
        <span className="flex justify-between gap-3 items-baseline">
          <b>{lead}</b>
          {day && <span className={`shrink-0 ${now ? 'text-rust font-bold' : 'text-ink2'}`}>{day}</span>}
        </span>
        <span className="block text-small">
          {place && <span className="text-ink2">{place}: </span>}
          {said}
        </span>
      </Link>
    </li>
  )
}
