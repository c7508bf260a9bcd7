'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { capital } from '@/core/capital'
import { METHOD_NAME } from '@/core/card/say'
import { sayRenewal } from '@/core/season/renewal'
import { spokenWeekday } from '@/core/time/calendar'
import { sayTags } from '@/server/read/together'
import type { DueAgain } from '@/server/read/today'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { fromToday, writtenDate } from '@/ui/when'

/** Work that is due again, the first due first. */
export function DueAgainLines({ due, today }: { due: readonly DueAgain[]; today: string }) {
  return (
    <ul className="border-t border-line mt-1">
      {due.map((d) => (
        <DueAgainLine key={d.id} due={d} today={today} />
      ))}
    </ul>
  )
}

/** Between which days it is due, at how many trees; it is put on a day, or ended with a reason. */
function DueAgainLine({ due: d, today }: { due: DueAgain; today: string }) {
  const may = useMay()
  const go = useGo()
  const router = useRouter()
  const put = useVerb('put-on-day')
  const end = useVerb('end-repeats')
  const over = d.endsOn !== null && d.endsOn < today
  const [onDate, setOnDate] = useState(d.dueFrom < today ? today : d.dueFrom)
  const [words, setWords] = useState(over ? `Its season ended on ${writtenDate(d.endsOn!)}.` : '')
  const late = d.dueTo < today
  return (
    <li className="border-b border-line py-3 grid sm:grid-cols-[120px_minmax(0,1fr)_auto] gap-x-4 gap-y-2">
      <span className={`font-bold ${late ? 'text-plum' : ''}`}>
        {over
          ? 'its season is over'
          : late
            ? `overdue since ${writtenDate(d.dueTo)}`
            : fromToday(d.dueFrom, today)}
      </span>
      <div>
        <span className="font-head font-bold text-lead block">
          {d.cardName}, {d.after === null ? `${d.n} of ${d.times}` : `after ${d.after}`}
        </span>
        <span className="text-ink2">
          {METHOD_NAME[d.method]} · {d.cause.toLowerCase()} ·{' '}
          {d.blocks.length > 0 && d.trees > d.tags.length
            ? `${d.trees} trees`
            : sayTags(d.tags, d.tags.length, d.trees)}{' '}
          · {[...d.blocks, d.siteName].join(', ')} · from {writtenDate(d.dueFrom)} to {writtenDate(d.dueTo)}
          {d.endsOn !== null &&
            (d.dueTo > d.endsOn || over) &&
            `, its season ends on ${writtenDate(d.endsOn)}`}
        </span>
        {d.onlyIf !== null && <b className="block">Only if: {d.onlyIf}</b>}
        {d.replaced && (
          <b className="block text-plum">
            Its card was replaced since it was signed: end it with the reason, and prescribe it by the newer
            one.
          </b>
        )}
        {d.renewal && <span className="block">{capital(sayRenewal(d.renewal, spokenWeekday))}.</span>}
        <ProblemNote problem={put.problem ?? end.problem} />
        {may('end-repeats') && (
          <details className="mt-1" open={over}>
            <summary className="cursor-pointer underline underline-offset-2 text-small py-1">
              It is not done any more
            </summary>
            <form
              className="flex flex-wrap items-end gap-2"
              noValidate
              onSubmit={async (e) => {
                e.preventDefault()
                if ((await end.send({ occurrenceId: d.id, words })) !== null) router.refresh()
              }}
            >
              <Field label="Why" value={words} onChange={(e) => setWords(e.target.value)} />
              <Button type="submit" disabled={end.busy}>
                End it
              </Button>
            </form>
          </details>
        )}
      </div>
      {may('put-on-day') && !over && (
        <form
          className="flex flex-wrap items-end gap-2"
          noValidate
          onSubmit={async (e) => {
            e.preventDefault()
            const done = await put.send({ occurrenceId: d.id, onDate })
            if (done !== null) go(`/run/${done.jobId}`)
          }}
        >
          <Field label="Day" type="date" value={onDate} onChange={(e) => setOnDate(e.target.value)} />
          <Button type="submit" now disabled={put.busy}>
            {put.busy ? 'Putting' : 'Put on this day'}
          </Button>
        </form>
      )}
    </li>
  )
}
