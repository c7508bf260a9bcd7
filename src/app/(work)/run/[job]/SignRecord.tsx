'use client'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { useState, type FormEvent } from 'react'
import { deviations } from '@/core/methods/deviations'
import { isHand } from '@/core/methods/hand'
import { sayOutcome, type Outcome } from '@/core/methods/outcome'
import { isOver, productOn, whyNotOver } from '@/core/methods/running'
import { sayTask } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import type { Soil } from '@/core/dose/uptake'
import { showSpeed, showTemperature } from '@/core/quantity/format'
import type { JobView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { portsOf, type JobItem, type JobTree } from './job'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { TextArea } from '@/ui/fields/TextArea'
import { useMay } from '@/ui/shell/may'
import { Doubt } from '@/ui/fields/Doubt'

type Accepted = Exclude<Outcome, 'treated'> | 'wind' | 'temperature' | 'outside' | 'short'

/** How an answer to what is asked is called; what is not here signs an outcome. */
const KEEP: Partial<Record<string, string>> = {
  wind: 'Yes, I measured it',
  temperature: 'Yes, I measured it',
  short: 'The presses are right',
  outside: 'Yes, that is what happened',
}

const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm'] as const

/**
 * The record of an application: what cannot be known from the steps is asked, the rest is written by the product. Of work
 * that opens no trunk all finished trees are signed together.
 */
export function SignRecord({
  view,
  item,
  trees,
  mates,
  beside,
  sending,
}: {
  view: JobView
  item: JobItem
  /** That may be signed now. */
  trees: JobTree[]
  /** What else came out of the same tank, signed with it: a record each. */
  mates: readonly JobItem[]
  beside: (tree: JobTree) => JobTree[]
  sending: boolean
}) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('sign-record', { makes: 'id' })
  const w = view.weather
  const soil: Soil | '' = w?.soil ?? ''
  const [form, setForm] = useState({
    lot: '',
    temperature: w ? showTemperature(w.temperature, view.units) : '',
    wind: w ? showSpeed(w.wind, view.units) : '',
    windFrom: (w?.windFrom ?? '') as (typeof WINDS)[number] | '',
    sky: w?.sky ?? '',
    soil,
    counted: '',
    notices: '',
    deviations: '',
    began: '',
    ended: '',
  })
  const type = (field: keyof typeof form) => (e: { target: { value: string } }) =>
    setForm({ ...form, [field]: e.target.value })
  const at = (field: string) =>
    problem?.code !== 'doubt' && problem?.field === field ? problem.message : null
  const one = trees.length === 1 ? trees[0]! : null
  const finished = trees.filter((t) => t.steps.every((s) => isOver(s.state)))
  const signed = one ? [one] : finished
  const statesOf = (t: JobTree) => t.steps.map((s) => s.state)
  const unfinished = one
    ? whyNotOver(statesOf(one), (task) => sayTask(task, one.plan, item.use, view.units).name)
    : finished.length === 0
      ? 'No tree of this work is finished yet.'
      : null
  const applied = signed.reduce((sum, t) => sum + productOn(statesOf(t)), 0)
  const counts = isByPorts(item)
  const hand = isHand(item.method)
  // A house card has no lots.
  const house = item.product.registration === null
  const set = signed.flatMap(portsOf).filter((p) => p.startedAt !== null).length
  const [ids] = useState(() => new Map<string, string>())
  const [lots, setLots] = useState<Record<string, string>>({})
  const also = mates.flatMap((m) => {
    const own = signed.flatMap(beside).filter((t) => t.itemId === m.id)
    return own.length > 0 ? [{ item: m, trees: own }] : []
  })
  /** Presses in a row at the end do not tell when it began; once asked, the question stays. */
  const asked = problem?.field === 'short' || form.began !== '' || form.ended !== ''
  /** Told beside their inputs, where those are asked for. */
  const inField = [
    ...(house ? [] : ['lot']),
    ...also.map((_, n) => `also[${n}].lot`),
    'temperature',
    'wind',
    'windFrom',
    'soil',
    'sky',
    ...(counts ? ['counted'] : []),
    'notices',
    'deviations',
    ...(asked ? ['began', 'ended'] : []),
  ]

  const where = one ? '' : signed.length === 1 ? ` at ${signed[0]!.tag}` : ` at ${signed.length} trees`
  const went = hand
    ? `Done${where}.`
    : `${showProduct(applied, signed[0]?.plan.kind ?? 'liquid', item.method, view.units)} went ${counts ? `in through ${set} ports` : `on${where}`}.`

  const [yes, setYes] = useState<Accepted[]>([])
  const doubt = problem?.code === 'doubt' ? problem : null
  const otherwise = signed.flatMap((t) =>
    deviations(t.plan, item.use, statesOf(t), view.units).map((d) => (one ? d : `${t.tag}: ${d}`)),
  )

  async function submit(event?: FormEvent, answered?: Accepted) {
    event?.preventDefault()
    // An answer holds for what was asked; a press on the form itself is asked anew.
    const accepted = answered ? [...yes, answered] : []
    setYes(accepted)
    const counted = form.counted.trim() === '' ? null : Number(form.counted)
    const done = await send({
      ...form,
      windFrom: form.windFrom || null,
      soil: form.soil || null,
      ...(house && { lot: 'house card' }),
      jobSubjectIds: signed.map((t) => t.id),
      also: also.map(({ item: m, trees: own }) => {
        if (!ids.has(m.id)) ids.set(m.id, newId())
        return { id: ids.get(m.id)!, jobSubjectIds: own.map((t) => t.id), lot: lots[m.id] ?? '' }
      }),
      counted: counts ? (Number.isNaN(counted) ? form.counted : counted) : null,
      deviations: form.deviations || null,
      began: form.began || null,
      ended: form.ended || null,
      accepted,
    })
    if (done) go(`/ledger/${done.recordId}`)
  }

  return (
    <form onSubmit={submit} className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>
        {one
          ? `Record for ${one.tag}`
          : `Record for ${finished.length} of ${trees.length} ${trees.length === 1 ? 'tree' : 'trees'}`}
      </h2>
      {!one && finished.length > 0 && finished.length < trees.length && (
        <p className="text-small">
          Signed now: {finished.map((t) => t.tag).join(', ')}. The others stay open.
        </p>
      )}
      {unfinished ? <Note>{unfinished}</Note> : <Note says="good">{went}</Note>}
      {also.map(({ item: m, trees: own }) => (
        <Note key={m.id} says="good">
          {showProduct(
            own.reduce((sum, t) => sum + productOn(statesOf(t)), 0),
            own[0]!.plan.kind,
            m.method,
            view.units,
          )}{' '}
          of {m.product.name} went on with it, out of the same tank. It has a record of its own.
        </Note>
      ))}
      {!house && (
        <Choice
          label={also.length > 0 ? `Lot of ${item.product.name}, off the package` : 'Lot, off the package'}
          value={form.lot}
          onValue={(lot) => setForm({ ...form, lot })}
          problem={at('lot')}
          options={[['', 'choose'], ...item.lots.map((l) => [l.number, l.number] as const)]}
        />
      )}
      {also.map(({ item: m }, n) => (
        <Choice
          key={m.id}
          label={`Lot of ${m.product.name}, off the package`}
          value={lots[m.id] ?? ''}
          onValue={(lot) => setLots({ ...lots, [m.id]: lot })}
          problem={at(`also[${n}].lot`)}
          options={[['', 'choose'], ...m.lots.map((l) => [l.number, l.number] as const)]}
        />
      ))}
      {counts && (
        <Field
          label="Empties counted in"
          inputMode="numeric"
          value={form.counted}
          onChange={type('counted')}
          problem={at('counted')}
        />
      )}
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Temperature"
          value={form.temperature}
          onChange={type('temperature')}
          problem={at('temperature')}
        />
        <Field label="Wind" value={form.wind} onChange={type('wind')} problem={at('wind')} />
        <Choice
          label="Wind from"
          value={form.windFrom}
          onValue={(windFrom) => setForm({ ...form, windFrom })}
          problem={at('windFrom')}
          options={[...(w ? [] : [['', 'choose'] as const]), ...WINDS.map((w) => [w, w] as const)]}
        />
        <Choice
          label="Soil"
          value={form.soil}
          onValue={(soil) => setForm({ ...form, soil })}
          problem={at('soil')}
          options={[
            ...(w ? [] : [['', 'choose'] as const]),
            ['moist', 'moist'],
            ['dry', 'dry'],
            ['saturated', 'saturated'],
            ['frozen', 'frozen'],
          ]}
        />
      </div>
      <Field
        label="Sky"
        value={form.sky}
        onChange={type('sky')}
        problem={at('sky')}
        hint={
          w
            ? 'Weather is filled in from the service; correct it by what you see.'
            : 'The weather is not known here; say what you see and measure.'
        }
      />
      <Field
        label="Notices given"
        value={form.notices}
        onChange={type('notices')}
        problem={at('notices')}
        placeholder="sign at the gate, office told"
      />
      <div>
        {!unfinished && otherwise.length > 0 && (
          <div className="text-small mb-2">
            <p className="label">Otherwise than planned, as it stands in the record</p>
            <ul className="border-l-4 border-straw pl-3">
              {otherwise.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          </div>
        )}
        <TextArea
          label="What went otherwise than planned, and why, in your words"
          rows={2}
          value={form.deviations}
          onChange={type('deviations')}
          problem={at('deviations')}
        />
      </div>
      {asked && (
        <div className="grid grid-cols-2 gap-3">
          <Field
            label="Began at"
            type="time"
            value={form.began}
            onChange={type('began')}
            problem={at('began')}
          />
          <Field
            label="Ended at"
            type="time"
            value={form.ended}
            onChange={type('ended')}
            problem={at('ended')}
          />
        </div>
      )}
      {doubt ? (
        <Doubt
          problem={doubt}
          busy={busy}
          keep={KEEP[doubt.field] ?? `Yes, sign it as ${sayOutcome(doubt.field as Outcome, item.method)}`}
          onKeep={(code) => void submit(undefined, code as Accepted)}
        />
      ) : (
        <ProblemNote problem={problem && inField.includes(problem.field) ? null : problem} />
      )}
      {!may('sign-record') ? (
        <p className="text-ink2">The crew lead signs under their licence.</p>
      ) : (
        <>
          <Button type="submit" now className="hand-tall" disabled={busy || sending || unfinished !== null}>
            {busy ? 'Signing' : sending ? 'Keeping the last steps' : 'Sign the record'}
          </Button>
          <p className="text-small text-ink2">
            {hand ? '' : `Signed under licence ${view.licence ?? 'not on file'}. `}A record stands as signed;
            a mistake is put right by a correction.
          </p>
        </>
      )}
    </form>
  )
}
