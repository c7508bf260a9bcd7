'use client'
import { METHOD_NAME } from '@/core/methods/names'
import { capital } from '@/core/capital'
import { sayRenewal } from '@/core/season/renewal'
import { spokenWeekday } from '@/core/time/calendar'
import { sayTags } from '@/server/read/together'
import type { DueAgain } from '@/server/read/today'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { fromToday, writtenDate } from '@/ui/when'
import { AskedForm } from '@/ui/form/AskedForm'
import { AskedWhy } from '@/ui/form/AskedWhy'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { putOnDayAsks, endRepeatsAsks } from '@/asks/work'

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
  const put = useStep('put-on-day')
  const over = d.endsOn !== null && d.endsOn < today
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
        {may('end-repeats') && (
          <details className="mt-1" open={over}>
            <summary className="cursor-pointer underline underline-offset-2 text-small py-1">
              It is not done any more
            </summary>
            <AskedWhy
              step="end-repeats"
              asks={endRepeatsAsks}
              of={{ occurrenceId: d.id }}
              start={over ? `Its season ended on ${writtenDate(d.endsOn!)}.` : ''}
              keep="End it"
              inline
            />
          </details>
        )}
      </div>
      {may('put-on-day') && !over && (
        <AskedForm
          asks={putOnDayAsks}
          start={{ onDate: d.dueFrom < today ? today : d.dueFrom }}
          fixed={{ occurrenceId: d.id }}
          by={put}
          onDone={({ jobId }) => go(`/run/${jobId}`)}
          keep="Put on this day"
          keeping="Putting"
          inline
        >
          <Asked at="onDate" />
        </AskedForm>
      )}
    </li>
  )
}
