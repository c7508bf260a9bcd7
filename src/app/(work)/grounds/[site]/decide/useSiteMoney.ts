'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { FirstTrees, Room } from '@/core/decide/firstTrees'
import type { SiteMoney } from '@/core/decide/siteMoney'
import type { Problem } from '@/core/problem'
import type { DecideSiteView } from '@/server/read/decideSite'
import type { SiteMoneyMessage, SiteMoneyReply, TreeWorth } from '@/workers/siteMoney.worker'

export interface Reckoned {
  trees: ReadonlyMap<string, TreeWorth>
  first: FirstTrees
}

/** Lives drawn for each tree. */
const DRAWS = 1000

/**
 * What each tree comes to by the site's figures, reckoned away from the hand whenever a figure changes; lives are drawn on
 * request, with progress, until stopped.
 */
export function useSiteMoney(
  trees: DecideSiteView['trees'],
  money: SiteMoney,
  room: Room,
  /** kg each tree takes of what the yearly limit binds, by the way that is counted with. */
  active: Readonly<Record<string, number>>,
) {
  const [reckoned, setReckoned] = useState<Reckoned | null>(null)
  const [problem, setProblem] = useState<Problem | null>(null)
  /** Trees drawn so far, for the figures they are drawn by. */
  const [drawing, setDrawing] = useState<{ asked: string; done: number } | null>(null)
  const worker = useRef<Worker | null>(null)
  const asked = JSON.stringify({
    money,
    room,
    trees: trees.flatMap(({ id, diameter, lost, treatable, grade, proposed }) =>
      diameter === null
        ? []
        : [
            {
              id,
              diameter,
              lost,
              treatable,
              mayTreat: grade !== 'none' && proposed !== 'refer',
              active: active[id] ?? 0,
            },
          ],
    ),
  })

  const run = useCallback(
    (draws: number) => {
      worker.current?.terminate()
      const w = new Worker(new URL('../../../../../workers/siteMoney.worker.ts', import.meta.url))
      worker.current = w
      w.onmessage = (event: MessageEvent<SiteMoneyReply>) => {
        const message = event.data
        if (message.kind === 'progress') {
          if (draws > 0) setDrawing({ asked, done: message.done })
          return
        }
        setDrawing(null)
        if (!message.result.ok) return setProblem(message.result.problem)
        setProblem(null)
        const { trees: found, first } = message.result.value
        setReckoned({ trees: new Map(found.map((t) => [t.id, t])), first })
      }
      w.postMessage({
        ...(JSON.parse(asked) as Omit<SiteMoneyMessage, 'draws'>),
        draws,
      } satisfies SiteMoneyMessage)
    },
    [asked],
  )
  // The figures at once; what was drawn belongs to the figures before.
  useEffect(() => {
    run(0)
    return () => worker.current?.terminate()
  }, [run])

  return {
    reckoned,
    problem,
    drawing: drawing?.asked === asked ? drawing.done : null,
    draw: () => {
      setDrawing({ asked, done: 0 })
      run(DRAWS)
    },
    stop: () => {
      worker.current?.terminate()
      setDrawing(null)
    },
  }
}
