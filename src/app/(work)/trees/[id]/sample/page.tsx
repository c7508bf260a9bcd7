import { Link } from '@/ui/pieces/Link'
import { notFound } from 'next/navigation'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { withOwn } from '@/almanac/own'
import { GENERAL, SAMPLES } from '@/almanac/samples'
import { testsFor } from '@/almanac/laboratory'
import { weighTree } from '@/almanac/weighing'
import { showWeight } from '@/core/diagnose/showWeight'
import { addDays } from '@/core/time/calendar'
import { showGirth } from '@/core/quantity/format'
import { weighView } from '@/server/read/tree'
import { shortDate } from '@/ui/when'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { SeenList } from '@/ui/findings/SeenList'

export const metadata = { title: 'Sample' }

/** The request that goes to a laboratory with a sample: what to take, how much, how to pack, what was seen. */
export default async function SamplePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Promise<{ cause?: string | string[]; test?: string | string[] }>
}) {
  const view = await weighView((await params).id)
  if (!view) notFound()
  const { tree } = view
  const { weighed } = weighTree(tree.host, view.month, view.seen, withOwn(view.own))
  const { cause: wanted, test: named } = await searchParams
  const cause =
    typeof wanted === 'string' && weighed.some((w) => w.cause === wanted)
      ? wanted
      : (weighed[0]?.cause ?? 'something-else')
  const tests = testsFor(cause, view.own).filter((t) => t.how !== 'test')
  const test = tests.find((t) => t.id === named) ?? tests[0] ?? null
  const packed = SAMPLES[cause] ?? GENERAL
  const lines = test
    ? [
        ['Test', test.name],
        ['Take', test.take],
        ['Pack', packed.pack],
        ['Best taken', packed.when],
        ['What it is worth', test.note],
        [
          'Answer',
          `usually after ${test.days} days, about ${shortDate(Date.parse(`${addDays(view.today, test.days)}T12:00:00Z`), 'UTC')}`,
        ],
      ]
    : [
        ['Take', GENERAL.take],
        ['How much', GENERAL.much],
        ['Pack', packed.pack],
        ['Ask for', GENERAL.ask],
        ['Best taken', packed.when],
      ]
  return (
    <article className="max-w-3xl">
      <div className="flex flex-wrap justify-between gap-3 items-start">
        <div>
          <h1>Sample from {tree.tag}</h1>
          <p className="text-ink2">
            {hostName(tree.host)} · {tree.siteName} ·{' '}
            {shortDate(Date.parse(`${view.today}T12:00:00Z`), 'UTC')}
            {tree.diameterM !== null && ` · ${showGirth(tree.diameterM, view.units)} through`}
          </p>
        </div>
        <PrintButton />
      </div>
      <p className="mt-3">
        In question: <b>{causeName(cause)}</b>
        {weighed
          .filter((w) => w.cause !== cause && w.probability >= 0.05)
          .slice(0, 3)
          .map((w) => ` · ${causeName(w.cause).toLowerCase()} ${showWeight(w.probability)}`)}
      </p>
      <dl className="mt-4 border-t border-ink2">
        {lines.map(([name, text]) => (
          <div
            key={name}
            className="grid sm:grid-cols-[120px_minmax(0,1fr)] gap-x-4 py-2 border-b border-line"
          >
            <dt className="font-bold">{name}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      {tests.length > 1 && (
        <p className="no-print mt-3">
          Another test for it:{' '}
          {tests
            .filter((t) => t !== test)
            .map((t, i) => (
              <span key={t.id}>
                {i > 0 && ', '}
                <Link href={`/trees/${tree.id}/sample?cause=${cause}&test=${t.id}`} className="underline">
                  {t.name.toLowerCase()}
                </Link>
              </span>
            ))}
        </p>
      )}
      <h2 className="mt-5">What was seen</h2>
      <div className="mt-1">
        <SeenList seen={view.seen} />
      </div>
      <dl className="mt-6 grid grid-cols-2 gap-x-8 gap-y-7 print:mt-10">
        {['Taken by, date and hour', 'Part of the tree', 'Laboratory and number', 'Answer due'].map(
          (name) => (
            <div key={name} className="border-b border-ink2 pb-6">
              <dt className="label">{name}</dt>
              <dd />
            </div>
          ),
        )}
      </dl>
      <p className="text-ink2 mt-4">
        Clean the tool before and after. A disease that must be reported is reported first; its wood and
        leaves do not leave the site without advice.
      </p>
    </article>
  )
}
