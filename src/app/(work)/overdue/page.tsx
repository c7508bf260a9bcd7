import { sayMethods } from '@/core/methods/names'
import { Link } from '@/ui/pieces/Link'
import { TURN_NAME } from '@/core/plan/turn'
import { readAfterDay, type Query } from '@/server/read/address'
import { OVERDUE_PAGE, overdueView, type OverdueView } from '@/server/read/overdue'
import { ButtonLink } from '@/ui/pieces/Button'
import { sayTags } from '@/server/read/together'
import { fromToday, writtenDate } from '@/ui/when'

export const metadata = { title: 'Overdue' }

export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const after = readAfterDay(await searchParams, 'date')
  const view = await overdueView(after)
  const { counts, last } = view
  const all = counts.jobs + counts.again + counts.checks
  return (
    <>
      <h1>{all === 0 ? 'Nothing is overdue' : `Overdue, ${all.toLocaleString('en-US')}`}</h1>
      <p className="text-ink2 max-w-prose">
        {all === 0
          ? 'Everything that was promised until today is done, put off with a reason, or ended with one.'
          : `${sayCounts(counts)}. Each leaves this list only when it is done, put on another day with the reason, or ended with the reason.`}
      </p>
      <ul className="border-t border-line mt-4 max-w-4xl">
        {view.lines.map((line) => (
          <Line key={`${line.kind} ${line.id}`} line={line} today={view.today} />
        ))}
      </ul>
      {last && (
        <ButtonLink
          className="mt-3"
          href={`/overdue?${new URLSearchParams({ date: last.day, id: last.id })}`}
        >
          Next {OVERDUE_PAGE}
        </ButtonLink>
      )}
    </>
  )
}

function sayCounts({ jobs, again, checks }: OverdueView['counts']): string {
  const some = (n: number, one: string, many: string) =>
    n === 0 ? [] : [`${n.toLocaleString('en-US')} ${n === 1 ? one : many}`]
  return [
    ...some(jobs, 'job left open', 'jobs left open'),
    ...some(again, 'work due again on no day', 'works due again on no day'),
    ...some(checks, 'promised look or answer', 'promised looks and answers'),
  ].join(', ')
}

/** What can be done about each kind, and where. */
const WAY = {
  job: { href: (id: string) => `/run/${id}`, out: 'do it, move it or hand it back' },
  again: { href: () => '/run/due', out: 'put it on a day, or end it' },
  check: { href: (id: string) => `/follow-up/${id}`, out: 'answer it, put it off or end it' },
} as const

function Line({ line, today }: { line: OverdueView['lines'][number]; today: string }) {
  const { kind, id, tags } = line
  const lead =
    kind === 'job'
      ? `${sayMethods(line.methods)}, ${line.trees} ${line.trees === 1 ? 'tree' : 'trees'} open`
      : kind === 'again'
        ? `${line.what}, ${line.trees} ${line.trees === 1 ? 'tree' : 'trees'}`
        : `${sayTags(tags)}: ${line.what}`
  return (
    <li className="border-b border-line">
      <Link
        href={WAY[kind].href(id)}

        className="grid sm:grid-cols-[130px_minmax(0,1fr)_190px] gap-x-5 gap-y-0.5 items-baseline py-2.5 no-underline hover:bg-sheet"
      >
        <span>
          <b className="text-plum">{fromToday(line.day, today)}</b>
          <span className="block text-small text-ink2">{writtenDate(line.day)}</span>
        </span>
        <span>
          <b>{line.siteName}</b>: {lead}
          {line.turn && line.turn !== 'us' && (
            <span className="text-ink2"> · waits for: {TURN_NAME[line.turn].toLowerCase()}</span>
          )}
        </span>
        <span className="text-small text-ink2">{WAY[kind].out}</span>
      </Link>
    </li>
  )
}
