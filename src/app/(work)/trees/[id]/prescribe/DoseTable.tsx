'use client'
import { useId } from 'react'
import type { InjectionPlan } from '@/core/dose/planInjection'
import { plain, showMl, type UnitSystem } from '@/core/quantity/format'
import type { PrescribeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'

/** Card, rate and girth at the ports to choose; what follows from them to read. */
export function DoseTable({
  cards,
  labelId,
  onLabel,
  choice,
  onChoice,
  girth,
  onGirth,
  girthProblem,
  guess,
  plan,
  units,
}: {
  cards: PrescribeView['cards']
  labelId: string
  onLabel: (id: string) => void
  choice: number
  onChoice: (choice: number) => void
  girth: string
  onGirth: (girth: string) => void
  girthProblem: string | null
  /** What the ring is drawn for until somebody has measured; null once they have. */
  guess: string | null
  plan: InjectionPlan | null
  units: UnitSystem
}) {
  const card = cards.find((c) => c.id === labelId)
  const labelSelect = useId()
  const rateSelect = useId()
  const rate = card?.body.use.ratePerInch
  const minutes = (s: number) => plain(s / 60, 0)
  return (
    <div className="mt-4 grid gap-3">
      <div>
        <label htmlFor={labelSelect} className="label">
          Label card
        </label>
        <select
          id={labelSelect}
          className="field"
          value={labelId}
          onChange={(e) => onLabel(e.target.value)}
          disabled={cards.length === 0}
        >
          {cards.length === 0 && <option value="">no card fits</option>}
          {cards.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </select>
        {card && (
          <p className="text-[0.86rem] text-ink2 mt-0.5">
            {card.body.actives.map((a) => `${a.name} ${a.strength}`).join(', ')} · {card.registration} · card
            v{card.version} · an example, not a label
          </p>
        )}
      </div>
      {rate && (
        <div>
          <label htmlFor={rateSelect} className="label">
            Rate
          </label>
          <select
            id={rateSelect}
            className="field"
            value={choice}
            onChange={(e) => onChoice(Number(e.target.value))}
          >
            <option value={0}>low, {rate.low} an inch</option>
            <option value={0.5}>middle</option>
            <option value={1}>high, {rate.high} an inch</option>
          </select>
          <p className="text-[0.86rem] text-ink2 mt-0.5">
            {choice === 0
              ? 'Low: to prevent, on small trees.'
              : choice === 1
                ? 'High: under attack, large trees, two years.'
                : 'Between the two.'}
          </p>
        </div>
      )}
      <Field
        label="Girth where the ports go"
        value={girth}
        onChange={(e) => onGirth(e.target.value)}
        problem={girthProblem}
        hint={`Just above the soil line, round the flares${units === 'us' ? '' : ', in cm'}.`}
        required
      />
      {guess && (
        <p className="note">
          Not measured there yet. Ports and doses are drawn for a guess of {guess}; measure to sign.
        </p>
      )}
      {plan && (
        <>
          <dl className="border-t border-line2">
            <Row name="In all" value={showMl(plan.dose.volume)} strong />
            <Row
              name={plan.dose.capsules ? 'Capsules' : 'Ports'}
              value={String(plan.layout.ports.length)}
              strong
            />
            <Row name="Each port" value={showMl(plan.dose.perPort)} strong />
            <Row name="Drill" value={`${card!.body.use.bit}, ${card!.body.use.depth} deep`} />
            <Row
              name="Expected uptake"
              value={
                plan.uptake.ok
                  ? `${minutes(plan.uptake.value.from)}–${minutes(plan.uptake.value.to)} min`
                  : 'none now'
              }
            />
            <Row name="Afterwards" value={card!.body.use.hole} />
          </dl>
          {!plan.uptake.ok && <p className="note note-stop">{plan.uptake.problem.message}</p>}
          {plan.layout.missing > 0 && (
            <p className="note note-stop">
              {plan.layout.missing} of {plan.dose.ports} ports find no sound wood. Choose another card or
              method, or let the trunk rest.
            </p>
          )}
          {!plan.layout.maxGapMet && (
            <p className="note">
              Between {plan.layout.uncovered.map((u) => `${u.from}° and ${u.to}°`).join(', ')} the gap is
              wider than the label wants. It is the narrowest that can be.
            </p>
          )}
          <p className={`note ${plan.wounds.warning ? 'note-stop' : 'note-good'}`}>
            Wounds: {plan.wounds.planned} new, {plan.wounds.closing} still closing.{' '}
            {plan.wounds.warning ?? 'The trunk has room for them.'}
          </p>
        </>
      )}
    </div>
  )
}

function Row({ name, value, strong }: { name: string; value: string; strong?: boolean }) {
  return (
    <div className="flex justify-between gap-3 border-b border-line2 py-1.5">
      <dt>{name}</dt>
      <dd className={`font-bold text-right ${strong ? 'font-head text-[1.1rem]' : ''}`}>{value}</dd>
    </div>
  )
}
