import { METHOD_NAME } from '@/core/methods/names'
import { Lots } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { linesOf, sayLine } from '@/core/card/line'
import { sayLimits, sayTerms } from '@/core/card/say'
import type { Said } from '@/core/card/said'
import type { CardUse } from '@/core/card/card'
import type { CardView } from '@/server/read/shelf'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { May } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

/** A card as a label is read: what it is, what is in it, then each use with its numbers, its limits and its care. */
export function CardPage({ view, version }: { view: CardView; version: number | null }) {
  const newest = view.versions[0]!
  const shown = view.versions.find((v) => v.version === version) ?? newest
  const { card } = shown
  return (
    <>
      <div className="flex flex-wrap justify-between gap-3 items-start">
        <div>
          <h1>{card.name}</h1>
          <p className="text-ink2 mt-1">
            {card.kind === 'house' ? 'house card' : `registration ${card.registration}`} · {card.formulation}{' '}
            · version {shown.version}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <PrintButton />
          <a
            className="btn btn-quiet no-print"
            href={`/api/cards/${card.code}?version=${shown.version}`}
            download
          >
            Save as a file
          </a>
          {shown === newest && (
            <May step="enter-card">
              <ButtonLink href={`/shelf/new?from=${card.code}`}>Enter the next version</ButtonLink>
            </May>
          )}
        </div>
      </div>
      {card.example && (
        <Note className="mt-3 max-w-5xl">
          This is an example, not a label. Nothing may be bought or put on by it.
        </Note>
      )}
      {shown !== newest && (
        <Note says="stop" className="mt-3 max-w-5xl">
          Version {shown.version} was replaced by version {newest.version}. It stands because earlier work
          rests on it. <Link href={`/shelf/${card.code}`}>Open the newest</Link>
        </Note>
      )}
      <div className="grid lg:grid-cols-[minmax(0,1fr)_280px] gap-6 mt-4">
        <div className="grid gap-5 content-start max-w-5xl">
          {card.uses.map((use, n) => (
            <Use key={n} use={use} line={sayLine(linesOf(card.uses, n))} />
          ))}
        </div>
        <aside className="grid gap-5 content-start">
          <section aria-labelledby="in-it">
            <h2 id="in-it">What is in it</h2>
            {card.actives.length === 0 && <p className="mt-1">No active ingredient.</p>}
            <Lines
              lines={[
                ...card.actives.map((a): Said => [a.name, `${a.strength}, group ${a.group}`]),
                ...(card.signalWord === 'none' ? [] : [['Signal word', card.signalWord] as const]),
                ...(card.storage ? [['Keep it', card.storage] as const] : []),
              ]}
            />
          </section>
          {card.kind === 'label' && <Lots view={view} code={card.code} />}
          <section aria-labelledby="versions">
            <h2 id="versions">Versions</h2>
            <ul className="border-t border-line2 mt-1">
              {view.versions.map((v) => (
                <li key={v.version} className="border-b border-line2 py-1.5">
                  {v === shown ? (
                    <b>version {v.version}, shown here</b>
                  ) : (
                    <Link href={`/shelf/${card.code}?version=${v.version}`}>version {v.version}</Link>
                  )}
                  <span className="block text-ink2 text-small">
                    {v.at ? `entered ${shortDate(v.at, view.timeZone)}` : 'entered before dates were kept'}
                    {v.by ? ` by ${v.by}` : ''}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        </aside>
      </div>
    </>
  )
}

/** One use: on what, for what, how much, and with what care. */
function Use({ use, line }: { use: CardUse; line: string }) {
  const trees = (use.hosts === 'any' ? 'every ornamental kind' : use.hosts.map(hostName).join(', ')).concat(
    use.notOn?.length ? `; not ${use.notOn.map(hostName).join(', ')}` : '',
  )
  const name = [METHOD_NAME[use.method], line].filter(Boolean).join(', ')
  return (
    <section aria-label={name} className="border border-line bg-sheet p-4">
      <h2>{name}</h2>
      <p className="mt-1">
        <span className="text-ink2">On</span> {trees}. <span className="text-ink2">For</span>{' '}
        {use.targets.map(causeName).join(', ')}.
      </p>
      <p className="mt-1">
        {use.forbiddenOnFood ? (
          <b>Not on trees that bear food.</b>
        ) : (use.foodCrops ?? []).length > 0 ? (
          <>
            <span className="text-ink2">On food:</span>{' '}
            {use
              .foodCrops!.map(
                (c) =>
                  `${hostName(c.host)} ${c.harvestDays === 0 ? 'up to the harvest' : `${c.harvestDays} days before`}`,
              )
              .join(', ')}
            .
          </>
        ) : (
          'It names no food crop.'
        )}
      </p>
      <div className="grid md:grid-cols-2 gap-x-6 mt-3">
        <Lines lines={sayTerms(use)} />
        <Lines lines={sayLimits(use)} />
      </div>
    </section>
  )
}

function Lines({ lines }: { lines: readonly Said[] }) {
  return (
    <dl className="border-t border-line2 mt-1 self-start">
      {lines.map(([about, words]) => (
        <div key={about} className="grid grid-cols-[112px_minmax(0,1fr)] gap-3 border-b border-line2 py-1.5">
          <dt className="text-ink2">{about}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  )
}
