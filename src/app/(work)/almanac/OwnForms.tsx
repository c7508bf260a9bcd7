'use client'
import { useState } from 'react'
import { ACTION_WORDS } from '@/almanac/actionWords'
import { HOSTS } from '@/almanac/hosts'
import { type FirmAlmanac } from '@/almanac/own'
import { OFTEN_WORD } from '@/almanac/oftenWord'
import { hostsOf } from '@/almanac/ownEntry'
import type { ActionClass, Frequency } from '@/core/diagnose/almanac'
import { SHORT_MONTHS } from '@/core/time/calendar'
import type { AlmanacView } from '@/server/read/almanac'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { OwnForm, useOwnEntry, wordsOf } from './OwnForm'

export const OFTEN = Object.entries(OFTEN_WORD) as [Frequency, string][]

/** Adds a cause of the firm's own: its trees, what it shows, what to do. */
export function OwnCause({
  almanac,
  view,
  onDone,
}: {
  almanac: FirmAlmanac
  view: AlmanacView
  onDone: () => void
}) {
  const kinds = [...HOSTS, ...hostsOf(view.own.map((o) => o.entry))]
  const verb = useOwnEntry(onDone)
  const [words, setWords] = useState({
    name: '',
    oneLine: '',
    act: '',
    doNot: '',
    expect: '',
    spread: '',
  })
  const [months, setMonths] = useState<number[]>([])
  const [action, setAction] = useState<ActionClass>('wait')
  const [hosts, setHosts] = useState<string[]>([])
  const [signs, setSigns] = useState<{ finding: string; often: Frequency }[]>([
    { finding: '', often: 'usual' },
  ])
  const text = wordsOf(words, setWords, verb.at)
  const shows = Object.fromEntries(signs.filter((s) => s.finding).map((s) => [s.finding, s.often]))
  const options = [
    ['', 'choose'] as const,
    ...[...almanac.findings.values()].map((f) => [f.id, f.name] as const),
  ]
  return (
    <OwnForm
      title="A cause of our own"
      verb={verb}
      fields={['name', 'oneLine', 'act', 'doNot', 'expect', 'spread']}
      onDone={onDone}
      onSend={() => verb.keep({ kind: 'cause', ...words, action, months, hosts, findings: shows })}
    >
      <Field label="Name" {...text('name')} />
      <Ticks
        legend="Trees that can have it"
        columns="grid-cols-2 sm:grid-cols-4"
        options={kinds.map((h) => [h.id, h.name] as const)}
        chosen={hosts}
        onChosen={setHosts}
      />
      {signs.map((s, i) => (
        <div key={i} className="grid grid-cols-[minmax(0,1fr)_150px] gap-3">
          <Choice
            label={`Finding ${i + 1}`}
            options={options}
            value={s.finding}
            onValue={(v) => setSigns(signs.map((x, j) => (j === i ? { ...x, finding: v } : x)))}
          />
          <Choice
            label="Is there"
            options={OFTEN}
            value={s.often}
            onValue={(v) => setSigns(signs.map((x, j) => (j === i ? { ...x, often: v } : x)))}
          />
        </div>
      ))}
      <button
        type="button"
        className="underline justify-self-start py-1"
        onClick={() => setSigns([...signs, { finding: '', often: 'usual' }])}
      >
        + finding
      </button>
      <Ticks
        legend="Seen in; tick none where it is seen in any month"
        columns="grid-cols-4 sm:grid-cols-12"
        options={SHORT_MONTHS.map((name, i) => [i + 1, name] as const)}
        chosen={months}
        onChosen={(chosen) => setMonths(chosen.sort((a, b) => a - b))}
      />
      <Field label="What it is, in one line" {...text('oneLine')} />
      <Choice
        label="What it calls for"
        options={Object.entries(ACTION_WORDS) as [ActionClass, string][]}
        value={action}
        onValue={setAction}
      />
      <Field label="What to do" {...text('act')} />
      <Field label="What not to do" {...text('doNot')} />
      <Field label="What to expect, by when (if it is known)" {...text('expect')} />
      <Field label="How it spreads (if it is known)" {...text('spread')} />
    </OwnForm>
  )
}

/** Any of some, each with a box to tick. */
function Ticks<T extends string | number>({
  legend,
  columns,
  options,
  chosen,
  onChosen,
}: {
  legend: string
  columns: string
  options: readonly (readonly [value: T, name: string])[]
  chosen: readonly T[]
  onChosen: (chosen: T[]) => void
}) {
  return (
    <fieldset>
      <legend className="label">{legend}</legend>
      <div className={`grid gap-x-3 ${columns}`}>
        {options.map(([value, name]) => (
          <label key={value} className="flex gap-2 items-baseline py-0.5 max-sm:py-2.5">
            <input
              type="checkbox"
              checked={chosen.includes(value)}
              onChange={(e) =>
                onChosen(e.target.checked ? [...chosen, value] : chosen.filter((x) => x !== value))
              }
            />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** Adds a kind of tree of the firm's own. Labels name no such kind, so nothing can be injected into it. */
export function OwnHost({ onDone }: { onDone: () => void }) {
  const verb = useOwnEntry(onDone)
  const [words, setWords] = useState({ name: '', botanical: '' })
  const [edible, setEdible] = useState(false)
  const text = wordsOf(words, setWords, verb.at)
  return (
    <OwnForm
      title="A tree of our own"
      verb={verb}
      fields={['name', 'botanical']}
      onDone={onDone}
      onSend={() => verb.keep({ kind: 'host', ...words, edible })}
    >
      <Field label="Name" {...text('name')} />
      <Field label="Botanical name" {...text('botanical')} />
      <label className="flex gap-2 items-center">
        <input type="checkbox" checked={edible} onChange={(e) => setEdible(e.target.checked)} /> bears food
      </label>
    </OwnForm>
  )
}

const PLACES = (['site', 'crown', 'leaf', 'shoot', 'trunk', 'base', 'soil', 'fruit'] as const).map(
  (p) => [p, p] as const,
)

/** Adds a finding of the firm's own to the walk. */
export function OwnFinding({ onDone }: { onDone: () => void }) {
  const verb = useOwnEntry(onDone)
  const [words, setWords] = useState({ name: '', question: '', minutes: '1' })
  const [place, setPlace] = useState<(typeof PLACES)[number][0]>('leaf')
  const text = wordsOf(words, setWords, verb.at)
  return (
    <OwnForm
      title="A finding of our own"
      verb={verb}
      fields={['name', 'question', 'minutes']}
      onDone={onDone}
      onSend={() => verb.keep({ kind: 'finding', ...words, place, minutes: Number(words.minutes) })}
    >
      <Field label="Name" {...text('name')} />
      <Field label="What to look for, as a question" {...text('question')} />
      <div className="grid grid-cols-2 gap-3">
        <Choice label="Where on the walk" options={PLACES} value={place} onValue={setPlace} />
        <Field label="Minutes it takes" inputMode="decimal" {...text('minutes')} />
      </div>
    </OwnForm>
  )
}
