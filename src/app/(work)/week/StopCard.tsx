'use client'
import { sayMethods } from '@/core/methods/names'
import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { useEffect, useRef, type KeyboardEvent } from 'react'
import { sayClock } from '@/core/roster/span'
import type { Clocked } from '@/core/roster/dayClock'
import type { Stop } from '@/core/roster/stop'

/** Minutes as a card has room for: "2 h 10". */
export function shortHours(minutes: number): string {
  const whole = Math.round(minutes)
  const [h, m] = [Math.floor(whole / 60), whole % 60]
  return h === 0 ? `${m} min` : m === 0 ? `${h} h` : `${h} h ${String(m).padStart(2, '0')}`
}

/** What is done at a stop, in a line. */
export function workOf(stop: Stop): string {
  return `${sayMethods(stop.methods)}, ${stop.trees} ${stop.trees === 1 ? 'tree' : 'trees'}`
}

/**
 * A stop on the board. Its left edge says how it stands, and so do its words: rust where it is put elsewhere than it stands, plum where something stands against
 * it, a double line where it is kept. Dragged by hand; by keys, Shift and an arrow put it on the next day or crew.
 */
export function StopCard({
  stop,
  site,
  onPaper,
  pinned,
  moved,
  clock,
  against,
  chosen,
  fixed,
  onChoose,
  onKeyMove,
}: {
  stop: Stop
  site: string
  /** What a week sheet says beside it; null on a screen. */
  onPaper: string | null
  pinned: boolean
  /** How it is put elsewhere than it stands; null where it is not. */
  moved: string | null
  clock: Clocked | null
  against: readonly string[]
  chosen: boolean
  /** It cannot be put elsewhere: begun, or nobody may. */
  fixed: boolean
  onChoose: () => void
  onKeyMove: (days: number, crews: number) => void
}) {
  const card = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (!card.current || fixed) return
    return draggable({ element: card.current, getInitialData: () => ({ stop: stop.id }) })
  }, [stop.id, fixed])

  function keys(event: KeyboardEvent) {
    if (!event.shiftKey || fixed) return
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (!step) return
    event.preventDefault()
    onKeyMove(step[0]!, step[1]!)
  }

  const edge = against.length > 0 || stop.anew > 0 ? 'border-plum' : moved ? 'border-rust' : null
  return (
    <button
      ref={card}
      type="button"
      data-stop={stop.id}
      aria-pressed={chosen}
      onClick={onChoose}
      onKeyDown={keys}
      title={fixed ? undefined : 'Drag it, or Shift and an arrow'}
      className={[
        'stop-card',
        pinned && 'stop-kept',
        edge,
        chosen && 'outline-2 outline-ink',
        !fixed && 'cursor-grab',
      ]
        .filter(Boolean)
        .join(' ')}
    >
      <span>
        <b>{clock ? sayClock(clock.from) : ' '}</b>
        <span className="text-ink2 shrink-0">{shortHours(stop.minutes)}</span>
      </span>
      <span>
        {site}
        {stop.block && `, ${stop.block}`}
      </span>
      <span className="text-ink2">{workOf(stop)}</span>
      {onPaper !== null && <span>{onPaper}</span>}
      {(moved || pinned || stop.begun) && (
        <span>{[stop.begun && 'begun', moved, pinned && 'kept here'].filter(Boolean).join(' · ')}</span>
      )}
      {stop.anew > 0 && (
        <span className="text-plum font-bold">{`${stop.anew} of ${stop.trees} to work out again`}</span>
      )}
      {against.length > 0 && <span className="text-plum font-bold">{against[0]}</span>}
    </button>
  )
}
