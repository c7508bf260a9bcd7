import { Link } from '@/ui/pieces/Link'
import { hostName } from '@/almanac/hosts'
import { numberOf, type Query } from '@/server/read/address'
import { ledgerView } from '@/server/read/work'
import { ChainNote } from '@/ui/ledger/ChainNote'
import { shortDate } from '@/ui/when'
import { ButtonLink } from '@/ui/pieces/Button'

export const metadata = { title: 'Ledger' }

export default async function LedgerPage({ searchParams }: { searchParams: Promise<Query> }) {
  const below = numberOf(await searchParams, 'before', 1, 2_000_000_000)
  const { records, entries, trouble, checkedTo, checkedAt } = await ledgerView(below)
  const shown = records.slice(0, 50)
  return (
    <>
      <h1>
        Ledger, {entries.toLocaleString('en-US')} {entries === 1 ? 'record' : 'records'}
      </h1>
      <ChainNote trouble={trouble} checkedTo={checkedTo} checkedAt={checkedAt} entries={entries} />
      <ul className="border-t border-line mt-4 max-w-4xl">
        {shown.map((r) => (
          <li key={r.id} className="border-b border-line">
            <Link
              href={`/ledger/${r.id}`}
              className="grid sm:grid-cols-[56px_110px_minmax(0,1fr)_auto] gap-x-4 py-2.5 items-baseline no-underline hover:bg-sheet"
            >
              <span className="font-head font-bold text-lead">{r.seq}</span>
              <span>{shortDate(r.signedAt, r.timeZone)}</span>
              <span>
                {r.tag !== null && r.host !== null && (
                  <>
                    <b>{r.tag}</b> · {hostName(r.host)} ·{' '}
                  </>
                )}
                {r.siteName}
                <span className="block text-ink2 text-small">
                  {r.kind === 'correction' && 'correction: '}
                  {r.line} · {r.signedBy}
                </span>
              </span>
              <span className={r.kind === 'correction' ? 'tag tag-straw' : 'tag tag-moss'}>
                {r.kind === 'correction' ? 'correction' : 'signed'}
              </span>
            </Link>
          </li>
        ))}
        {shown.length === 0 && (
          <li className="py-4 text-ink2">
            Nothing has been recorded yet. A record is signed at the end of each tree’s work.
          </li>
        )}
      </ul>
      {records.length > 50 && (
        <ButtonLink className="mt-3" href={`/ledger?before=${shown.at(-1)!.seq}`}>
          Earlier records
        </ButtonLink>
      )}
    </>
  )
}
