import { Link } from '@/ui/pieces/Link'
import { hostName } from '@/almanac/hosts'
import { idOf, readAfterDay, type Query } from '@/server/read/address'
import { checkHref } from '@/server/read/checkHref'
import { sayTags, together } from '@/server/read/together'
import { FOLLOW_UP_PAGE, followUpsView } from '@/server/read/work'
import { fromToday, writtenDate } from '@/ui/when'
import { ButtonLink } from '@/ui/pieces/Button'

export const metadata = { title: 'Follow-up' }

export default async function FollowUpPage({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams
  const after = readAfterDay(query, 'due')
  const { checks, due, open, today, site } = await followUpsView(
    after && { dueOn: after.day, id: after.id },
    idOf(query, 'site'),
  )
  const ofSite = site ? `site=${site.id}&` : ''
  const last = checks.length === FOLLOW_UP_PAGE ? checks.at(-1) : undefined
  const list = (rows: typeof checks) => (
    <ul className="border-t border-line mt-1 max-w-4xl">
      {together(rows, (c) => [c.dueOn, c.siteId, c.what]).map((c) => (
        <li key={c.id} className="border-b border-line">
          <Link
            href={checkHref(c)}

            className="grid sm:grid-cols-[120px_minmax(0,1fr)_auto] gap-x-4 py-2.5 items-baseline no-underline hover:bg-sheet"
          >
            <span className="font-bold">{fromToday(c.dueOn, today)}</span>
            <span>
              <b>{sayTags(c.tags)}</b> ·{' '}
              {c.tags.length > 1 ? `${c.tags.length} trees, one walk` : hostName(c.host)}
              <span className="block text-ink2 text-small">
                {c.siteName} · {c.what}
              </span>
            </span>
            <span className={c.dueOn <= today ? 'tag tag-rust' : 'text-ink2'}>
              {c.dueOn <= today ? 'check now' : writtenDate(c.dueOn)}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  )
  const [dueHere, laterHere] = [checks.filter((c) => c.dueOn <= today), checks.filter((c) => c.dueOn > today)]
  const count = (n: number) => n.toLocaleString('en-US')
  return (
    <>
      <h1>
        {site ? `${site.name}, follow-up` : 'Follow-up'}, {count(due)} {due === 1 ? 'check' : 'checks'} due
      </h1>
      {after && (
        <p>
          <Link
            href={site ? `/follow-up?site=${site.id}` : '/follow-up'}
            className="underline underline-offset-2"
          >
            From the first
          </Link>
        </p>
      )}
      {dueHere.length > 0
        ? list(dueHere)
        : due === 0 && <p className="mt-3 text-ink2">Nothing that was promised is due today.</p>}
      {(laterHere.length > 0 || !last) && (
        <>
          <h2 className="mt-7">Promised for later{open - due > 0 ? `, ${count(open - due)}` : ''}</h2>
          {laterHere.length > 0 ? (
            list(laterHere)
          ) : (
            <p className="mt-2 text-ink2">
              {open === due
                ? 'Nothing yet. Checks are promised when a record or a decision is signed.'
                : 'All of them stand on the pages before.'}
            </p>
          )}
        </>
      )}
      {last && (
        <ButtonLink
          className="mt-3"
          href={`/follow-up?${ofSite}${new URLSearchParams({ due: last.dueOn, id: last.id })}`}
        >
          Next {FOLLOW_UP_PAGE} of {count(open)}
        </ButtonLink>
      )}
    </>
  )
}
