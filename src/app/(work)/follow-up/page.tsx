import Link from 'next/link'
import { hostName } from '@/almanac/hosts'
import { followUpsView } from '@/server/read/work'
import { fromToday, writtenDate } from '@/ui/when'

export const metadata = { title: 'Follow-up' }

export default async function FollowUpPage() {
  const { checks, today } = await followUpsView()
  const due = checks.filter((c) => c.dueOn <= today)
  const later = checks.filter((c) => c.dueOn > today)
  const list = (rows: typeof checks) => (
    <ul className="border-t border-line mt-1 max-w-4xl">
      {rows.map((c) => (
        <li key={c.id} className="border-b border-line">
          <Link
            href={`/follow-up/${c.id}`}
            className="grid sm:grid-cols-[120px_minmax(0,1fr)_auto] gap-x-4 py-2.5 items-baseline no-underline hover:bg-sheet"
          >
            <span className="font-bold">{fromToday(c.dueOn, today)}</span>
            <span>
              <b>{c.tag}</b> · {hostName(c.host)} · {c.siteName}
              <span className="block text-ink2 text-[0.92rem]">{c.what}</span>
            </span>
            <span className={c.dueOn <= today ? 'tag tag-rust' : 'text-ink2'}>
              {c.dueOn <= today ? 'check now' : writtenDate(c.dueOn)}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  )
  return (
    <>
      <h1>
        Follow-up, {due.length} {due.length === 1 ? 'check' : 'checks'} due
      </h1>
      {due.length > 0 ? list(due) : <p className="mt-3 text-ink2">Nothing that was promised is due today.</p>}
      <h2 className="mt-7">Promised for later</h2>
      {later.length > 0 ? (
        list(later)
      ) : (
        <p className="mt-2 text-ink2">Nothing yet. Checks are promised when a record is signed.</p>
      )}
    </>
  )
}
