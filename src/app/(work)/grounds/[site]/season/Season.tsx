'use client'
import { Seen } from './Seen'
import { OwnWeather } from './OwnWeather'
import { SiteSpot } from './SiteSpot'
import { Ribbon } from '@/ui/ribbon/Ribbon'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { showTemperature } from '@/core/quantity/format'
import { spokenDay } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { Toggle } from '@/ui/fields/Toggle'
import { Button } from '@/ui/pieces/Button'
import { SeasonTables } from './SeasonTables'
import { Note } from '@/ui/pieces/Note'
import { OneOf } from '@/ui/pieces/OneOf'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { PIN_NAME, PinSign } from '@/ui/ribbon/Pin'
import { around, moved, type Span } from '@/ui/ribbon/layout'
import { clockTime, shortDate } from '@/ui/when'
import { DayOfSeason, sayDay } from './DayOfSeason'
import { HoursAhead } from './HoursAhead'
import { lanesOf } from './lanes'
import { Risks } from './Risks'
import { TenDays } from './TenDays'

type Zoom = 'season' | 'fortnight' | 'hours'
/** Days before today and after it that a fortnight shows. */
const FORTNIGHT: Span = [-4, 11]
/** Asked again while years, or today’s weather, are still coming, ms, and so often at most. */
const AGAIN_MS = 3000
const AGAIN_TIMES = 20

/** A site's season: what the warmth says, what was seen, what is planned, what the weather allows. */
export function Season({ view }: { view: SeasonView }) {
  const router = useRouter()
  const { site, day, from, warmth, weather } = view
  const length = Math.max(warmth.usual.length, 365)
  const whole: Span = useMemo(() => [0, length], [length])
  const [zoom, setZoom] = useState<Zoom>('season')
  const [near, setNear] = useState<Span>([day + FORTNIGHT[0], day + FORTNIGHT[1]])
  const [chosen, setChosen] = useState(day)
  const lanes = useMemo(() => lanesOf(view), [view])
  const coming =
    weather.place !== null &&
    (weather.pastYears < weather.pastYearsMeant || (weather.askedAt !== null && isOld(view)))
  const asked = useRef(0)
  useEffect(() => {
    if (!coming || asked.current >= AGAIN_TIMES) return
    asked.current += 1
    const timer = setTimeout(() => router.refresh(), AGAIN_MS)
    return () => clearTimeout(timer)
  }, [coming, router, view])
  const unit = view.units === 'us' ? '°F·d' : '°C·d'
  const perDegree = view.units === 'us' ? 1.8 : 1
  const sum = useCallback(
    (value: number | null | undefined) =>
      value === null || value === undefined
        ? 'not known'
        : `${Math.round(value * perDegree).toLocaleString('en-US')} ${unit}`,
    [perDegree, unit],
  )
  const say = (d: number) => sayDay(view, d, sum)
  const choose = (d: number) => {
    setChosen(d)
    setNear((span) => around(span, d, whole))
  }
  const risks = view.scab !== null || view.blight !== null || view.wettings.length > 0
  // Nothing of it moves with the ribbon.
  const below = useMemo(
    () => (
      <>
        <TenDays view={view} />
        <div
          className={`grid gap-x-8 gap-y-5 mt-6 ${risks ? 'lg:grid-cols-[minmax(0,1fr)_340px]' : 'max-w-xl'}`}
        >
          {risks && <Risks view={view} />}
          <Seen view={view} />
        </div>
        <SeasonTables view={view} sum={sum} />
        <OwnWeather view={view} />
        <SiteSpot view={view} />
      </>
    ),
    [view, risks, sum],
  )
  return (
    <div>
      <SiteHeading
        site={site}
        title={['Season', view.tree?.tag ?? view.block].filter(Boolean).join(', ')}
        below={
          warmth.known[day] === null || warmth.known[day] === undefined ? (
            'The warmth of this year is not known yet.'
          ) : (
            <>
              <b>{sum(warmth.known[day])}</b> above {showTemperature(warmth.base, view.units)} since{' '}
              {spokenDay(from)}
              {warmth.ahead !== null && <>, {sayAhead(warmth.ahead)}</>}
            </>
          )
        }
      />
      {view.tree ? (
        <p className="no-print mt-2 flex flex-wrap gap-x-4">
          <Link href={`/trees/${view.tree.id}`} className="underline underline-offset-2">
            Back to {view.tree.tag}
          </Link>
          <Link href={`/grounds/${site.id}/season`} className="underline underline-offset-2">
            The whole site
          </Link>
        </p>
      ) : (
        view.blocks.length > 0 && (
          <OneOf
            label="Block"
            all={[null, ...view.blocks].map((name) => ({
              name: name ?? 'all',
              href: name === null ? '?' : `?${new URLSearchParams({ block: name })}`,
              holds: name === view.block,
            }))}
          />
        )
      )}
      <WeatherState view={view} />
      <div className="no-print mt-3 flex flex-wrap items-end gap-3">
        <Toggle
          label="How near"
          hideLabel
          className="flex gap-2"
          options={[
            ['season', 'Season'],
            ['fortnight', 'Fortnight'],
            ['hours', 'Hours'],
          ]}
          value={zoom}
          onChange={setZoom}
        />
        {zoom === 'fortnight' && (
          <>
            <Button onClick={() => setNear(moved(near, -7, whole))}>Earlier</Button>
            <Button onClick={() => setNear(moved(near, 7, whole))}>Later</Button>
          </>
        )}
      </div>
      {zoom === 'hours' ? (
        <HoursAhead hours={view.hours} units={view.units} />
      ) : (
        <section aria-label="The ribbon" className="mt-3">
          <Ribbon
            from={from}
            whole={whole}
            span={zoom === 'season' ? whole : near}
            onSpan={setNear}
            day={day}
            chosen={chosen}
            onChosen={choose}
            known={warmth.known}
            usual={warmth.usual}
            lanes={lanes}
            pins={view.pins}
            say={say}
            unit={unit}
            perDegree={perDegree}
          />
          <Legend view={view} />
          <DayOfSeason view={view} day={chosen} sum={sum} />
        </section>
      )}
      {below}
    </div>
  )
}

