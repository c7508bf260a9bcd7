import { DueAgainLines } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { readAfterDay, type Query } from '@/server/read/address'
import { DUE_PAGE, dueAgainView } from '@/server/read/today'
import { ButtonLink } from '@/ui/pieces/Button'

export const metadata = { title: 'Due again' }

export default async function DuePage({ searchParams }: { searchParams: Promise<Query> }) {
  const after = readAfterDay(await searchParams, 'date')
  const { due, today } = await dueAgainView(after && { dueFrom: after.day, id: after.id })
  const last = due.length === DUE_PAGE ? due.at(-1) : undefined
  return (
    <div className="max-w-5xl">
      <p className="text-small text-ink2">
        <Link href="/run" className="underline underline-offset-2">
          all work
        </Link>
        {after && (
          <>
            {' · '}
            <Link href="/run/due" className="underline underline-offset-2">
              from the first
            </Link>
          </>
        )}
      </p>
      <h1>Due again, on no day yet</h1>
      <p className="text-ink2 max-w-prose">
        What must be done again within two weeks or should have been done. It leaves this list when it is put
        on a day or ended with the reason.
      </p>
      {due.length > 0 ? (
        <DueAgainLines due={due} today={today} />
      ) : (
        <p className="mt-4 text-ink2">
          {after ? 'Nothing more is due again.' : 'Nothing that is due again waits for a day.'}
        </p>
      )}
      {last && (
        <ButtonLink
          className="mt-3"
          href={`/run/due?${new URLSearchParams({ date: last.dueFrom, id: last.id })}`}
        >
          Next {DUE_PAGE}
        </ButtonLink>
      )}
    </div>
  )
}
