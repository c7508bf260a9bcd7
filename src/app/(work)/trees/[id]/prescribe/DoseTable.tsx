'use client'
import type { InjectionPlan } from '@/core/methods/trunk-injection/plan'
import { plain, showMl, type UnitSystem } from '@/core/quantity/format'
import { showBottle } from '@/core/quantity/pair'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { CardLine } from './CardLine'
import type { InjectionWay } from './way'

/** Rate and girth at the ports to choose; what follows from them to read. */
export function DoseTable({
  way,
  why,
  choice,
  onChoice,
  girth,
  onGirth,
  girthProblem,
  guess,
  plan,
  units,
}: {
  way: InjectionWay
  /** Why this rate is proposed; null when it was chosen otherwise. */
  why: string | null
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
  const { terms } = way.use
  const rate = terms.ratePerInch
  const minutes = (s: number) => plain(s / 60, 0)
  return (
    <div className="mt-4 grid gap-3">
      <CardLine way={way} />
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
          hint={why ? `Proposed. ${why}` : 'Chosen by hand.'}
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
            {plan.dose.water !== null && (
              <Row name="With water" value={showBottle(plan.dose.water, units)} strong />
            )}
            <Row name="Each port" value={showMl(plan.dose.mixPerPort)} strong />
            <Row name="Drill" value={`${terms.bit}, ${terms.depth} deep`} />
            <Row
              name="Expected uptake"
              value={
                plan.uptake.ok
                  ? `${minutes(plan.uptake.value.from)}–${minutes(plan.uptake.value.to)} min`
                  : 'none now'
              }
            />
            <Row name="Afterwards" value={terms.hole} />
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
            {plan.wounds.warning ??
              `Together they wound ${plain(plan.wounds.share * 100, 0)} % of the girth for now; a hole closes in about ${plan.wounds.closureYears} years in this tree.`}
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
