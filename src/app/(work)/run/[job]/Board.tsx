'use client'
import { isInTree, stageOf } from '@/core/ports/running'
import { plain } from '@/core/quantity/format'
import type { JobPort, JobTree, PortCommand } from './usePorts'

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
  const running = trees
    .flatMap((tree) => tree.ports.filter(isInTree).map((port) => ({ tree, port })))
    .sort((a, b) => a.port.startedAt! - b.port.startedAt!)
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
          const stage = stageOf(port)
          // This device's clock may tick a second behind the server's.
          const minutes = Math.max(0, (port.stoppedAt ?? now) - port.startedAt!) / 60_000
          const from = tree.dose.uptake.from / 60
          const to = tree.dose.uptake.to / 60
          const late = stage === 'taking up' && minutes >= from
          const share = Math.min(1, minutes / to)
          return (
            <li
              key={port.id}
              className="border-b border-line py-2 grid grid-cols-[minmax(0,1fr)_auto_112px] gap-x-3 items-center"
            >
              <span className="leading-tight">
                <b>{tree.tag}</b> port {port.number}
              </span>
              <span className="text-right whitespace-nowrap">
                <span className="font-head font-bold text-[1.1rem]">{plain(Math.floor(minutes), 0)} min</span>{' '}
                <span className="text-[0.84rem] text-ink2">
                  of {plain(from, 0)}–{plain(to, 0)}
                </span>
              </span>
              <span className="row-span-2">
                {stage === 'taking up' && (
                  <button
                    type="button"
                    className="btn w-full !px-1"
                    aria-label={`Empty, stop port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct(port, { kind: 'stop' })}
                  >
                    Empty, stop
                  </button>
                )}
                {stage === 'empty' && (
                  <button
                    type="button"
                    className="btn w-full !px-1"
                    aria-label={`Out, counted, port ${port.number} of ${tree.tag}`}
                    onClick={() => onAct(port, { kind: 'out' })}
                  >
                    Out, counted
                  </button>
                )}
              </span>
              <span
                className="block h-[8px] bg-line2"
                role="img"
                aria-label={`${plain(share * 100, 0)} % of the longest expected time`}
              >
                <span
                  className={`block h-full ${stage === 'empty' ? 'bg-straw' : minutes > to ? 'bg-plum' : late ? 'bg-straw' : 'bg-water'}`}
                  style={{ width: `${share * 100}%` }}
                />
              </span>
              <span
                className={`text-right text-[0.86rem] font-bold ${minutes > to && stage === 'taking up' ? 'text-plum' : late ? 'text-straw' : 'text-ink2'}`}
              >
                {stage === 'empty' ? 'pull it' : minutes > to ? 'stalled?' : late ? 'look now' : 'taking up'}
              </span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
