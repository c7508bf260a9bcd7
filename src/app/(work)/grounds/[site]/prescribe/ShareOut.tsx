'use client'
import { METHOD_NAME } from '@/core/methods/names'
import { useEffect, useRef, useState } from 'react'
import { howManyFit, isSharedOut, planRow, shareQuestion } from '@/core/methods/group'
import { sayMinutes } from '@/core/methods/sayTime'
import type { Share } from '@/core/limits/share'
import { shown } from '@/core/quantity/pair'
import type { GroupView } from '@/server/read/group'
import { Field } from '@/ui/fields/Field'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import type { ShareMessage, ShareReply } from '@/workers/share.worker'
import type { Group } from './useGroup'

/** Where a limit does not suffice: which trees by which way, so that most are worked; what was traded, and what a hand costs. */
export function ShareOut({
  view,
  group,
  ground,
}: {
  view: GroupView
  group: Group
  ground: Group['grounds'][number]
}) {
  const { ways, units } = view
  const [hours, setHours] = useState('')
  const [running, setRunning] = useState(false)
  const [best, setBest] = useState<{ share: Share; ms: number } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const worker = useRef<Worker | null>(null)
  useEffect(() => () => worker.current?.terminate(), [])
  const { left } = ground
  const badHours = hours.trim() !== '' && !(Number(hours) >= 0) ? 'Type a number of hours.' : null
  const lb = (kg: number) => shown(kg, 'lb', units, 3)

  // What another limit binds is shared out by its own; its trees stay where they are.
  const useIds = ways
    .filter((w) => isSharedOut(w.use) && (w.limit === null || ground.useIds.includes(w.id)))
    .map((w) => w.id)
  const mine = group.trees.filter((t) => {
    const now = group.chosen(t).useId
    return now === null || useIds.includes(now)
  })

  // What each way alone would come to.
  const alone = ways
    .filter((w) => useIds.includes(w.id))
    .map((w) => {
      const rows = group.trees.map((t) => planRow(t, { ...group.chosen(t), useId: w.id }, group.q))
      const planned = rows.filter((r) => r.plan)
      const limited = ground.useIds.includes(w.id)
      const fit = limited ? howManyFit(planned, left) : planned.length
      return { way: w, fit, minutes: planned.reduce((n, r) => n + r.plan!.minutes, 0), open: planned.length }
    })
    .filter((a) => a.open > 0)

  function run() {
    worker.current?.terminate()
    const w = new Worker(new URL('../../../../../workers/share.worker.ts', import.meta.url))
    worker.current = w
    setRunning(true)
    setProblem(null)
    w.onmessage = (event: MessageEvent<ShareReply>) => {
      setRunning(false)
      const { result, ms } = event.data
      if (!result.ok) return setProblem(result.problem.message)
      setBest({ share: result.value, ms })
      group.setOwn({
        ...group.own,
        ...Object.fromEntries(result.value.choice.map((c) => [c.id, c.way])),
      })
    }
    const minutes = hours.trim() === '' ? undefined : Number(hours) * 60
    w.postMessage({
      question: shareQuestion(mine, useIds, group.chosen, group.q, {
        limit: ground.limit,
        applied: ground.applied + ground.others + ground.planned,
        limited: ground.useIds,
        minutes,
      }),
    } satisfies ShareMessage)
  }

  const bestTrees = best?.share.choice.filter((c) => c.way !== null).length ?? 0
  const now = (id: string) => (id in group.own ? group.own[id] : group.useId)
  const moved = best ? best.share.choice.filter((c) => now(c.id) !== c.way).length : 0
  return (
    <section aria-label={`Sharing ${ground.active} out`} className="no-print bg-paper border border-line p-3">
      <h2>What is traded</h2>
      <dl className="mt-1">
        {alone.map(({ way, fit, minutes, open }) => (
          <div key={way.id} className="border-b border-dotted border-ink2 py-1.5">
            <dt className="text-small text-ink2">
              If all were by {METHOD_NAME[way.use.method].toLowerCase()}, {way.product.code}
            </dt>
            <dd className="font-bold">
              {fit < open ? `${open - fit} of ${open} wait a year` : `${open} trees, ${sayMinutes(minutes)}`}
            </dd>
          </div>
        ))}
      </dl>
      <div className="mt-2">
        <Field
          label="Hours of work there are, if they bind"
          inputMode="decimal"
          value={hours}
          onChange={(e) => setHours(e.target.value)}
          problem={badHours}
        />
      </div>
      <div className="flex gap-2 mt-2">
        <Button disabled={running || badHours !== null} onClick={run}>
          {running ? 'Sharing it out' : 'Share it out for most trees'}
        </Button>
        {running && (
          <Button
            onClick={() => {
              worker.current?.terminate()
              setRunning(false)
            }}
          >
            Stop
          </Button>
        )}
      </div>
      {problem && (
        <Note says="stop" className="mt-2">
          {problem}
        </Note>
      )}
      <div aria-live="polite">
        {best && (
          <p className="mt-2">
            The best there is: <b>{bestTrees} trees</b>, {lb(best.share.used)} of {lb(Math.max(0, left))}{' '}
            left, {sayMinutes(best.share.minutes)}.
            {moved > 0 &&
              ` ${moved} moved by hand since: ${group.totals.planned} trees now, ${lb(ground.wanted)}, ${sayMinutes(group.totals.minutes)}.`}
          </p>
        )}
      </div>
    </section>
  )
}
