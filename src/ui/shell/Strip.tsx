'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { showSpeed, showTemperature } from '@/core/quantity/format'
import { Link } from '../pieces/Link'
import { useVerb } from '../fields/useVerb'
import { clockTime, longDate, shortDate } from '../when'
import { setFirmClock } from './firmClock'

export interface StripData {
  town: string
  timeZone: string
  now: number
  weather: {
    temperature: number
    wind: number
    windFrom: string | null
    sky: string | null
    soil: string
  } | null
  /** When it was asked for, where that is long ago. */
  weatherOf: number | null
  treesTakingUp: number
  closed: { site: string; until: number }[]
  working: { site: string; since: number }[]
  person: { units: 'us' | 'metric' }
  beingMoved: boolean
  demo: boolean
}

/** Where the strip says what is kept on the device. */
export const KEPT_HERE = 'kept-here'

/** The top strip: place, time, weather, what is in force. In the demo it says that time and weather are simulated. */
export function Strip({ data }: { data: StripData }) {
  const router = useRouter()
  const [now, setNow] = useState(data.now)
  const units = useVerb('set-units')
  const { weather: w } = data
  const system = data.person.units
  const [whole, setWhole] = useState(false)
  const wide = whole ? '' : 'bar:hidden'
  const inForce = data.closed.length + data.working.length

  useEffect(() => {
    setFirmClock(data.now)
    const began = Date.now()
    const tick = () => setNow(data.now + Date.now() - began)
    tick()
    const timer = setInterval(tick, 10_000)
    return () => clearInterval(timer)
  }, [data.now])

  async function switchUnits() {
    if ((await units.send({ units: system === 'us' ? 'metric' : 'us' })) !== null) router.refresh()
  }

  return (
    <header
      className={`no-print bg-sheet border-b border-line px-4 spine:px-[22px] min-h-[40px] py-1.5 bar:py-0 flex flex-wrap items-center gap-x-3 gap-y-1 text-small ${whole ? '' : 'strip-line'}`}
    >
      <span className={`font-bold ${wide}`}>{data.town}</span>
      <span className="text-ink2 hidden spine:inline">
        {longDate(now, data.timeZone)}, {clockTime(now, data.timeZone)}
      </span>
      <span className="spine:hidden font-bold">{clockTime(now, data.timeZone)}</span>
      <span
        className={`spine:hidden yields whitespace-nowrap ${whole || (inForce > 0 && data.treesTakingUp > 0) ? 'hidden' : ''}`}
      >
        {w
          ? [showTemperature(w.temperature, system), ...(data.demo ? [] : [showSpeed(w.wind, system)])].join(
              ', ',
            )
          : 'weather not known'}
      </span>
      <span id={KEPT_HERE} aria-live="polite" className="whitespace-nowrap" />
      {/* On a phone the rest is one press away; what is closed is said on the line. */}
      <button
        type="button"
        aria-expanded={whole}
        onClick={() => setWhole(!whole)}
        className="spine:hidden ml-auto min-h-12 lying:min-h-10 flex items-center gap-1"
      >
        {!whole && data.beingMoved && <span className="tag tag-plum">read only</span>}
        {!whole && inForce > 0 && <span className="tag tag-plum">{inForce} closed</span>}
        {!whole && data.treesTakingUp > 0 && (
          <span className="tag tag-straw">{data.treesTakingUp} taking up</span>
        )}
        {!whole && data.demo && inForce + data.treesTakingUp === 0 && (
          <span className="tag tag-straw yields">simulated</span>
        )}
        <span aria-hidden="true">{whole ? '▴' : '▾'}</span>
        <span className="sr-only">
          {whole ? 'Show less of what is in force' : 'Show all that is in force'}
        </span>
      </button>
      {data.beingMoved && (
        <span className={`tag tag-plum ${wide}`}>
          being moved to another machine: read on, enter again in a minute
        </span>
      )}
      {data.treesTakingUp > 0 && (
        <Link href="/run/evening" className={`tag tag-straw no-underline ${wide}`}>
          {data.treesTakingUp} {data.treesTakingUp === 1 ? 'tree' : 'trees'} still taking up
        </Link>
      )}
      <span className={`tag tag-water ${wide}`}>
        {w
          ? `${showTemperature(w.temperature, system)} · wind ${[showSpeed(w.wind, system), w.windFrom].filter(Boolean).join(' ')}${w.sky ? ` · ${w.sky}` : ''} · soil ${w.soil}`
          : 'weather not known'}
        {data.weatherOf !== null &&
          `, as known ${shortDate(data.weatherOf, data.timeZone)}, ${clockTime(data.weatherOf, data.timeZone)}`}
      </span>
      {data.working.map((c) => (
        <span key={c.site} className={`tag tag-plum ${wide}`}>
          {c.site} closed since {clockTime(c.since, data.timeZone)}, work not signed
        </span>
      ))}
      {data.closed.map((c) => (
        <span key={c.site} className={`tag tag-plum ${wide}`}>
          {c.site} closed until{' '}
          {longDate(c.until, data.timeZone) !== longDate(now, data.timeZone) &&
            `${shortDate(c.until, data.timeZone).replace(/ \d{4}$/, '')}, `}
          {clockTime(c.until, data.timeZone)}
        </span>
      ))}
      <span className={`ml-auto flex items-center gap-2 ${wide} ${whole ? 'bar:pb-2' : ''}`}>
        <button
          type="button"
          className="underline underline-offset-2 py-1"
          onClick={switchUnits}
          disabled={units.busy}
        >
          {system === 'us' ? 'inches' : 'centimetres'}
          <span className="sr-only">, change units</span>
        </button>
        {data.demo && <DemoClock />}
      </span>
    </header>
  )
}

const MOVES: [string, number][] = [
  ['+ 15 minutes', 900],
  ['+ 1 hour', 3600],
  ['+ 1 day', 86_400],
  ['+ 2 weeks', 14 * 86_400],
  ['+ 1 year', 365 * 86_400],
]

/** Moves the demo's simulated clock, so that uptake and follow-ups need not be waited for. */
function DemoClock() {
  const router = useRouter()
  const { send, busy } = useVerb('move-clock')
  return (
    <label className="tag tag-straw flex items-center gap-1.5">
      <span>
        simulated<span className="hidden spine:inline"> day and weather</span>
      </span>
      <select
        aria-label="Move the demo's clock"
        className="bg-paper border border-straw rounded-sm px-1 py-0.5"
        value=""
        disabled={busy}
        onChange={async (e) => {
          const seconds = Number(e.target.value)
          if (seconds > 0 && (await send({ seconds })) !== null) router.refresh()
        }}
      >
        <option value="">move on…</option>
        {MOVES.map(([text, seconds]) => (
          <option key={seconds} value={seconds}>
            {text}
          </option>
        ))}
      </select>
    </label>
  )
}
