'use client'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { useState } from 'react'
import { arc, clockwise, sideInWords } from '@/core/ports/bearing'
import { stageOf, type PortStage } from '@/core/methods/trunk-injection/running'
import { holesIn, marksOn } from '@/core/ports/marks'
import { showLength, showMl, type UnitSystem } from '@/core/quantity/format'
import { at, barkRadius } from '@/ui/ring/geometry'
import { Ring } from '@/ui/ring/Ring'
import { RingLegend } from '@/ui/ring/RingLegend'
import { STAGE_LOOK } from '@/ui/ring/PortSign'
import type { Command } from '@/ui/run/useWork'
import { portsOf, type Act, type JobItem, type JobPort, type JobTree } from './job'
import { Button } from '@/ui/pieces/Button'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { yearColour } from '@/core/methods/yearMark'
import { useMay } from '@/ui/shell/may'

const NEXT: Partial<Record<PortStage, { kind: 'drill' | 'start' | 'stop' | 'out'; text: string }>> = {
  planned: { kind: 'drill', text: 'Drilled' },
  drilled: { kind: 'start', text: 'Set, start the clock' },
  'taking up': { kind: 'stop', text: 'Empty, stop the clock' },
  empty: { kind: 'out', text: 'Out and counted' },
}

/** Drill, set, stop, pull: one port at a time on the ring, with one large button for what comes next. */
export function PortWork({
  tree,
  item,
  units,
  today,
  onAct,
  resting,
  onFinish,
}: {
  tree: JobTree
  item: JobItem
  units: UnitSystem
  /** At the site. */
  today: string
  onAct: Act
  /** Steps pressed a moment ago. */
  resting: ReadonlySet<string>
  onFinish: () => void
}) {
  const ports = portsOf(tree)
  const act = (port: JobPort, command: Command) => onAct([{ tree, step: port.step, command }])
  const [chosen, setChosen] = useState<number | null>(null)
  /** What is opened beside the next step, and at what; it closes by itself when the port goes on. */
  const [opened, setOpened] = useState<{ what: 'giving' | 'moving'; at: string } | null>(null)
  const may = useMay()
  const open = tree.status === 'open' && may('mark-step')
  // What the hands do next: drill and set everything, then pull what is empty.
  const first =
    ports.find((p) => ['planned', 'drilled'].includes(stageOf(p))) ??
    ports.find((p) => ['taking up', 'empty'].includes(stageOf(p)))
  const port = (chosen !== null ? ports.find((p) => p.number === chosen) : undefined) ?? first ?? ports[0]!
  const stage = stageOf(port)
  const next = NEXT[stage]
  const finished = ports.every((p) => ['done', 'given up'].includes(stageOf(p)))
  const shape = isByPorts(tree.plan) ? tree.plan.shape : null
  // Of several stems each is a trunk of its own: the one under the hands is drawn.
  const { stem } = port
  const around = ports.filter((p) => p.stem === stem)
  const girth = (stem === undefined ? shape?.portGirth : shape?.stems?.[stem - 1]?.portGirth) ?? 0
  const marks = marksOn(tree.marks, stem ?? null)
  const holes = stem === undefined ? tree.holes : holesIn(tree.holes, stem)
  const index = around.indexOf(port)
  const before = around[(index + around.length - 1) % around.length]!

  const here = `${port.id} ${stage}`
  const isOpen = (what: 'giving' | 'moving') => opened?.what === what && opened.at === here
  const turn = (what: 'giving' | 'moving') => setOpened(isOpen(what) ? null : { what, at: here })

  function press() {
    if (!next) return
    act(port, { kind: next.kind })
    // A drilled port is set at once; after that the next one is at hand.
    setChosen(next.kind === 'drill' ? port.number : null)
  }

  return (
    <div className="lying:grid lying:grid-cols-[2fr_3fr] lying:gap-x-4">
      <Ring
        marks={marks}
        holes={holes}
        ports={around.map((p) => ({
          bearing: p.bearing,
          number: p.number,
          stage: stageOf(p),
          chosen: p.id === port.id,
        }))}
        label={
          stem === undefined
            ? `${tree.tag} from above, ports 1 to ${ports.length}`
            : `${tree.tag}, stem ${stem} from above, ports ${around[0]!.number} to ${around.at(-1)!.number}`
        }
        className="w-full max-w-[430px] hand:max-w-[min(100%,36dvh)] lying:max-w-[min(100%,56dvh)] lying:row-span-6 mx-auto hand:-mt-2"
      >
        {around.map((p) => {
          const c = at(p.bearing, barkRadius(p.bearing, marks) + 3)
          return (
            <g
              key={p.id}
              role="button"
              tabIndex={0}
              aria-label={`Port ${p.number} at ${p.bearing} degrees, ${STAGE_LOOK[stageOf(p)].word}`}
              aria-pressed={p.id === port.id}
              className="cursor-pointer"
              onClick={() => setChosen(p.number)}
              onKeyDown={(e) =>
                (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), setChosen(p.number))
              }
            >
              <circle cx={c.x} cy={c.y} r="21" fill="transparent" />
            </g>
          )
        })}
      </Ring>
      <div className="hidden desk:block">
        <RingLegend marks={marks} holes={holes} ports={false} />
      </div>
      {finished ? (
        <div className="mt-2">
          <p className="font-head font-bold text-title">All ports are done</p>
          {open && (
            <p className="text-lead">
              Mark {tree.tag} in <b>{yearColour(today)}</b>, the colour of {today.slice(0, 4)}.
            </p>
          )}
          {open && (
            <div className="thumb desk:mt-2">
              <Button now className="hand-tall" onClick={onFinish}>
                Finish and sign →
              </Button>
            </div>
          )}
        </div>
      ) : (
        <div className="mt-1" aria-live="polite">
          <p>
            <span className="font-head font-bold text-title">
              {stem !== undefined && `Stem ${stem}, `}Port {port.number}
            </span>{' '}
            <span className="text-ink2 text-lead">
              at {port.bearing}°, {sideInWords(port.bearing)}
              {before !== port &&
                `, ${showLength(arc(clockwise(before.bearing, port.bearing), girth), units, 0)} clockwise from port ${before.number}`}
            </span>
          </p>
          <p className="text-lead">{sentence(stage, item, port)}</p>
        </div>
      )}
      {open && !finished && (
        <div className="thumb desk:flex desk:gap-2 desk:mt-2 desk:max-w-xl">
          {next && (
            <Button now className="hand-tall grow" disabled={resting.has(port.id)} onClick={press}>
              {next.text}
            </Button>
          )}
          {(stage === 'planned' || stage === 'drilled' || stage === 'taking up') && (
            <Button className="hand-tall" aria-expanded={isOpen('giving')} onClick={() => turn('giving')}>
              Won’t take
            </Button>
          )}
        </div>
      )}
      {open && (
        <div className="flex gap-4 mt-2">
          {stage === 'planned' && !finished && (
            <button
              type="button"
              className="underline underline-offset-2 min-h-12"
              aria-expanded={isOpen('moving')}
              onClick={() => turn('moving')}
            >
              Move this port
            </button>
          )}
          {stage !== 'planned' && (
            <button
              type="button"
              className="underline underline-offset-2 min-h-12"
              disabled={resting.has(port.id)}
              onClick={() => act(port, { kind: 'undo' })}
            >
              Take the last step of port {port.number} back
            </button>
          )}
        </div>
      )}
      {isOpen('moving') && (
        <div className="flex gap-2 mt-1" role="group" aria-label={`Move port ${port.number}`}>
          {[-5, -1, 1, 5].map((by) => (
            <Button
              key={by}

              data-quick
              onClick={() => act(port, { kind: 'move', bearing: (port.bearing + by + 360) % 360 })}
            >
              {by > 0 ? `+ ${by}°` : `− ${-by}°`}
            </Button>
          ))}
        </div>
      )}
      {isOpen('giving') && (
        <GiveUp
          port={port}
          started={stage === 'taking up'}
          onDone={(reason, left) => act(port, { kind: 'give-up', reason, left })}
        />
      )}
      {open && !finished && (
        <GiveUpRest
          ports={ports.filter((p) => ['planned', 'drilled'].includes(stageOf(p)))}
          onGiveUp={(rest, reason) =>
            onAct(
              rest.map((p) => ({ tree, step: p.step, command: { kind: 'give-up', reason, left: '0 mL' } })),
            )
          }
        />
      )}
    </div>
  )
}

