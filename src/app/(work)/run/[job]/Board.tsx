'use client'
import { clockOf, inTrees, type PortClock } from '@/core/ports/clock'
import { plain } from '@/core/quantity/format'
import type { PortCommand } from '@/ui/ports/usePorts'
import type { JobPort, JobTree } from './job'
import { Button } from '@/ui/pieces/Button'

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
}: {
  trees: JobTree[]
  now: number
  onAct: (port: JobPort, command: PortCommand) => void
}) {
  const running = inTrees<JobTree, JobPort>(trees)
  return (
    <>
      <h2>{running.length === 0 ? 'Nothing is in a tree' : `In trees now, ${running.length}`}</h2>
      {running.length === 0 && (
        <p className="text-ink2 mt-1">
          Ports appear here when their clock is started, and leave when they are counted in.
        </p>
      )}
      <ul className="mt-1">
        {running.map(({ tree, port }) => {
          const { minutes, from, to, share, stands } = clockOf(port, tree.dose.uptake, now)
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
                    aria-label={`Empty, stop port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct(port, { kind: 'stop' })}
                  >
                    Empty, stop
                  </Button>
                )}
                {stands === 'pull it' && (
                  <Button
                    className="w-full !px-1"
                    aria-label={`Out, counted, port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct(port, { kind: 'out' })}
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
