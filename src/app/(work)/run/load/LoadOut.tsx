'use client'
import type { LoadLine } from '@/core/loadout/truck'
import { addDays } from '@/core/time/calendar'
import type { LoadView } from '@/server/read/load'
import { TankLoads } from '@/ui/methods/TankLoads'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { useMay } from '@/ui/shell/may'
import { clockTime, writtenDay } from '@/ui/when'
import { loadHref } from './loadHref'
import { useTicks, type Ticked } from './useTicks'

/** What goes on a truck for its day, ticked in the yard; then what is mixed. */
export function LoadOut({ view }: { view: LoadView }) {
  const may = useMay()('note-loaded')
  const { load, crew, jobs } = view
  const { ticked, refused, tick } = useTicks(view)
  const isOn = (l: LoadLine) => ticked[l.key]?.state === 'on' && ticked[l.key]!.amount === l.amount
  const on = load.lines.filter(isOn).length
  const next = load.lines.find((l) => !isOn(l))
  const first = jobs.find((j) => j.recorded < j.trees) ?? jobs[0]
  const sites = [...new Set(jobs.map((j) => j.siteName))]
  return (
    <div className="max-w-2xl">
      <p className="text-small text-ink2 no-print">
        <Link href="/run" className="underline underline-offset-2">
          all work
        </Link>
      </p>
      <h1>Load-out{crew && `, ${crew.truck ?? crew.name ?? 'what no crew has'}`}</h1>
      <p className="text-ink2">
        {writtenDay(view.date)}
        {jobs.length > 0 &&
          ` · ${sites.join(', ')} · ${load.trees} ${load.trees === 1 ? 'tree' : 'trees'}${crew?.truck && crew.name ? ` · ${crew.name}` : ''}`}
      </p>
      <Others view={view} />
      {load.lines.length === 0 ? (
        <p className="mt-4">
          {jobs.length === 0
            ? `No work stands on ${writtenDay(view.date)}. What is handed to a crew appears here on its day.`
            : 'Nothing of this day can be begun as it stands; what has to be worked out again is with the arborist.'}
        </p>
      ) : (
        <>
          <ul aria-label="What goes on the truck" className="border-t border-line mt-3">
            {load.lines.map((line) => (
              <Thing
                key={line.key}
                line={line}
                isOn={isOn(line)}
                said={ticked[line.key] ?? null}
                refused={refused[line.key] ?? null}
                timeZone={view.timeZone}
                onTick={may ? (state) => void tick(line, state) : null}
              />
            ))}
          </ul>
          {load.tanks.map((tank) => (
            <section
              key={`${tank.site} ${tank.products[0]!.name}`}
              className="mt-5 bg-sheet border border-line p-4"
            >
              <h2>Mixing at {tank.site}</h2>
              <TankLoads spray={tank.spray} products={tank.products} units={view.units} />
              {tank.never.map((why) => (
                <Note key={why} says="stop" className="mt-2">
                  {why}
                </Note>
              ))}
            </section>
          ))}
          <div className="no-print sticky bottom-[72px] desk:bottom-0 mt-5 py-2 bg-ground flex flex-wrap gap-3 items-center">
            {next ? (
              <Button
                now
                className="hand-tall grow"
                onClick={() =>
                  document
                    .getElementById(`load ${next.key}`)
                    ?.scrollIntoView({ block: 'center', behavior: 'smooth' })
                }
              >
                {on} of {load.lines.length} on the truck
              </Button>
            ) : (
              <ButtonLink now className="hand-tall grow" href={`/run/${first!.id}`}>
                All {load.lines.length} on the truck: to {first!.siteName} →
              </ButtonLink>
            )}
            <span className="hand:hidden">
              <PrintButton />
            </span>
          </div>
        </>
      )}
    </div>
  )
}

/** The other crews of the day, and the next day. */
function Others({ view }: { view: LoadView }) {
  const others = view.crews.filter((c) => c.id !== view.crew?.id)
  const tomorrow = addDays(view.today, 1)
  return (
    <p className="no-print flex flex-wrap gap-x-5 text-small">
      {others.map((c) => (
        <Link
          key={c.id ?? 'none'}
          href={loadHref(view.date, c.id)}
          className="underline underline-offset-2 py-1 hand:py-3"
        >
          {c.name ?? 'what no crew has'}
        </Link>
      ))}
      {[view.today, tomorrow]
        .filter((d) => d !== view.date)
        .map((d) => (
          <Link
            key={d}
            href={view.crew ? loadHref(d, view.crew.id) : `/run/load?date=${d}`}
            className="underline underline-offset-2 py-1 hand:py-3"
          >
            {d === view.today ? 'today' : 'tomorrow'}
          </Link>
        ))}
    </p>
  )
}

function Thing({
  line,
  isOn,
  said,
  refused,
  timeZone,
  onTick,
}: {
  line: LoadLine
  isOn: boolean
  said: Ticked | null
  refused: string | null
  timeZone: string
  onTick: ((state: Ticked['state']) => void) | null
}) {
  const isMissing = said?.state === 'missing'
  const changed = said?.state === 'on' && !isOn
  return (
    <li
      id={`load ${line.key}`}
      className="border-b border-line py-2 grid grid-cols-[48px_minmax(0,1fr)_auto] gap-x-3"
    >
      <button
        type="button"
        role="checkbox"
        aria-checked={isOn}
        aria-label={`On the truck: ${line.name}`}
        disabled={onTick === null}
        onClick={() => onTick?.(isOn ? 'off' : 'on')}
        className={`size-12 border-2 rounded text-2xl font-bold ${isOn ? 'bg-moss border-moss text-paper' : 'bg-paper border-ink2'}`}
      >
        {isOn ? '✓' : ''}
      </button>
      <div className="min-w-0">
        <b>{line.name}</b>
        <p className="text-small text-ink2">{line.detail}</p>
        {line.short && <p className="text-plum font-semibold text-small">{line.short}</p>}
        {changed && (
          <p className="text-plum font-semibold text-small">
            It was {said.amount ?? 'without an amount'} when {said.by} loaded it; load it anew.
          </p>
        )}
        {isMissing && (
          <p className="text-plum font-semibold text-small">
            missing, said by {said.by} at {clockTime(said.at, timeZone)}
          </p>
        )}
        {refused && (
          <p role="alert" className="text-plum font-semibold text-small">
            {refused}
          </p>
        )}
      </div>
      <div className="text-right">
        {line.amount && <b className="block text-lead whitespace-nowrap">{line.amount}</b>}
        {onTick && !isOn && (
          <button
            type="button"
            className="no-print underline underline-offset-2 text-small py-1 hand:min-h-12 px-1"
            onClick={() => onTick(isMissing ? 'off' : 'missing')}
          >
            {isMissing ? 'it is there' : 'missing'}
            <span className="sr-only">: {line.name}</span>
          </button>
        )}
      </div>
    </li>
  )
}
