'use client'
import { useMemo, useState } from 'react'
import { showStock } from '@/core/stock/stockAmount'
import { whyNotPutAway } from '@/core/evening/putAway'
import { shortestTrip, tripMinutes } from '@/core/evening/collect'
import { grouped } from '@/core/grouped'
import { counted } from '@/core/text/counted'
import { dateIn } from '@/core/time/calendar'
import type { EveningView } from '@/server/read/evening'
import { useOutbox } from '@/ui/field/outbox'
import { OfJob, useKeeping } from '@/ui/field/useKeeping'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { afterPage } from '@/ui/pieces/afterPage'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { useGo } from '@/ui/shell/useGo'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'

const CountLot = afterPage(() => import('./CountLot'), 'CountLot')

type Still = EveningView['still'][number]

/** What is still in trees anywhere, the way to collect it, and the day that is put away once nothing is left by oversight. */
export function Evening({ view }: { view: EveningView }) {
  const at = useMemo(
    () => ({ id: null, onDate: view.today, timeZone: view.timeZone }),
    [view.today, view.timeZone],
  )
  return (
    <OfJob value={at}>
      <Day view={view} />
    </OfJob>
  )
}

function Day({ view }: { view: EveningView }) {
  const { crew, still } = view
  const own = still.filter((t) => t.crewId === (crew?.id ?? null))
  const others = grouped(
    still.filter((t) => !own.includes(t)),
    (t) => t.crewId ?? '',
  )
  return (
    <div className="max-w-2xl">
      <p className="text-small text-ink2 no-print">
        <Link href="/run" className="underline underline-offset-2 hand:py-3">
          all work
        </Link>
      </p>
      <h1>Evening{crew && `, ${crew.truck ?? crew.name ?? 'what no crew has'}`}</h1>
      <p className="text-lead mt-1">{sayStill(own)}</p>
      {own.length > 0 && <Collect trees={own} view={view} />}
      <DayJobs view={view} />
      <ComingBack view={view} />
      <PutAway key={own.map((t) => t.id).join()} view={view} own={own} />
      {others.size > 0 && (
        <section className="mt-8">
          <h2>With other trucks</h2>
          {[...others.values()].map((trees) => (
            <details key={trees[0]!.crewId ?? ''} className="border-b border-line py-1">
              <summary className="cursor-pointer py-2 hand:py-3">
                <b>{trees[0]!.truck ?? trees[0]!.crew ?? 'No crew'}</b>: {sayStill(trees)}
              </summary>
              <Collect trees={trees} view={view} />
            </details>
          ))}
        </section>
      )}
      {view.crews.length > 1 && (
        <p className="no-print mt-4 flex flex-wrap gap-x-5">
          {view.crews
            .filter((c) => c.id !== crew?.id)
            .map((c) => (
              <Link
                key={c.id ?? 'none'}
                href={`/run/evening?crew=${c.id ?? 'none'}`}
                className="underline underline-offset-2 py-2 hand:py-3"
              >
                The evening of {c.name ?? 'what no crew has'}
              </Link>
            ))}
        </p>
      )}
    </div>
  )
}

const portsIn = (trees: readonly Still[]) => trees.reduce((n, t) => n + t.ports, 0)

function sayStill(trees: readonly Still[]): string {
  return trees.length === 0
    ? 'Nothing is in a tree.'
    : `${counted(portsIn(trees), 'port')} still in ${counted(trees.length, 'tree')}.`
}