function sentence(stage: PortStage, item: JobItem, port: JobPort) {
  const terms = isByPorts(item.use) ? item.use.terms : null
  switch (stage) {
    case 'planned':
      return (
        <>
          Drill {terms?.bit}, <b>{terms?.depth} deep</b>, slightly downward.
        </>
      )
    case 'drilled':
      return (
        <>
          Set and charge <b>{showMl(port.volume, 2)}</b>, then start the clock.
        </>
      )
    case 'taking up':
      return 'Taking up. Look again at its time.'
    case 'empty':
      return 'Empty. Pull it and count it in.'
    case 'given up':
      return `Given up: ${port.givenUp}`
    case 'done':
      return 'Out and counted.'
  }
}

const REASONS = [
  'does not take after reseating',
  'wood too hard or decayed',
  'leaks at the bark',
  'rain came',
]

function GiveUp({
  port,
  started,
  onDone,
}: {
  port: JobPort
  started: boolean
  onDone: (reason: string, left: string) => void
}) {
  const [reason, setReason] = useState(REASONS[0]!)
  const [left, setLeft] = useState(showMl(port.volume, 1))
  return (
    <div className="border border-line bg-sheet p-3 mt-2 grid gap-2 max-w-xl">
      <p>First reseat it, warm it, or drill a new hole nearby. If it still will not take:</p>
      <Choice label="Why" value={reason} onValue={setReason} options={REASONS.map((r) => [r, r] as const)} />
      {started && <Field label="What is left in it" value={left} onChange={(e) => setLeft(e.target.value)} />}
      <Button onClick={() => onDone(reason, started ? left : '0 mL')}>Give up port {port.number}</Button>
    </div>
  )
}

/** Gives up every port in which nothing was set, by one press: rain came, the tree is handed back. */
function GiveUpRest({
  ports,
  onGiveUp,
}: {
  ports: JobPort[]
  onGiveUp: (ports: JobPort[], reason: string) => void
}) {
  const [reason, setReason] = useState('')
  if (ports.length < 2) return null
  return (
    <details className="mt-2 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer min-h-12 py-2">
        Give up the {ports.length} ports that are not set
      </summary>
      <div className="flex flex-wrap items-end gap-2">
        <div className="grow">
          <Field label="Why" value={reason} onChange={(e) => setReason(e.target.value)} />
        </div>
        <Button disabled={reason.trim() === ''} onClick={() => onGiveUp(ports, reason)}>
          Give them up
        </Button>
      </div>
    </details>
  )
}
