'use client'
import type { InjectionPlan } from '@/core/dose/planInjection'
import { plain, showMl, type UnitSystem } from '@/core/quantity/format'
import type { PrescribeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'

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
  const rate = card?.body.use.ratePerInch
  const minutes = (s: number) => plain(s / 60, 0)
  return (
    <div className="mt-4 grid gap-3">
      <Choice
        label="Label card"
        value={labelId}
        onValue={onLabel}
        disabled={cards.length === 0}
        options={cards.length === 0 ? [['', 'no card fits']] : cards.map((c) => [c.id, c.name] as const)}
        hint={
          card &&
          `${card.body.actives.map((a) => `${a.name} ${a.strength}`).join(', ')} · ${card.registration} · card v${card.version} · an example, not a label`
        }
      />
      {rate && (
        <Choice
          label="Rate"
          value={choice}
          onValue={onChoice}
          options={[
            [0, `low, ${rate.low} an inch`],
            [0.5, 'middle'],
            [1, `high, ${rate.high} an inch`],
          ]}
          hint={
            choice === 0
              ? 'Low: to prevent, on small trees.'
              : choice === 1
                ? 'High: under attack, large trees, two years.'
                : 'Between the two.'
          }
        />
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
        <Note>
          Not measured there yet. Ports and doses are drawn for a guess of {guess}; measure to sign.
        </Note>
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
          {!plan.uptake.ok && <Note says="stop">{plan.uptake.problem.message}</Note>}
          {plan.layout.missing > 0 && (
            <Note says="stop">
              {plan.layout.missing} of {plan.dose.ports} ports find no sound wood. Choose another card or
              method, or let the trunk rest.
            </Note>
          )}
          {!plan.layout.maxGapMet && (
            <Note>
              Between {plan.layout.uncovered.map((u) => `${u.from}° and ${u.to}°`).join(', ')} the gap is
              wider than the label wants. It is the narrowest that can be.
            </Note>
          )}
          <Note says={plan.wounds.warning ? 'stop' : 'good'}>
            Wounds: {plan.wounds.planned} new, {plan.wounds.closing} still closing.{' '}
            {plan.wounds.warning ?? 'The trunk has room for them.'}
          </Note>
        </>
      )}
    </div>
  )
}

function Row({ name, value, strong }: { name: string; value: string; strong?: boolean }) {
  return (
    <div className="flex justify-between gap-3 border-b border-line2 py-1.5">
      <dt>{name}</dt>
      <dd className={`font-bold text-right ${strong ? 'font-head text-lead' : ''}`}>{value}</dd>
    </div>
  )
}
