import { Link } from '@/ui/pieces/Link'
import { notFound } from 'next/navigation'
import { hostName } from '@/almanac/hosts'
import { showGirth } from '@/core/quantity/format'
import { WAITING_PAGE, waitingView } from '@/server/read/grounds'
import { readAfter } from '@/server/read/address'
import { SmallRing } from '@/ui/ring/SmallRing'
import { ButtonLink } from '@/ui/pieces/Button'

const STEPS = {
  examine: {
    title: 'To examine',
    verb: 'Examine',
    empty: 'Every tree with a reading has been examined. Walk a site to begin a new round.',
  },
  weigh: {
    title: 'To weigh',
    verb: 'Weigh',
    empty: 'No examination waits to be weighed. Examine a tree first.',
  },
  decide: {
    title: 'To decide',
    verb: 'Decide',
    empty: 'No diagnosis waits for a decision. Weigh an examination first.',
  },
  prescribe: {
    title: 'To prescribe',
    verb: 'Prescribe',
    empty: 'No decision to treat waits for a prescription. Decide on a tree first.',
  },
} as const

export default async function WaitingPage({
  params,
  searchParams,
}: {
  params: Promise<{ step: string }>
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const { step } = await params
  if (!Object.hasOwn(STEPS, step)) notFound()
  const here = step as keyof typeof STEPS
  const after = readAfter(await searchParams)
  const { trees, total, sites, units } = await waitingView(here, after)
  const last = trees.length === WAITING_PAGE ? trees.at(-1) : undefined
  const words = STEPS[here]
  return (
    <>
      <h1>
        {words.title}, {total.toLocaleString('en-US')} {total === 1 ? 'tree' : 'trees'}
      </h1>
      {total > trees.length && (
        <p className="text-ink2">
          at {sites.toLocaleString('en-US')} {sites === 1 ? 'site' : 'sites'}, by site and tag
          {after && (
            <>
              {' '}
              ·{' '}
              <Link href={`/waiting/${here}`} className="underline underline-offset-2">
                from the first
              </Link>
            </>
          )}
        </p>
      )}
      <ul className="border-t border-line mt-4 max-w-3xl">
        {trees.map((t) => (
          <li key={t.id} className="border-b border-line">
            <Link
              href={`/trees/${t.id}/${here}`}

              className="grid grid-cols-[48px_minmax(0,1fr)_auto] gap-4 items-center py-2.5 no-underline hover:bg-sheet"
            >
              <span className="grid place-items-center">
                <SmallRing size={24 + Math.min(22, Math.round((t.diameterM ?? 0.2) * 40))} />
              </span>
              <span>
                <span className="font-bold block">{t.tag}</span>
                <span className="text-ink2">
                  {hostName(t.host)} · {t.siteName}
                  {t.diameterM !== null && ` · ${showGirth(t.diameterM, units)} through`}
                </span>
                {t.returned && <span className="block text-plum font-bold text-small">{t.returned}</span>}
              </span>
              <span className="text-rust font-bold pr-2">{words.verb} →</span>
            </Link>
          </li>
        ))}
        {trees.length === 0 && <li className="py-4 text-ink2">{words.empty}</li>}
      </ul>
      {last && (
        <ButtonLink
          className="mt-3"
          href={`/waiting/${here}?${new URLSearchParams({ site: last.siteId, tag: last.tag, id: last.id })}`}
        >
          Next {WAITING_PAGE}
        </ButtonLink>
      )}
    </>
  )
}
