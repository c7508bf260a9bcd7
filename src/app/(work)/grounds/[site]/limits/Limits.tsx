'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { shown } from '@/core/quantity/pair'
import type { LimitsView } from '@/server/read/limits'
import { LimitBar } from '@/ui/methods/LimitBar'
import { LimitCurve } from '@/ui/methods/LimitCurve'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { writtenDate } from '@/ui/when'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { noteAppliedAsks, setAreaAsks } from '@/asks/limits'

/** What of each active the ground may still get this year, what used it up, and what others put on. */
export function Limits({ view }: { view: LimitsView }) {
  const { site, units, year } = view
  const may = useMay()
  const shownGrounds = view.grounds.filter((g) => g.applied + g.others + g.planned > 0)
  const untouched = view.grounds.filter((g) => g.applied + g.others + g.planned === 0)
  return (
    <>
      <SiteHeading
        site={site}
        title={<>Limits on this ground, {year}</>}
        below={
          <>
            {site.areaM2 === null ? 'Its size has not been entered' : shown(site.areaM2, 'acre', units)} ·
            whoever puts it on, it counts
          </>
        }
      />
      {view.years.length > 1 && (
        <p className="no-print mt-2 flex gap-3">
          <span className="label">Year</span>
          {view.years.map((y) =>
            y === year ? (
              <b key={y}>{y}</b>
            ) : (
              <Link key={y} href={`?year=${y}`} className="underline underline-offset-2">
                {y}
              </Link>
            ),
          )}
        </p>
      )}
      {site.areaM2 === null && <AreaForm siteId={site.id} units={units} />}
      <div className="grid gap-x-10 gap-y-6 mt-4 lg:grid-cols-[minmax(0,1.3fr)_minmax(280px,1fr)]">
        <div className="grid gap-6 content-start">
          {shownGrounds.map((g) => (
            <div key={g.active}>
              {g.perArea !== null && site.areaM2 !== null ? (
                <>
                  <LimitBar
                    ground={{ ...g, limit: g.perArea * site.areaM2, wanted: 0 }}
                    areaM2={site.areaM2}
                    units={units}
                  />
                  <LimitCurve
                    year={year}
                    today={view.today}
                    days={g.days}
                    planned={g.planned}
                    limit={g.perArea * site.areaM2}
                    units={units}
                  />
                </>
              ) : (
                <p>
                  <b>{g.active}</b>: {shown(g.applied + g.others, 'lb', units, 3)} put on; no card on the
                  shelf limits it by the year.
                </p>
              )}
              <p className="text-small text-ink2 mt-1">By {g.cards.join(', ') || 'no card'}.</p>
            </div>
          ))}
          {shownGrounds.length === 0 && (
            <p>Nothing that counts toward a yearly limit was put on here in {year}.</p>
          )}
          {untouched.length > 0 && (
            <p className="text-small text-ink2">
              Untouched this year: {untouched.map((g) => g.active).join(', ')}.
            </p>
          )}
        </div>
        <div>
          <h2>Put on by others</h2>
          <ul className="border-t border-line mt-1">
            {view.others.map((o) => (
              <li key={o.id} className="border-b border-line py-2">
                <b>
                  {shown(o.activeKg, 'lb', units, 3)} of {o.active}
                </b>{' '}
                on {writtenDate(o.onDate)}
                <span className="block text-small text-ink2">
                  {o.source} Noted by {o.by}.
                </span>
              </li>
            ))}
            {view.others.length === 0 && (
              <li className="border-b border-line py-2 text-ink2">Nothing is known of in {year}.</li>
            )}
          </ul>
          {may('note-applied') && <NoteForm view={view} />}
        </div>
      </div>
    </>
  )
}

function NoteForm({ view }: { view: LimitsView }) {
  const router = useRouter()
  return (
    <AskedForm
      asks={noteAppliedAsks}
      start={{
        active: view.grounds[0]?.active ?? view.actives[0] ?? '',
        amount: '',
        onDate: view.today,
        source: '',
      }}
      fixed={{ siteId: view.site.id }}
      by={useStep('note-applied', 'id')}
      again
      onDone={() => router.refresh()}
      keep="It counts here"
      keeping="Keeping"
      quiet
      className="no-print grid gap-3 mt-4 max-w-md"
    >
      <h3 className="font-bold">Note what somebody else put on</h3>
      <Asked at="active" options={view.actives.map((a) => [a, a] as const)} />
      <Asked at="amount" label={`How much of the active, ${view.units === 'us' ? 'lb' : 'kg'}`} />
      <Asked at="onDate" most={view.today} />
      <Asked at="source" />
    </AskedForm>
  )
}

function AreaForm({ siteId, units }: { siteId: string; units: 'us' | 'metric' }) {
  const router = useRouter()
  const may = useMay()
  const by = useStep('set-area')
  return (
    <Note as="div" className="mt-3 max-w-xl">
      A yearly limit is of so much an acre: without the size of the ground nothing that has one can be signed.
      {may('set-area') && (
        <AskedForm
          asks={setAreaAsks}
          start={{ area: '' }}
          fixed={{ siteId }}
          by={by}
          onDone={() => router.refresh()}
          keep="Enter it"
          quiet
          inline
        >
          <Asked at="area" label={`How large it is, ${units === 'us' ? 'acre' : 'm²'}`} />
        </AskedForm>
      )}
    </Note>
  )
}
