import { Link } from '@/ui/pieces/Link'
import { FIRST_WEEK } from '@/ui/help/firstWeek'

export const metadata = { title: 'Help' }

export default function Page() {
  return (
    <div className="max-w-2xl">
      <h1>The first week</h1>
      <p className="text-ink2 mt-1">
        Ten short pages, each with a thing to try. Press ? anywhere for the screen you are on and its keys.
      </p>
      <ol className="border-t border-line mt-4">
        {FIRST_WEEK.map((page, i) => (
          <li key={page.slug} className="border-b border-line">
            <Link href={`/help/${page.slug}`} className="flex gap-3 py-3 no-underline hover:underline">
              <span className="text-ink2 w-6 text-right">{i + 1}</span>
              <b>{page.title}</b>
            </Link>
          </li>
        ))}
      </ol>
    </div>
  )
}
