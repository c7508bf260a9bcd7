'use client'
import { useFieldArray } from 'react-hook-form'
import { HOSTS } from '@/almanac/hosts'
import { type FirmAlmanac } from '@/almanac/own'
import { OFTEN } from '@/almanac/oftenWord'
import { hostsOf } from '@/almanac/ownEntry'
import { ownCauseAsks, ownFindingAsks, ownHostAsks } from '@/asks/almanac'
import { ok } from '@/core/problem'
import type { Frequency } from '@/core/diagnose/almanac'
import { SHORT_MONTHS } from '@/core/time/calendar'
import type { AlmanacView } from '@/server/read/almanac'
import { Ticks } from '@/ui/fields/Ticks'
import { Asked, AskedBy, useAsked } from '@/ui/form/Asked'
import { OwnForm } from './OwnForm'
import { Choice } from '@/ui/fields/Choice'

interface Sign {
  finding: string
  often: Frequency
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
  return (
    <OwnForm
      title="A cause of our own"
      asks={ownCauseAsks}
      is={{ kind: 'cause' }}
      start={{
        name: '',
        oneLine: '',
        act: '',
        doNot: '',
        expect: '',
        spread: '',
        action: 'wait',
        months: [],
        hosts: [],
        signs: [{ finding: '', often: 'usual' }],
      }}
      entry={({ signs, months, ...typed }) =>
        ok({
          ...typed,
          months: [...(months as number[])].sort((a, b) => a - b),
          findings: Object.fromEntries(
            (signs as Sign[]).filter((s) => s.finding !== '').map((s) => [s.finding, s.often]),
          ),
        })
      }
      onDone={onDone}
    >
      <Asked at="name" />
      <AskedBy<string[]> at="hosts">
        {({ about, value, set, problem }) => (
          <Ticks
            legend={about.label}
            className="grid gap-x-3 grid-cols-2 sm:grid-cols-4"
            options={kinds.map((h) => [h.id, h.name] as const)}
            chosen={value}
            onChosen={set}
            problem={problem}
          />
        )}
      </AskedBy>
      <Signs almanac={almanac} />
      <AskedBy<number[]> at="months">
        {({ about, value, set, problem }) => (
          <Ticks
            legend={about.label}
            className="grid gap-x-3 grid-cols-4 sm:grid-cols-6"
            options={SHORT_MONTHS.map((name, i) => [i + 1, name] as const)}
            chosen={value}
            onChosen={set}
            problem={problem}
          />
        )}
      </AskedBy>
      <Asked at="oneLine" />
      <Asked at="action" />
      <Asked at="act" />
      <Asked at="doNot" />
      <Asked at="expect" />
      <Asked at="spread" />
    </OwnForm>
  )
}

/** What a cause shows, and how often. */
function Signs({ almanac }: { almanac: FirmAlmanac }) {
  const { fields, append } = useFieldArray({ name: 'signs', keyName: 'key' })
  const options = [
    ['', 'choose'] as const,
    ...[...almanac.findings.values()].map((f) => [f.id, f.name] as const),
  ]
  return (
    <>
      {fields.map(({ key }, i) => (
        <div key={key} className="grid grid-cols-[minmax(0,1fr)_150px] gap-3">
          <AskedChoice at={`signs.${i}.finding`} label={`Finding ${i + 1}`} options={options} />
          <AskedChoice at={`signs.${i}.often`} label="Is there" options={OFTEN} />
        </div>
      ))}
      <button
        type="button"
        className="underline justify-self-start py-1"
        onClick={() => append({ finding: '', often: 'usual' })}
      >
        + finding
      </button>
    </>
  )
}

function AskedChoice({
  at,
  label,
  options,
}: {
  at: string
  label: string
  options: readonly (readonly [string, string])[]
}) {
  const { value, set, problem } = useAsked<string>(at)
  return <Choice label={label} options={options} value={value} onValue={set} problem={problem} />
}

/** Adds a kind of tree of the firm's own. Labels name no such kind, so nothing can be injected into it. */
export function OwnHost({ onDone }: { onDone: () => void }) {
  return (
    <OwnForm
      title="A tree of our own"
      asks={ownHostAsks}
      is={{ kind: 'host' }}
      start={{ name: '', botanical: '', edible: false }}
      onDone={onDone}
    >
      <Asked at="name" />
      <Asked at="botanical" />
      <Asked at="edible" />
    </OwnForm>
  )
}

/** Adds a finding of the firm's own to the walk. */
export function OwnFinding({ onDone }: { onDone: () => void }) {
  return (
    <OwnForm
      title="A finding of our own"
      asks={ownFindingAsks}
      is={{ kind: 'finding' }}
      start={{ name: '', question: '', place: 'leaf', minutes: '1' }}
      onDone={onDone}
    >
      <Asked at="name" />
      <Asked at="question" />
      <div className="grid grid-cols-2 gap-3">
        <Asked at="place" />
        <Asked at="minutes" />
      </div>
    </OwnForm>
  )
}
