'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { HOSTS } from '@/almanac/hosts'
import { type FirmAlmanac } from '@/almanac/own'
import { OFTEN_WORD } from '@/almanac/oftenWord'
import { hostsOf } from '@/almanac/ownEntry'
import type { Frequency } from '@/core/diagnose/almanac'
import type { AlmanacView } from '@/server/read/almanac'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

export const OFTEN = Object.entries(OFTEN_WORD) as [Frequency, string][]

function AddOrLeave({ busy, onLeave }: { busy: boolean; onLeave: () => void }) {
  return (
    <div className="flex gap-2">
      <Button type="submit" now disabled={busy}>
        Add it, marked as ours
      </Button>
      <Button onClick={onLeave}>Leave it</Button>
    </div>
  )
}

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
  const router = useRouter()
  const verb = useVerb('set-own-entry', { makes: 'id' })
  const [words, setWords] = useState({ name: '', oneLine: '', act: '', doNot: '' })
  const [hosts, setHosts] = useState<string[]>([])
  const [signs, setSigns] = useState<{ finding: string; often: Frequency }[]>([
    { finding: '', often: 'usual' },
  ])
  const at = (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null)
  const text = (field: keyof typeof words) => ({
    value: words[field],
    onChange: (e: React.ChangeEvent<HTMLInputElement>) => setWords({ ...words, [field]: e.target.value }),
    problem: at(field),
  })
  async function send(event: React.FormEvent) {
    event.preventDefault()
    const findings = Object.fromEntries(signs.filter((s) => s.finding).map((s) => [s.finding, s.often]))
    if ((await verb.send({ entry: { kind: 'cause', ...words, hosts, findings } })) === null) return
    router.refresh()
    onDone()
  }
  const options = [
    ['', 'choose'] as const,
    ...[...almanac.findings.values()].map((f) => [f.id, f.name] as const),
  ]
  return (
    <form onSubmit={send} className="bg-sheet border border-line p-4 max-w-3xl grid gap-3">
      <h2>A cause of our own</h2>
      <Field label="Name" {...text('name')} />
      <fieldset>
        <legend className="label">Trees that can have it</legend>
        <div className="grid grid-cols-2 sm:grid-cols-4 gap-x-3">
          {kinds.map((h) => (
            <label key={h.id} className="flex gap-2 py-0.5 max-sm:py-2.5">
              <input
                type="checkbox"
                checked={hosts.includes(h.id)}
                onChange={(e) =>
                  setHosts(e.target.checked ? [...hosts, h.id] : hosts.filter((x) => x !== h.id))
                }
              />
              {h.name}
            </label>
          ))}
        </div>
      </fieldset>
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
      <Field label="What it is, in one line" {...text('oneLine')} />
      <Field label="What to do" {...text('act')} />
      <Field label="What not to do" {...text('doNot')} />
      <AddOrLeave busy={verb.busy} onLeave={onDone} />
      {verb.problem && !/(name|oneLine|act|doNot|question|minutes)$/.test(verb.problem.field) && (
        <ProblemNote problem={verb.problem} />
      )}
    </form>
  )
}

/** Adds a kind of tree of the firm's own. Labels name no such kind, so nothing can be injected into it. */
export function OwnHost({ onDone }: { onDone: () => void }) {
  const router = useRouter()
  const verb = useVerb('set-own-entry', { makes: 'id' })
  const [name, setName] = useState('')
  const [botanical, setBotanical] = useState('')
  const [edible, setEdible] = useState(false)
  const at = (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null)
  return (
    <form
      className="bg-sheet border border-line p-4 max-w-2xl grid gap-3"
      onSubmit={async (e) => {
        e.preventDefault()
        if ((await verb.send({ entry: { kind: 'host', name, botanical, edible } })) === null) return
        router.refresh()
        onDone()
      }}
    >
      <h2>A tree of our own</h2>
      <Field label="Name" value={name} onChange={(e) => setName(e.target.value)} problem={at('name')} />
      <Field
        label="Botanical name"
        value={botanical}
        onChange={(e) => setBotanical(e.target.value)}
        problem={at('botanical')}
      />
      <label className="flex gap-2 items-center">
        <input type="checkbox" checked={edible} onChange={(e) => setEdible(e.target.checked)} /> bears food
      </label>
      <AddOrLeave busy={verb.busy} onLeave={onDone} />
      {verb.problem && !/(name|botanical)$/.test(verb.problem.field) && (
        <ProblemNote problem={verb.problem} />
      )}
    </form>
  )
}

const PLACES = (['site', 'crown', 'leaf', 'shoot', 'trunk', 'base', 'soil', 'fruit'] as const).map(
  (p) => [p, p] as const,
)

/** Adds a finding of the firm's own to the walk. */
export function OwnFinding({ onDone }: { onDone: () => void }) {
  const router = useRouter()
  const verb = useVerb('set-own-entry', { makes: 'id' })
  const [name, setName] = useState('')
  const [question, setQuestion] = useState('')
  const [place, setPlace] = useState<(typeof PLACES)[number][0]>('leaf')
  const [minutes, setMinutes] = useState('1')
  const at = (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null)
  async function send(event: React.FormEvent) {
    event.preventDefault()
    const entry = { kind: 'finding' as const, name, question, place, minutes: Number(minutes) }
    if ((await verb.send({ entry })) === null) return
    router.refresh()
    onDone()
  }
  return (
    <form onSubmit={send} className="bg-sheet border border-line p-4 max-w-2xl grid gap-3">
      <h2>A finding of our own</h2>
      <Field label="Name" value={name} onChange={(e) => setName(e.target.value)} problem={at('name')} />
      <Field
        label="What to look for, as a question"
        value={question}
        onChange={(e) => setQuestion(e.target.value)}
        problem={at('question')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Choice label="Where on the walk" options={PLACES} value={place} onValue={setPlace} />
        <Field
          label="Minutes it takes"
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
          inputMode="decimal"
          problem={at('minutes')}
        />
      </div>
      <AddOrLeave busy={verb.busy} onLeave={onDone} />
      {verb.problem && !/(name|oneLine|act|doNot|question|minutes)$/.test(verb.problem.field) && (
        <ProblemNote problem={verb.problem} />
      )}
    </form>
  )
}
