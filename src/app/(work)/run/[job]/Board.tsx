'use client'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { clockOf, inTrees, type PortClock } from '@/core/methods/trunk-injection/clock'
import { plain } from '@/core/quantity/format'
import type { RunningPort } from '@/core/methods/trunk-injection/running'
import { portsOf, type Act, type JobPort, type JobTree } from './job'
import { Button } from '@/ui/pieces/Button'
import { useStanding } from './useStanding'

const BAR: Record<PortClock['stands'], string> = {
  'taking up': 'bg-water',
  'look now': 'bg-straw',
  stalled: 'bg-plum',
  'pull it': 'bg-straw',
}
const WORD: Record<PortClock['stands'], [word: string, look: string]> = {
  'taking up': ['taking up', 'text-ink2'],
  'look now': ['look now', 'text-straw'],
  stalled: ['stalled?', 'text-plum'],
  'pull it': ['pull it', 'text-ink2'],
}

/** Everything that is in a tree now, the longest first, each with its clock and what to do with it. */
export function Board({
  trees,
  now,
  onAct,
  resting,
}: {
  trees: JobTree[]
  now: number
  onAct: Act
  /** Steps pressed a moment ago. */
  resting: ReadonlySet<string>
}) {
  const running = inTrees<{ tree: JobTree; uptake: { from: number; to: number }; ports: JobPort[] }, JobPort>(
    trees.flatMap((tree) =>
      isByPorts(tree.plan) ? [{ tree, uptake: tree.plan.shape.uptake, ports: portsOf(tree) }] : [],
    ),
  )
  const { rows, settling } = useStanding(
    running.map(({ tree: { tree, uptake }, port }) => ({ id: port.id, tree, uptake, port })),
  )
  const press = (kind: 'stop' | 'out', which: (port: RunningPort) => boolean) =>
    onAct(
      running
        .filter(({ port }) => which(port))
        .map(({ tree: { tree }, port }) => ({ tree, step: port.step, command: { kind } })),
    )
  const taking = running.filter(({ port }) => port.stoppedAt === null).length
  const empty = running.length - taking
  return (
    <>
      <h2>{running.length === 0 ? 'Nothing is in a tree' : `In trees now, ${running.length}`}</h2>
      {running.length === 0 && (
        <p className="text-ink2 mt-1">
          Ports appear here when their clock is started, and leave when they are counted in.
        </p>
      )}
      {/* Its place is kept, so that no row moves while it is pressed. */}
      {rows.length > 1 && (
        <div className="flex flex-wrap gap-2 mt-2 min-h-12">
          {taking > 1 && (
            <Button
              className="!px-2.5"
              disabled={settling}
              onClick={() => press('stop', (p) => p.stoppedAt === null)}
            >
              All {taking} are empty
            </Button>
          )}
          {empty > 1 && (
            <Button
              className="!px-2.5"
              disabled={settling}
              onClick={() => press('out', (p) => p.stoppedAt !== null)}
            >
              All {empty} are out
            </Button>
          )}
        </div>
      )}
      <ul className="mt-1">
        {rows.map(({ row: { tree, uptake, port }, over }) => {
          if (over)
            return (
              <li
                key={port.id}
                className="border-b border-line py-2 min-h-[65px] grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 items-center text-ink2"
              >
                <span className="leading-tight">
                  <b>{tree.tag}</b> port {port.number}
                </span>
                <span>out, counted</span>
              </li>
            )
          const { minutes, from, to, share, stands } = clockOf(port, uptake, now)
          return (
            <li
              key={port.id}
              className="border-b border-line py-2 grid grid-cols-[minmax(0,1fr)_auto_112px] gap-x-3 items-center"
            >
              <span className="leading-tight">
                <b>{tree.tag}</b> port {port.number}
              </span>
              <span className="text-right whitespace-nowrap">
                <span className="font-head font-bold text-lead">{plain(Math.floor(minutes), 0)} min</span>{' '}
                <span className="text-small text-ink2">
                  of {plain(from, 0)}–{plain(to, 0)}
                </span>
              </span>
              <span className="row-span-2">
                {stands !== 'pull it' && (
                  <Button
                    className="w-full !px-1"
                    disabled={settling || resting.has(port.id)}
                    aria-label={`Empty, stop port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct([{ tree, step: port.step, command: { kind: 'stop' } }])}
                  >
                    Empty, stop
                  </Button>
                )}
                {stands === 'pull it' && (
                  <Button
                    className="w-full !px-1"
                    disabled={settling || resting.has(port.id)}
                    aria-label={`Out, counted, port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct([{ tree, step: port.step, command: { kind: 'out' } }])}
                  >
                    Out, counted
                  </Button>
                )}
              </span>
              <span
                className="block h-[8px] bg-line2"
                role="img"
                aria-label={`${plain(share * 100, 0)} % of the longest expected time`}
              >
                <span className={`block h-full ${BAR[stands]}`} style={{ width: `${share * 100}%` }} />
              </span>
              <span className={`text-right text-small font-bold ${WORD[stands][1]}`}>{WORD[stands][0]}</span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