function sayAhead(days: number): string {
  if (days === 0) return 'as in the usual year'
  return `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'ahead of' : 'behind'} the usual year`
}

function Legend({ view }: { view: SeasonView }) {
  const kinds = (['done', 'planned', 'due', 'promised'] as const).filter((k) =>
    view.pins.some((p) => p.kind === k),
  )
  return (
    <p aria-hidden className="text-small text-ink2 flex flex-wrap gap-x-4 gap-y-1 mt-1 items-center">
      <span>
        <span className="inline-block w-6 border-t-[3px] border-water align-middle" /> this year, dotted by
        the forecast
      </span>
      <span>
        <span className="inline-block w-6 border-t-2 border-dashed border-ink2 align-middle" /> usual year
      </span>
      {kinds.map((k) => (
        <span key={k} className="inline-flex items-center gap-1">
          <svg width={16} height={16} viewBox="-8 -8 16 16">
            <PinSign kind={k} />
          </svg>
          {PIN_NAME[k].toLowerCase()}
        </span>
      ))}
    </p>
  )
}

/** Weather is asked for hourly; what is older was not answered. */
const isOld = ({ weather, now }: SeasonView) => now - (weather.askedAt ?? 0) > 3 * 3_600_000

function WeatherState({ view }: { view: SeasonView }) {
  const { weather, site } = view
  if (!weather.place)
    return (
      <Note className="mt-3">
        Nothing says where this site lies, nor its firm’s town, so there is no weather for it. Say it below.
      </Note>
    )
  const old = weather.askedAt !== null && isOld(view)
  return (
    <>
      {weather.askedAt === null ? (
        <Note className="mt-3">
          No weather is known here yet. It is being asked for; work goes on without it.
        </Note>
      ) : (
        old && (
          <Note className="mt-3">
            The weather is as it was known {shortDate(weather.askedAt, site.timeZone)},{' '}
            {clockTime(weather.askedAt, site.timeZone)}. The service did not answer since.
          </Note>
        )
      )}
      {weather.askedAt !== null && weather.pastYears < weather.pastYearsMeant && (
        <Note className="mt-3">
          {weather.pastYears} of {weather.pastYearsMeant} past years are here; the others are being fetched.
          Until then the usual year and dates to come are less sure.
        </Note>
      )}
    </>
  )
}
