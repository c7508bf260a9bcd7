import { notFound } from 'next/navigation'
import { ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { FIRST_WEEK, pageOf } from '@/ui/help/firstWeek'

export const metadata = { title: 'Help' }

export default async function Page({ params }: { params: Promise<{ page: string }> }) {
  const page = pageOf((await params).page)
  if (!page) notFound()
  const next = FIRST_WEEK[FIRST_WEEK.indexOf(page) + 1]
  return (
    <article className="max-w-2xl">
      <p className="text-small text-ink2">
        <Link href="/help" className="underline underline-offset-2">
          The first week
        </Link>
      </p>
      <h1>{page.title}</h1>
      {page.text.map((words) => (
        <p key={words} className="mt-3">
          {words}
        </p>
      ))}
      <Note as="div" className="mt-5">
        <b>Try it.</b> {page.tryIt.words}
        <div className="mt-2">
          <ButtonLink now href={page.tryIt.href}>
            {page.tryIt.go} →
          </ButtonLink>
        </div>
      </Note>
      {next && (
        <p className="mt-5">
          Next:{' '}
          <Link href={`/help/${next.slug}`} className="underline underline-offset-2">
            {next.title}
          </Link>
        </p>
      )}
    </article>
  )
}
