'use client'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import { useRouter } from 'next/navigation'
import { Fragment, useMemo, useState } from 'react'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { Method } from '@/core/card/card'
import type { CardView } from '@/server/read/shelf'
import { Choice } from '@/ui/fields/Choice'
import { LineInput } from '@/ui/fields/TypedLine'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { rowsOf, type Typed } from '@/ui/fields/paths'
import { useVerb } from '@/ui/fields/useVerb'
import { ChooseFile } from '@/ui/files/ChooseFile'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { ACTIVE_LINES, partsOfUse, PRODUCT_LINES, type CardLine } from '@/ui/shelf/cardLines'
import {
  blankCard,
  blankUse,
  cardNames,
  cardOf,
  leftOut,
  lineLike,
  methodAt,
  pathsOf,
  textsOfUse,
  typedOf,
} from '@/ui/shelf/cardText'
import { lineAt, wantsOf } from '@/ui/shelf/cardWants'
import { useMay } from '@/ui/shell/may'

const METHODS = (Object.keys(METHOD_NAME) as Method[]).map((m) => [m, METHOD_NAME[m]] as const)

/** A card copied from a label, from its first panel to its last; or the next version of one that is there. */
export function CardForm({
  stands,
  own: entries,
}: {
  stands: CardView['versions'][number] | null
  /** What the firm has added to the almanac: a card may name its trees and causes. */
  own: readonly OwnEntry[]
}) {
  const named = useMemo(() => cardNames(entries), [entries])
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('enter-card', { makes: 'id' })
  const [typed, setTyped] = useState<Typed>(() => (stands ? typedOf(stands.card, named) : blankCard()))
  const [file, setFile] = useState<string | null>(null)
  /** What the lines of the form still want, by path. */
  const [wants, setWants] = useState<Readonly<Record<string, string>>>({})
  if (!may('enter-card'))
    return (
      <p>Cards are entered by the arborist or the office. What is on the shelf can be read by everybody.</p>
    )
  const actives = rowsOf(typed, 'actives')
  const uses = rowsOf(typed, 'uses')
  const set = (path: string, text: string) => {
    setTyped({ ...typed, [path]: text })
    setWants(Object.fromEntries(Object.entries(wants).filter(([p]) => p !== path)))
  }
  const drop = (list: string, n: number) =>
    setTyped(Object.fromEntries(Object.entries(typed).filter(([path]) => !path.startsWith(`${list}[${n}]`))))
  const next = (rows: number[]) => (rows.at(-1) ?? -1) + 1
  const told = verb.problem ? { [lineAt(verb.problem.field, typed)]: verb.problem.message } : wants
  const at = (path: string) => told[path] ?? null
  const open = pathsOf(typed).filter((path) => path in told)

  async function openFile(chosen: File | undefined) {
    if (!chosen) return
    try {
      const card: unknown = JSON.parse(await chosen.text())
      const stood = typedOf(card, named)
      const left = leftOut(card, cardOf(stood, named))
      setTyped(stood)
      setFile(
        left.length === 0
          ? `${chosen.name} stands below. Read it against the label, then enter it.`
          : `${chosen.name} stands below, but for what this form has no line for: ${left.slice(0, 6).join(', ')}${left.length > 6 ? ` and ${left.length - 6} more` : ''}.`,
      )
    } catch {
      setFile(`${chosen.name} is no card file: it cannot be read as JSON. Choose a file saved from a shelf.`)
    }
  }

  return (
    <form
      className="max-w-5xl"
      onSubmit={async (e) => {
        e.preventDefault()
        const card = cardOf(typed, named)
        const missing = await wantsOf(card, typed)
        setWants(missing)
        if (Object.keys(missing).length > 0) return
        const entered = await verb.send({ card, after: stands?.version ?? null })
        if (entered) router.push(`/shelf/${entered.code}`)
      }}
    >
      <h1>{stands ? `${stands.card.name}, the version after ${stands.version}` : 'Enter a card'}</h1>
      <p className="text-ink2 mt-1">
        Copy it from the label in your hand, panel by panel, in the label’s own units. A card is never
        changed: the next one stands beside it.
      </p>
      <div className="mt-3">
        <ChooseFile accept="application/json,.json" onFile={(file) => void openFile(file)}>
          Take it from a file
        </ChooseFile>
        <a className="ml-3" href="/api/cards/schema.json">
          how a file is written
        </a>
        <span role="status" className="ml-3">
          {file}
        </span>
      </div>
      <Panel title="The product">
        <Lines lines={PRODUCT_LINES} from="" own={typed} typed={typed} at={at} set={set} />
      </Panel>
      <Panel title="What is in it">
        {actives.map((n) => (
          <div key={n} className="col-span-full grid grid-cols-subgrid gap-y-3 items-start">
            <Lines lines={ACTIVE_LINES} from={`actives[${n}].`} own={typed} typed={typed} at={at} set={set} />
            <Button quiet className="justify-self-start self-end" onClick={() => drop('actives', n)}>
              Take {typed[`actives[${n}].name`] || 'this active'} off
            </Button>
          </div>
        ))}
        <Button
          quiet
          className="justify-self-start"
          onClick={() =>
            setTyped({
              ...typed,
              ...Object.fromEntries(ACTIVE_LINES.map((l) => [`actives[${next(actives)}].${l.path}`, ''])),
            })
          }
        >
          One more active
        </Button>
      </Panel>
      {uses.map((n, i) => {
        const method = methodAt(typed, n)
        return (
          <Panel key={n} title={`Use ${i + 1}: ${METHOD_NAME[method].toLowerCase()}`}>
            <Choice
              label="Way of putting it on"
              options={METHODS}
              value={method}
              problem={at(`uses[${n}].method`)}
              onValue={(m) => setTyped({ ...blankUse(n, m), ...typed, [`uses[${n}].method`]: m })}
            />
            {partsOfUse(method).map(([heading, lines]) => (
              <Fragment key={heading}>
                <h3 className="col-span-full mt-1">{heading}</h3>
                <Lines
                  lines={lines}
                  from={`uses[${n}].`}
                  own={textsOfUse(typed, n)}
                  typed={typed}
                  at={at}
                  set={set}
                />
              </Fragment>
            ))}
            {!isHand(method) && (
              <Button
                quiet
                className="justify-self-start"
                onClick={() => setTyped({ ...typed, ...lineLike(typed, n, next(uses)) })}
              >
                One more line like this
              </Button>
            )}
            {uses.length > 1 && (
              <Button quiet className="justify-self-start" onClick={() => drop('uses', n)}>
                Take this use off
              </Button>
            )}
          </Panel>
        )
      })}
      <Button
        quiet
        className="mt-4"
        onClick={() => setTyped({ ...typed, ...blankUse(next(uses), 'crown-spray') })}
      >
        One more use
      </Button>
      <Note className="mt-4">
        The label is the law. A card is our copy of it: whoever enters it has read the label, and answers for
        the copy.
      </Note>
      <Button type="submit" now className="mt-4" disabled={verb.busy}>
        {stands ? 'Enter this version' : 'Enter the card'}
      </Button>
      <ProblemNote problem={verb.problem && open.length === 0 ? verb.problem : null} onAnew={verb.renew} />
      {!verb.problem && at('') !== null && (
        <Note says="stop" role="alert" className="mt-2">
          {at('')}
        </Note>
      )}
      {open.length > 0 && (
        <p role="alert" className="mt-2">
          Not entered: {open.length} {open.length === 1 ? 'line' : 'lines'} above{' '}
          {open.length === 1 ? 'needs' : 'need'} a look. <a href={`#${idAt(open[0]!)}`}>Go to the first</a>
        </p>
      )}
    </form>
  )
}

const idAt = (path: string) => `card-${path.replace(/[^a-z0-9]+/gi, '-')}`

function Panel({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset className="mt-5 border-t border-line pt-3">
      <legend className="sr-only">{title}</legend>
      <h2 aria-hidden="true">{title}</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-x-4 gap-y-3 mt-2">
        {children}
      </div>
    </fieldset>
  )
}

function Lines({
  lines,
  from,
  own,
  typed,
  at,
  set,
}: {
  lines: readonly CardLine[]
  /** Where these lines begin in the card: `uses[0].`. */
  from: string
  own: Typed
  typed: Typed
  at: (path: string) => string | null
  set: (path: string, text: string) => void
}) {
  return lines.map((line) => {
    if (line.when && !line.when(own)) return null
    const path = `${from}${line.path}`
    const value = typed[path] ?? line.start ?? ''
    return (
      <div key={path} id={idAt(path)} className={line.wide ? 'col-span-full' : undefined}>
        <LineInput line={line} value={value} problem={at(path)} onValue={(v) => set(path, v)} />
      </div>
    )
  })
}