/** By site in the order of the shortest way from the yard and back; sites that lie nowhere known come last. */
function Collect({ trees, view }: { trees: readonly Still[]; view: EveningView }) {
  const sites = [...grouped(trees, (t) => t.siteId).values()].map((own) => ({ own, at: own[0]!.at }))
  const trip = shortestTrip(sites.flatMap(({ own, at }) => (at ? [{ own, at }] : [])))
  const rest = sites.filter((s) => s.at === null)
  return (
    <>
      {trip.length > 1 && (
        <p className="text-ink2 mt-1">
          The shortest way by {counted(trip.length, 'site')}, from the yard and back: about{' '}
          {Math.round(tripMinutes(trip))} min on the road.
        </p>
      )}
      <ol className="mt-2 border-t border-line">
        {[...trip, ...rest].map(({ own }) => (
          <li key={own[0]!.siteId} className="border-b border-line py-2">
            <p className="font-head font-bold text-lead">{own[0]!.siteName}</p>
            <ul>
              {own.map((t) => (
                <li key={t.id}>
                  <Link
                    href={`/run/${t.jobId}?${new URLSearchParams({ tree: t.id, part: 'tree' })}`}
                    className="flex flex-wrap items-baseline gap-x-3 py-2 hand:min-h-12 no-underline hover:bg-sheet"
                  >
                    <b className="underline underline-offset-2">{t.tag}</b>
                    <span>
                      {counted(t.ports, 'port')}, in since {sayTime(t.since, view)}
                      {t.taking === 0
                        ? ', empty: pull and count'
                        : `, empty by about ${sayTime(t.until, view)}`}
                    </span>
                    {t.words && <span className="basis-full text-straw">Left in: {t.words}</span>}
                  </Link>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </>
  )
}

/** The clock, with its day where that is not today. */
function sayTime(at: number, { timeZone, today }: EveningView): string {
  const clock = clockTime(at, timeZone)
  return dateIn(timeZone, new Date(at)) === today
    ? clock
    : `${shortDate(at, timeZone).replace(/ \d{4}$/, '')}, ${clock}`
}

/** How the jobs of the day stand: what is signed, what is begun and not signed. */
function DayJobs({ view: { jobs } }: { view: EveningView }) {
  if (jobs.length === 0) return null
  return (
    <section className="mt-5">
      <h2>The day</h2>
      <ul className="border-t border-line mt-1">
        {jobs.map((j) => (
          <li key={j.id} className="border-b border-line">
            <Link
              href={`/run/${j.id}?part=finish`}
              className="flex flex-wrap justify-between gap-x-4 py-2 hand:min-h-12 no-underline hover:bg-sheet"
            >
              <b>{j.siteName}</b>
              <span>
                {j.recorded} of {counted(j.trees, 'tree')} signed
                {j.begun > 0 && <b className="text-straw">, {j.begun} begun and not signed</b>}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What is brought home is counted against the records, lot by lot; a difference is asked about. */
function ComingBack({ view }: { view: EveningView }) {
  const may = useMay()('enter-stock')
  if (view.lots.length === 0) return null
  return (
    <section className="mt-5">
      <h2>Back in the yard</h2>
      <ul className="border-t border-line mt-1">
        {view.lots.map((l) => (
          <li key={l.id} className="border-b border-line py-1">
            <Lot lot={l} units={view.units} may={may} />
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A lot as the records leave it; its count is asked for when it is opened. */
function Lot({
  lot,
  units,
  may,
}: {
  lot: EveningView['lots'][number]
  units: EveningView['units']
  may: boolean
}) {
  const [opened, setOpened] = useState(false)
  return (
    <details onToggle={(e) => e.currentTarget.open && setOpened(true)}>
      <summary className="cursor-pointer py-2 hand:py-3">
        <b>{lot.name}</b>, lot {lot.number}:{' '}
        {lot.left === null
          ? 'never counted'
          : `${showStock({ ...lot.left, amount: Math.max(0, lot.left.amount) }, units)} by the records`}
      </summary>
      {may && opened && <CountLot lot={lot.id} />}
    </details>
  )
}

/** Asks of each tree in which something still is what was decided instead, and puts the day away. */
function PutAway({ view, own }: { view: EveningView; own: readonly Still[] }) {
  const may = useMay()('put-day-away')
  const go = useGo()
  const { crew, ended, timeZone } = view
  const [words, setWords] = useState<Record<string, string>>(() =>
    Object.fromEntries(own.map((t) => [t.id, t.words ?? ''])),
  )
  const keeping = useKeeping('put-day-away', {
    trees: (input) => input.left.map((l) => l.jobSubjectId),
    check: (input) => whyNotPutAway(own, new Map(input.left.map((l) => [l.jobSubjectId, l.words]))),
  })
  const { send, busy, problem } = useVerb('put-day-away', { makes: 'id', keeping })
  const here = useOutbox().waiting.some(
    (e) => e.step === 'put-day-away' && e.content['crewId'] === (crew?.id ?? null),
  )
  if (!crew) return <p className="mt-4 text-ink2">No work stands on today.</p>
  const field = (id: string) =>
    problem?.field === `left[${own.findIndex((t) => t.id === id)}].words` ? problem.message : null
  const away = ended !== null || here
  return (
    <section className="mt-6">
      <h2>Put the day away</h2>
      {away && (
        <Note says="good" className="mt-2">
          {!here && ended
            ? `Put away by ${ended.by} at ${clockTime(ended.at, timeZone)}.`
            : 'Put away on this device; it goes out with the next signal.'}
        </Note>
      )}
      {may && (
        <>
          {own.length > 0 && (
            <div className="grid gap-3 mt-2">
              {own.map((t) => (
                <Field
                  key={t.id}
                  label={`${t.tag}, ${counted(t.ports, 'port')} in it: what was decided instead`}
                  placeholder="who comes back, and when"
                  value={words[t.id] ?? ''}
                  onChange={(e) => setWords({ ...words, [t.id]: e.target.value })}
                  problem={field(t.id)}
                />
              ))}
            </div>
          )}
          <div className="thumb desk:mt-3">
            <ProblemNote problem={problem && own.some((t) => field(t.id)) ? null : problem} />
            <Button
              now={!away}
              className="hand-tall"
              disabled={busy}
              onClick={async () => {
                const left = own.flatMap((t) => {
                  const said = (words[t.id] ?? '').trim()
                  return said ? [{ jobSubjectId: t.id, words: said }] : []
                })
                const sent = await send({ crewId: crew.id, onDate: view.today, left })
                if (sent === null) return
                go('/run/evening' + (view.crews.length > 1 ? `?crew=${crew.id ?? 'none'}` : ''))
              }}
            >
              {away ? 'Put it away once more' : 'Put the day away'}
            </Button>
          </div>
        </>
      )}
    </section>
  )
}
