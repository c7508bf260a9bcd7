'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import type { BlocksView } from '@/server/read/blocks'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { beginRound } from '@/ui/shell/round'
import { useGo } from '@/ui/shell/useGo'

/** The blocks of a site: how far each is, what its sample says, and its work as a whole. */
export function Blocks({ view }: { view: BlocksView }) {
  const { site, blocks } = view
  return (
    <>
      <SiteHeading
        site={site}
        title={<>Blocks of {site.name}</>}
        below={
          <>
            A bank, a row or a terrace that is looked at by sample, dosed tree by tree and recorded by itself.
          </>
        }
      />
      {blocks.length === 0 && (
        <Note className="mt-4 max-w-2xl">
          No block yet. Choose trees in the{' '}
          <Link href={`/grounds/${site.id}`} className="underline">
            list of this site
          </Link>{' '}
          and name them as one.
        </Note>
      )}
      <ul className="mt-4 border-t border-line max-w-4xl">
        {blocks.map((b) => (
          <BlockLine key={b.name} block={b} siteId={site.id} />
        ))}
      </ul>
    </>
  )
}

function BlockLine({ block: b, siteId }: { block: BlocksView['blocks'][number]; siteId: string }) {
  const may = useMay()
  const router = useRouter()
  const go = useGo()
  const { send, busy, problem } = useVerb('sign-block', { makes: 'id' })
  const { sample } = b
  return (
    <li className="border-b border-line py-3 grid sm:grid-cols-[170px_minmax(0,1fr)_auto] gap-x-5 gap-y-2 items-start">
      <div>
        <h2>{b.name}</h2>
        <p className="text-ink2 text-small">
          {b.trees} {b.trees === 1 ? 'tree' : 'trees'}
          {b.withCrew > 0 && `, ${b.withCrew} with the crew`}
        </p>
      </div>
      <div>
        {sample ? (
          <p>
            <b>{sample.cause}</b> on {sample.looked.length} looked at one by one:{' '}
            {sample.decided.toLowerCase()}.
            <span className="block text-small text-ink2">
              {sample.looked.join(', ')}
              {sample.apart.length > 0 && ` · by themselves: ${sample.apart.join(', ')}`}
            </span>
          </p>
        ) : (
          <p className="text-ink2">{b.why}</p>
        )}
        <ProblemNote problem={problem} />
      </div>
      <div className="grid gap-2 no-print justify-items-start">
        {sample && may('sign-block') && (
          <Button
            now
            disabled={busy}
            onClick={async () => {
              if ((await send({ siteId, block: b.name })) !== null) router.refresh()
            }}
          >
            {busy ? 'Signing' : `Sign for the other ${sample.rest}`}
          </Button>
        )}
        {!sample && b.next.length > 0 && may('set-finding') && (
          <Button
            onClick={() => {
              beginRound(b.next.map((t) => t.id))
              go(`/trees/${b.next[0]!.id}/examine`)
            }}
          >
            Examine {b.next.length} of them in turn →
          </Button>
        )}
        {b.toPrescribe > 0 && may('hand-to-crew') && (
          <ButtonLink href={`/grounds/${siteId}/prescribe?block=${encodeURIComponent(b.name)}`}>
            Prescribe for {b.toPrescribe} →
          </ButtonLink>
        )}
      </div>
    </li>
  )
}
