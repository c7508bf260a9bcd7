'use client'
import { monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { againstPut } from '@/core/roster/board'
import { unpack, type Packed } from '@/core/packed'
import { crewOn, type Crew } from '@/core/roster/crew'
import { addDays } from '@/core/time/calendar'
import type { WeekView } from '@/server/read/week'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { FirstFew } from '@/ui/pieces/FirstFew'
import { Note } from '@/ui/pieces/Note'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { usePrinting } from '@/ui/pieces/usePrinting'
import { useMay } from '@/ui/shell/may'
import { writtenDay } from '@/ui/when'
import { BoardGrid, Pages } from './BoardGrid'
import { BoardList } from './BoardList'
import { Outcome } from './Outcome'
import { shortHours, StopCard } from './StopCard'
import { StopPanel } from './StopPanel'
import { useWeek, type Shown } from './useWeek'

/** As many days as have room beside each other; fewer beside an open stop. */
const COLUMNS = 6
const BESIDE_A_STOP = 4
/** So many stops of no day are shown before they are asked for, and so many of a crew's day. */
const LOOSE = 12
const IN_A_CELL = 9

/** The week of the firm: crews by day, what would be changed, and what found no place. */
export function Week({ packed }: { packed: Packed<WeekView> }) {
  const view: WeekView = useMemo(() => unpack(packed), [packed])
  const week = useWeek(view)
  const { roster, board, planning } = week
  const may = useMay()('take-week')
  const router = useRouter()
  const printing = usePrinting()
  const [chosen, setChosen] = useState<string | null>(null)
  const [held, setHeld] = useState<string | null>(null)
  const [from, setFirst] = useState(0)
  const [said, setSaid] = useState('')
  /** What was put somewhere last: it stays in sight among many. */
  const [last, setLast] = useState<string | null>(null)
  useEffect(
    () =>
      monitorForElements({
        onDragStart: ({ source }) => setHeld(String(source.data.stop)),
        onDrop: () => setHeld(null),
      }),
    [],
  )

  const used = roster.days.filter(
    (d) =>
      roster.crews.some((c) => crewOn(c, roster, d).minutes > 0) ||
      [...board.values()].some((p) => p.date === d),
  )
  const asked = week.stops.find((s) => s.stop.id === chosen) ?? null
  const columns = asked ? BESIDE_A_STOP : COLUMNS
  const first = Math.max(0, Math.min(from, used.length - columns))
  const days = used.slice(first, first + columns)
  const holding = week.stops.find((s) => s.stop.id === held) ?? null
  const loose = week.stops.filter((s) => {
    const { date } = board.get(s.stop.id)!
    return date === null || date < view.today
  })
  const rows: (Crew | null)[] = [...roster.crews, null]

  function put(id: string, to: { crewId: string | null; date: string }) {
    const s = week.stops.find((x) => x.stop.id === id)
    if (!s || s.stop.begun || !may) return
    week.put(id, to)
    setLast(id)
    const crew = roster.crews.find((c) => c.id === to.crewId) ?? null
    const against = againstPut(roster, crew, to.date, s)
    setSaid(
      `${s.site}: ${writtenDay(to.date)}, ${crew?.name ?? 'no crew yet'}.${against.length > 0 ? ` ${against.join(' ')}` : ''}`,
    )
  }

  /** Pages the board so that a day is on it. */
  function show(day: number, beside: number) {
    if (day < first) setFirst(day)
    else if (day >= first + beside) setFirst(day - beside + 1)
  }

  function choose(id: string) {
    const opens = chosen !== id
    setChosen(opens ? id : null)
    const date = board.get(id)?.date
    // The days move together to make room; the stop stays among them.
    if (opens && date) show(used.indexOf(date), BESIDE_A_STOP)
  }

  function keyMove(s: Shown, byDays: number, byCrews: number) {
    const { crewId, date } = board.get(s.stop.id)!
    const at = date === null || !used.includes(date) ? (byDays < 0 ? used.length : -1) : used.indexOf(date)
    const row = rows.findIndex((c) => (c?.id ?? null) === crewId)
    const to = used[Math.min(used.length - 1, Math.max(0, byDays === 0 && at < 0 ? 0 : at + byDays))]
    const crew = rows[Math.min(rows.length - 1, Math.max(0, row + byCrews))]
    if (to === undefined) return
    put(s.stop.id, { crewId: crew?.id ?? null, date: to })
    const col = used.indexOf(to)
    show(col, columns)
    // The card is drawn anew in another cell; the hand stays on it.
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-stop="${s.stop.id}"]`)?.focus())
  }

  const card = (s: Shown, clock: Parameters<typeof StopCard>[0]['clock'], against: readonly string[]) => (
    <StopCard
      key={s.stop.id}
      stop={s.stop}
      site={s.site}
      onPaper={printing ? [s.address, s.note].filter(Boolean).join('. ') : null}
      pinned={board.get(s.stop.id)!.pinned}
      moved={week.movedHow(s)}
      clock={clock}
      against={against}
      chosen={chosen === s.stop.id}
      fixed={s.stop.begun || !may}
      onChoose={() => choose(s.stop.id)}
      onKeyMove={(d, c) => keyMove(s, d, c)}
    />
  )

  const inSight = ({ stop }: Shown) => stop.id === chosen || stop.id === last

  /** The cards of a crew's day, or of a day without a crew; null where there are none. */
  function cardsOf(crew: Crew | null, date: string) {
    const cards = crew
      ? week.dayOf(crew, date).stops
      : week.stops
          .filter(({ stop }) => {
            const p = board.get(stop.id)!
            return p.crewId === null && p.date === date
          })
          .map((asked) => ({ asked, clock: null, against: againstPut(roster, null, date, asked) }))
    return cards.length === 0 ? null : (
      <FirstFew
        first={IN_A_CELL}
        of={cards}
        what="stops"
        inSight={(s) => inSight(s.asked)}
        whole={printing}
        draw={(s) => card(s.asked, s.clock, s.against)}
      />
    )
  }

  /** Back to the week as it stands now, whoever changed it meanwhile. */
  function leave() {
    week.reset()
    router.refresh()
  }

  async function take() {
    if (await week.takeAll()) {
      setSaid('The week is taken.')
      setChosen(null)
      router.refresh()
    }
  }

  if (roster.crews.length === 0)
    return (
      <>
        <h1>Week</h1>
        <p className="mt-3 max-w-prose">
          No crew is written down yet. Say who goes out together, with which truck, what they do and in which
          hours; then {week.stops.length === 0 ? 'work is' : `${week.stops.length} stops are`} put on their
          days here.
        </p>
        <ButtonLink now href="/week/crews" className="mt-3">
          Write down the first crew →
        </ButtonLink>
      </>
    )

  const conflicts =
    roster.crews
      .flatMap((c) => used.map((d) => week.dayOf(c, d)))
      .reduce((n, d) => n + d.stops.filter((s) => s.against.length > 0).length + (d.over > 0 ? 1 : 0), 0) +
    week.stops.filter((s) => {
      const { crewId, date } = board.get(s.stop.id)!
      return crewId === null && date !== null && againstPut(roster, null, date, s).length > 0
    }).length
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 mb-2">
        <h1 className="mr-auto">Week</h1>
        <Standing week={week} conflicts={conflicts} />
        <PrintButton />
        {may && (
          <span className="no-print flex flex-wrap gap-2">
            {planning.running ? (
              <Button onClick={planning.stop}>Stop, keep the best so far</Button>
            ) : (
              <>
                <Button onClick={() => void planning.start(false)}>Plan the week</Button>
                {week.stops.some((s) => s.stop.crewId !== null) && (
                  <Button quiet onClick={() => void planning.start(true)}>
                    Plan all anew
                  </Button>
                )}
              </>
            )}
            {week.moved.length > 0 && (
              <>
                <Button quiet disabled={week.take.busy} onClick={leave}>
                  Leave it as it was
                </Button>
                <Button now disabled={week.take.busy || planning.running} onClick={() => void take()}>
                  {week.take.busy
                    ? 'Asking every gate…'
                    : `Take ${week.moved.length === 1 ? 'the change' : `the ${week.moved.length} changes`}`}
                </Button>
              </>
            )}
          </span>
        )}
      </div>
      <p role="status" className="sr-only">
        {said}
      </p>
      <ProblemNote
        problem={week.take.problem?.field.endsWith('.why') ? null : (week.take.problem ?? planning.problem)}
      />
      {view.more && (
        <Note className="mb-2">
          There is more work in these two weeks than is planned at once. The first days are here; the rest
          comes when they are done, or stands under Run.
        </Note>
      )}
      {loose.length > 0 && (
        <section aria-label="On no day to come" className="mb-3">
          <h2>On no day to come</h2>
          <div className="grid gap-1 mt-1 sm:grid-cols-3 xl:grid-cols-6">
            <FirstFew
              first={LOOSE}
              of={loose}
              what="stops"
              inSight={inSight}
              whole={printing}
              draw={(s) => {
                const { date } = board.get(s.stop.id)!
                return card(s, null, date === null ? [] : [`Not done on ${writtenDay(date)}.`])
              }}
            />
          </div>
        </section>
      )}
      <div className={`grid gap-4 ${asked ? 'xl:grid-cols-[minmax(0,1fr)_300px]' : ''}`}>
        <div className="min-w-0">
          <BoardGrid
            view={view}
            week={week}
            days={days}
            cardsOf={cardsOf}
            holding={holding}
            onPut={put}
            pages={<Pages first={first} columns={columns} count={used.length} onFirst={setFirst} />}
          />
          <BoardList
            view={view}
            week={week}
            printing={printing}
            days={used.filter((d) => d === view.today || [...board.values()].some((p) => p.date === d))}
            cardsOf={cardsOf}
          />
        </div>
        {asked && <StopPanel asked={asked} week={week} may={may} onClose={() => setChosen(null)} />}
      </div>
      <Outcome week={week} onChoose={choose} />
      <p className="mt-5 text-small text-ink2">
        Days from {writtenDay(view.today)} to {writtenDay(addDays(view.today, roster.days.length - 1))}. Times
        are of work and drive at 25 miles an hour; a stop begins when its hours open.{' '}
        <Link href="/week/crews" className="underline underline-offset-2">
          Crews, hours and absences
        </Link>
        {' · '}
        <a href="/api/week/csv" className="underline underline-offset-2 no-print" download>
          As a table for a spreadsheet
        </a>
      </p>
    </>
  )
}

/** How the week stands, or how planning goes on. */
function Standing({ week, conflicts }: { week: ReturnType<typeof useWeek>; conflicts: number }) {
  const { planning, plan } = week
  if (planning.running)
    return (
      <p role="status">
        {planning.looking
          ? `Asking the gates: ${planning.looking.sites} of ${planning.looking.of} sites`
          : planning.plan
            ? `${planning.plan.assignments.length} placed, ${sayGap(planning.plan.gapPercent)}, ${planning.seconds.toFixed(0)} s`
            : planning.waiting !== null
              ? `Waiting for its turn: number ${planning.waiting} in line`
              : 'Planning…'}
      </p>
    )
  if (plan)
    return (
      <p>
        {plan.assignments.length} of {plan.assignments.length + plan.unassigned.length} stops placed ·{' '}
        {sayGap(plan.gapPercent)} · {shortHours(plan.travelMinutes)} on the road
      </p>
    )
  // Who stands at a tree needs no crew put to it any more.
  const open = week.stops.filter((s) => s.stop.crewId === null && !s.stop.begun).length
  return (
    <p className="text-ink2">
      {week.stops.length} stops{open > 0 && `, ${open} without a crew`}
      {conflicts > 0 && <span className="text-plum font-bold">, {conflicts} to look at</span>}
    </p>
  )
}

const sayGap = (percent: number) =>
  percent < 0.05 ? 'the best there can be' : `at most ${percent.toFixed(1)} % from the best there can be`
