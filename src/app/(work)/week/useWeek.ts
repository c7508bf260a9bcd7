'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import {
  boardOf,
  changed,
  pin,
  putByHand,
  shownDay,
  withPlan,
  type Board,
  type ShownDay,
} from '@/core/roster/board'
import { grouped } from '@/core/grouped'
import { changesOf, unplacedWhy } from '@/core/roster/changes'
import type { Crew } from '@/core/roster/crew'
import type { AskedStop } from '@/core/roster/weekAsked'
import type { WeekPlan } from '@/core/week/planWeek'
import type { WeekStop, WeekView } from '@/server/read/week'
import { askFor } from '@/ui/fields/askFor'
import { useVerb } from '@/ui/fields/useVerb'
import { usePlanning } from './usePlanning'

/** A stop as the page shows it: with its site, and what each day says to it once that is known. */
export type Shown = AskedStop & Pick<WeekStop, 'site' | 'address' | 'note' | 'pace'>

const NOT_ASKED: AskedStop['days'] = []

/** The week on the table: where every stop is put, what comes of it, and what is signed of it. */
export function useWeek(view: WeekView) {
  const { roster } = view
  const [days, setDays] = useState<ReadonlyMap<string, AskedStop['days']>>(new Map())
  const stops = useMemo<Shown[]>(
    () =>
      view.stops.map(({ site, address, note, pace, name, at, ...stop }) => ({
        stop,
        site,
        address,
        note,
        pace,
        name,
        at,
        days: days.get(stop.id) ?? NOT_ASKED,
      })),
    [view.stops, days],
  )
  // What is on the table is of the week it was put on; another one from the server is looked at as it is.
  const [table, setTable] = useState<{ of: WeekView['stops']; board: Board }>(() => ({
    of: view.stops,
    board: boardOf(stops),
  }))
  const board = useMemo(
    () => (table.of === view.stops ? table.board : boardOf(stops)),
    [table, view.stops, stops],
  )
  const change = (by: (before: Board) => Board) =>
    setTable((t) => ({
      of: view.stops,
      board: by(t.of === view.stops ? t.board : boardOf(stops)),
    }))
  const [plan, setPlan] = useState<WeekPlan | null>(null)
  const [why, setWhy] = useState('')
  const take = useVerb('take-week', { makes: 'id' })

  const hearDays = useCallback((heard: { stop: string; days: AskedStop['days'] }[]) => {
    setDays(new Map(heard.map((d) => [d.stop, d.days])))
  }, [])
  // What each day says comes after the page: it asks the gate of every tree.
  useEffect(() => {
    const gone = new AbortController()
    void askFor<Parameters<typeof hearDays>[0]>('/api/week/days', gone.signal).then(
      (heard) => heard && hearDays(heard),
    )
    return () => gone.abort()
  }, [view.stops, hearDays])

  const planning = usePlanning({
    days: hearDays,
    plan: (made) => {
      setPlan(made)
      change((before) => withPlan(before, made))
    },
  })

  const moved = changed(stops, board)
  const planned = useMemo(
    () => (plan ? changesOf(roster, stops, plan.assignments) : []),
    [plan, roster, stops],
  )
  /** Why a stop that was put elsewhere goes there; empty where only a person can say it. */
  const whyOf = (asked: Shown): string => {
    const put = board.get(asked.stop.id)!
    if (put.byHand) return ''
    return planned.find((c) => c.stop === asked.stop.id)?.why ?? ''
  }
  const unplaced = (plan?.unassigned ?? []).flatMap(({ job, reason }) => {
    const asked = stops.find((s) => s.stop.id === job)
    return asked ? [{ asked, ...unplacedWhy(roster, asked, reason, stops, plan!.assignments) }] : []
  })
  /** It went to another day by hand: only a person can say why. */
  const needsWhy = ({ stop }: AskedStop) => {
    const put = board.get(stop.id)!
    return put.byHand && put.date !== stop.onDate && stop.onDate !== null
  }
  const asksWhy = moved.some(needsWhy)

  // Every day is reckoned once for a board: its best order is looked for among all.
  const shown = useMemo(() => {
    const own = grouped(stops, ({ stop }) => {
      const { crewId, date } = board.get(stop.id)!
      return `${crewId} ${date}`
    })
    return new Map(
      roster.crews.flatMap((crew) =>
        roster.days.map((date) => {
          const key = `${crew.id} ${date}`
          return [key, shownDay(roster, crew, date, own.get(key) ?? [], board)] as const
        }),
      ),
    )
  }, [roster, stops, board])
  const dayOf = (crew: Crew, date: string): ShownDay<Shown> => shown.get(`${crew.id} ${date}`)!

  async function takeAll(): Promise<boolean> {
    const touched = new Map<string, { crewId: string; onDate: string }>()
    for (const s of moved) {
      const { crewId, date } = board.get(s.stop.id)!
      if (crewId !== null && date !== null && roster.days.includes(date))
        touched.set(`${crewId} ${date}`, { crewId, onDate: date })
    }
    const done = await take.send({
      placed: moved.flatMap((s) => {
        const { crewId, date, pinned } = board.get(s.stop.id)!
        if (date === null) return []
        return [
          {
            stop: s.stop.id,
            trees: s.stop.trees,
            from: { crewId: s.stop.crewId, onDate: s.stop.onDate },
            to: { crewId, onDate: date },
            pinned,
            why: needsWhy(s) ? why : whyOf(s) || 'Given to a crew.',
          },
        ]
      }),
      order: [...touched.values()].map(({ crewId, onDate }) => ({
        crewId,
        onDate,
        stops: dayOf(
          roster.crews.find((c) => c.id === crewId)!,
          onDate,
        ).stops.map((s) => s.asked.stop.id),
      })),
    })
    if (done === null) return false
    setPlan(null)
    setWhy('')
    return true
  }

  return {
    stops,
    board,
    roster,
    dayOf,
    moved,
    unplaced,
    whyOf,
    planning,
    plan,
    take,
    takeAll,
    why,
    setWhy,
    asksWhy,
    put: (stop: string, to: { crewId: string | null; date: string | null }) =>
      change((before) => putByHand(before, stop, to)),
    pin: (stop: string, pinned: boolean) => change((before) => pin(before, stop, pinned)),
    reset: () => {
      planning.stop()
      setPlan(null)
      change(() => boardOf(stops))
      take.clear()
    },
    /** How a stop is put elsewhere than it stands; null where it is not. */
    movedHow: ({ stop }: AskedStop): string | null => {
      const put = board.get(stop.id)!
      return put.date !== stop.onDate ? 'another day' : put.crewId !== stop.crewId ? 'new crew' : null
    },
  }
}

export type WeekState = ReturnType<typeof useWeek>
