'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import type { Method } from '@/core/card/card'
import { HOUR_REASON, type ForecastHour } from '@/core/methods/hourReasons'
import { workHours } from '@/core/methods/hours'
import type { Outside } from '@/core/methods/outside'
import type { UseOf } from '@/core/methods/plan'
import { Button } from '@/ui/pieces/Button'
import { writtenDay } from '@/ui/when'

/** What speaks against a press, before it counts: stop, or go on and have it written in the record. */
export function OutsidePress({
  outside,
  use,
  actives,
  forecast,
  onGoOn,
  onStop,
}: {
  outside: readonly Outside[]
  use: UseOf<Method>
  actives: readonly { name: string }[]
  /** From this hour on. */
  forecast: readonly ForecastHour[]
  onGoOn: () => void
  onStop: () => void
}) {
  const quick = outside.every((o) => o.what === 'too quick')
  const held = outside.every((o) => o.what in HOUR_REASON) ? workHours(use, actives, forecast, 1) : null
  const next = held?.ok ? (held.value?.next?.from ?? null) : null
  return (
    <Dialog open onClose={onStop} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-x-0 bottom-0 desk:inset-0 desk:grid desk:place-items-center p-4">
        <DialogPanel data-rests className="bg-sheet border-2 border-ink p-5 w-full max-w-lg grid gap-3">
          <DialogTitle className="font-head font-bold text-title">
            {quick ? 'Empty already?' : 'Outside the card now'}
          </DialogTitle>
          <ul className="border-l-4 border-straw pl-3 text-lead">
            {outside.map(({ what, say }) => (
              <li key={`${what} ${say}`} className="first-letter:uppercase">
                {say}.
              </li>
            ))}
          </ul>
          {next !== null && (
            <p>
              By the weather it may be done from {writtenDay(next.slice(0, 10))}, {next.slice(11, 16)}.
            </p>
          )}
          <p className="text-ink2">If you go on, the record says so, with its figure.</p>
          <div className="grid grid-cols-2 gap-2">
            <Button now autoFocus className="hand-tall" onClick={onStop}>
              {quick ? 'Not yet' : 'Stop here'}
            </Button>
            <Button className="hand-tall" onClick={onGoOn}>
              {quick ? 'It is empty' : 'Go on, write it'}
            </Button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
