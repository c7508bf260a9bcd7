import { Link } from '@/ui/pieces/Link'
import { OFTEN_WORD } from '@/almanac/oftenWord'
import { notFound } from 'next/navigation'
import { host as hostOf } from '@/almanac/hosts'
import type { FirmAlmanac } from '@/almanac/own'
import { causesOf, commonOn } from '@/core/diagnose/weigh'
import type { AlmanacView } from '@/server/read/almanac'
import { FindingFigure } from '@/ui/figures/FindingFigure'
import { Note } from '@/ui/pieces/Note'

/** A finding: what to look for, and what makes it. */
export function FindingEntry({ id, view, almanac }: { id: string; view: AlmanacView; almanac: FirmAlmanac }) {
  const finding = almanac.findings.get(id)
  if (!finding) notFound()
  const makers = almanac.causes
    .filter((c) => c.findings[id])
    .sort((a, b) => RANK[a.findings[id]!] - RANK[b.findings[id]!])
  const own = view.own.find((o) => o.entry.kind === 'finding' && o.entry.id === id)
  return (
    <>
      <h1 className="mt-1">
        {finding.name} {own && <span className="tag tag-rust">own, by {own.by}</span>}
      </h1>
      <p className="text-ink2">
        {finding.place} · by: {finding.how} · about {finding.minutes} min
      </p>
      <div className="flex flex-wrap gap-5 mt-3 items-start">
        <p className="text-lead max-w-xl">{finding.question}</p>
        <FindingFigure finding={id} size={160} />
      </div>
      <h2 className="mt-5 border-b border-ink2 pb-1 max-w-3xl">What shows it</h2>
      <ul className="max-w-3xl">
        {makers.map((c) => (
          <li key={c.id} className="flex justify-between gap-4 py-1.5 border-b border-line2">
            <Link href={`/almanac/cause/${c.id}`} className="font-bold hover:underline">
              {c.name}
            </Link>
            <span className={c.findings[id] === 'never' ? 'text-plum' : ''}>
              {c.findings[id] === 'never' ? 'never: speaks against it' : OFTEN_WORD[c.findings[id]!]}
            </span>
          </li>
        ))}
        {makers.length === 0 && <li className="py-2 text-ink2">No cause speaks of it.</li>}
      </ul>
    </>
  )
}

const RANK = { always: 0, usual: 1, sometimes: 2, seldom: 3, never: 4 }

/** A kind of tree: what it is, and what it can have. */
export function HostEntry({ id, view, almanac }: { id: string; view: AlmanacView; almanac: FirmAlmanac }) {
  const own = view.own.find((o) => o.entry.kind === 'host' && o.entry.id === id)
  const host = hostOf(id) ?? (own?.entry.kind === 'host' ? { ...own.entry, wood: null, note: null } : null)
  if (!host) notFound()
  const causes = causesOf(id, almanac.causes)
  const special = causes.filter((c) => c.hosts !== '*').sort((a, b) => commonOn(b, id) - commonOn(a, id))
  return (
    <>
      <h1 className="mt-1">
        {host.name} {own && <span className="tag tag-rust">own, by {own.by}</span>}
      </h1>
      <p className="text-ink2">
        <i>{host.botanical}</i>
        {host.wood && ` · ${host.wood} wood`}
        {host.edible && ' · bears food'}
      </p>
      {host.note && <p className="mt-3">{host.note}.</p>}
      {'confusedWith' in host && host.confusedWith && (
        <Note className="mt-3 max-w-2xl">{host.confusedWith.question}</Note>
      )}
      <h2 className="mt-5 border-b border-ink2 pb-1 max-w-3xl">What it can have, commonest first</h2>
      <ul className="max-w-3xl">
        {special.map((c) => (
          <li key={c.id} className="py-1.5 border-b border-line2">
            <Link href={`/almanac/cause/${c.id}`} className="font-bold hover:underline">
              {c.name}
            </Link>{' '}
            <span className="text-ink2">{c.oneLine}</span>
          </li>
        ))}
        <li className="py-1.5 text-ink2">
          And what any tree can have:{' '}
          {causes
            .filter((c) => c.hosts === '*')
            .map((c, i) => (
              <span key={c.id}>
                {i > 0 && ', '}
                <Link href={`/almanac/cause/${c.id}`} className="underline">
                  {c.name.toLowerCase()}
                </Link>
              </span>
            ))}
          .
        </li>
      </ul>
    </>
  )
}
