'use client'
import { isHand } from '@/core/methods/names'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { deviations } from '@/core/methods/deviations'
import { sayOutcome, type Outcome } from '@/core/methods/outcome'
import { isOver, productOn, whyNotOver } from '@/core/methods/running'
import { sayTask } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import { showSpeed, showTemperature } from '@/core/quantity/format'
import type { JobView } from '@/server/read/work'
import { newId } from '@/ui/fields/newId'
import { useGo } from '@/ui/shell/useGo'
import { portsOf, type JobItem, type JobTree } from './job'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { useMay } from '@/ui/shell/may'
import { AskedForm, useAsking } from '@/ui/form/AskedForm'
import { Asked, AskedBy } from '@/ui/form/Asked'
import { whyNotSigned, type TypedRecord } from '@/core/methods/signing'
import { isMarked, MARKS, yearColour } from '@/core/methods/yearMark'
import { useKeeping } from '@/ui/field/useKeeping'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { recordAsks, SOILS, WINDS } from '@/asks/record'

/** How an answer to what is asked is called; what is not here signs an outcome. */
const KEEP: Partial<Record<string, string>> = {
  wind: 'Yes, I measured it',
  temperature: 'Yes, I measured it',
  short: 'The presses are right',
  outside: 'Yes, that is what happened',
}

/** A house card has no lots. */
const HOUSE_LOT = 'house card'

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
  const house = item.product.registration === null
  const set = signed.flatMap(portsOf).filter((p) => p.startedAt !== null).length
  const step = useStep(
    'sign-record',
    'id',
    useKeeping('sign-record', {
      trees: (input) => [...input.jobSubjectIds, ...(input.also ?? []).flatMap((a) => a.jobSubjectIds)],
      check: (input, { today }) =>
        whyNotSigned(
          {
            typed: input as TypedRecord,
            lots: house ? null : item.lots,
            name: item.product.name,
            set: counts ? set : null,
            trees: signed.map((t) => ({ ...t, states: statesOf(t) })),
            method: item.method,
          },
          today,
          view.units,
        ),
    }),
  )
  const [ids] = useState(() => new Map<string, string>())
  const also = mates.flatMap((m) => {
    const own = signed.flatMap(beside).filter((t) => t.itemId === m.id)
    return own.length > 0 ? [{ item: m, trees: own }] : []
  })
  const where = one ? '' : signed.length === 1 ? ` at ${signed[0]!.tag}` : ` at ${signed.length} trees`
  const went = hand
    ? `Done${where}.`
    : `${showProduct(applied, signed[0]?.plan.kind ?? 'liquid', item.method, view.units)} went ${counts ? `in through ${set} ports` : `on${where}`}.`

  const otherwise = signed.flatMap((t) =>
    deviations(t.plan, item.use, statesOf(t), view.units).map((d) => (one ? d : `${t.tag}: ${d}`)),
  )

  const w = view.weather
  const choose = w ? [] : [['', 'choose'] as const]
  const lots = (of: JobItem) => [
    ['', 'choose'] as const,
    ...of.lots.map((l) => [l.number, l.number] as const),
  ]

  return (
    <AskedForm
      asks={recordAsks}
      start={{
        lot: house ? HOUSE_LOT : '',
        lots: Object.fromEntries(also.map(({ item: m }) => [m.id, ''])),
        temperature: w ? showTemperature(w.temperature, view.units) : '',
        wind: w ? showSpeed(w.wind, view.units) : '',
        windFrom: w?.windFrom ?? '',
        sky: w?.sky ?? '',
        soil: w?.soil ?? '',
        counted: '',
        mark: isMarked(item.method) ? yearColour(view.today) : '',
        notices: '',
        deviations: '',
        began: '',
        ended: '',
      }}
      sends={({ lots, ...typed }) =>
        ok({
          ...typed,
          jobSubjectIds: signed.map((t) => t.id),
          also: also.map(({ item: m, trees: own }) => {
            if (!ids.has(m.id)) ids.set(m.id, newId())
            return {
              id: ids.get(m.id)!,
              jobSubjectIds: own.map((t) => t.id),
              lot: (lots as Record<string, string>)[m.id],
            }
          }),
        })
      }
      at={(field) => field.replace(/^also\[(\d+)\]\.lot$/, (_, n) => `lots.${also[Number(n)]?.item.id}`)}
      by={step}
      onDone={({ recordId }) => go(`/ledger/${recordId}`)}
      keep={may('sign-record') ? (sending ? 'Keeping the last steps' : 'Sign the record') : null}
      keeping="Signing"
      ready={!sending && unfinished === null}
      tall
      doubtKept={(doubt) => KEEP[doubt] ?? `Yes, sign it as ${sayOutcome(doubt as Outcome, item.method)}`}
      className="bg-sheet border border-line p-4 grid gap-3"
    >
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
        <Asked
          at="lot"
          label={also.length > 0 ? `Lot of ${item.product.name}, off the package` : undefined}
          options={lots(item)}
        />
      )}
      {also.map(({ item: m }) => (
        <AskedBy<string> key={m.id} at={`lots.${m.id}`}>
          {({ value, set, problem }) => (
            <Choice
              label={`Lot of ${m.product.name}, off the package`}
              value={value ?? ''}
              onValue={set}
              problem={problem}
              options={lots(m)}
            />
          )}
        </AskedBy>
      ))}
      {counts && <Asked at="counted" />}
      {isMarked(item.method) && (
        <Asked
          at="mark"
          hint={`The colour of ${view.today.slice(0, 4)} is ${yearColour(view.today)}.`}
          options={MARKS.map((m) => [m, m] as const)}
        />
      )}
      <div className="grid grid-cols-2 gap-3">
        <Asked at="temperature" />
        <Asked at="wind" />
        <Asked at="windFrom" options={[...choose, ...WINDS.map((w) => [w, w] as const)]} />
        <Asked at="soil" options={[...choose, ...SOILS.map((w) => [w, w] as const)]} />
      </div>
      <Asked
        at="sky"
        hint={
          w
            ? 'Weather is filled in from the service; correct it by what you see.'
            : 'The weather is not known here; say what you see and measure.'
        }
      />
      <Asked at="notices" />
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
        <Asked at="deviations" rows={2} />
      </div>
      <Hours />
      <p className="text-small text-ink2">
        {!may('sign-record')
          ? 'The crew lead signs under their licence.'
          : `${hand ? '' : `Signed under licence ${view.licence ?? 'not on file'}. `}A record stands as signed; a mistake is put right by a correction.`}
      </p>
    </AskedForm>
  )
}

/** When it began and ended: presses in a row at the end do not tell; once asked, the question stays. */
function Hours() {
  const { problem } = useAsking()
  const [began, ended] = useWatch({ name: ['began', 'ended'] }) as string[]
  if (problem?.field !== 'short' && !began && !ended) return null
  return (
    <div className="grid grid-cols-2 gap-3">
      <Asked at="began" />
      <Asked at="ended" />
    </div>
  )
}
