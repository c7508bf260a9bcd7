import { Link } from '@/ui/pieces/Link'
import { CLASS_WORD } from '@/almanac/classWord'
import { testsFor } from '@/almanac/laboratory'
import type { Finding } from '@/core/diagnose/almanac'
import type { ChainLink, Judgement } from '@/core/diagnose/judge'
import type { WeighView } from '@/server/read/tree'
import { Note } from '@/ui/pieces/Note'

const CHAIN_WORD: Record<ChainLink['role'], string> = {
  feeds: 'feeds',
  tended: 'lives on',
  stress: 'opens the door for',
}

/** What follows from the weights: what to wait for, what to report, what cannot work, what belongs together. */
export function Follows({
  view,
  judgement,
  findings,
  cause,
}: {
  view: WeighView
  judgement: Judgement
  findings: ReadonlyMap<string, Finding>
  cause: string
}) {
  const named = (id: string) => view.names[id] ?? id
  const chosen = view.causes.find((c) => c.id === cause)
  // What feeds a film and what the film lives on are one link, said once.
  const chains = judgement.chains.filter((c) => c.role !== 'tended')
  return (
    <div className="grid gap-4 mt-4 items-start lg:grid-cols-2">
      {judgement.hold && (
        <Note says="stop">
          <b>Do not act yet.</b> {judgement.hold.reason}{' '}
          {testsFor(cause, view.own).length > 0 && (
            <Link
              href={`/trees/${view.tree.id}/sample?cause=${cause}`}
              className="underline whitespace-nowrap"
            >
              Sample sheet
            </Link>
          )}
        </Note>
      )}
      {judgement.flags.map((f) => (
        <Note key={f.cause} says="stop">
          <b>Report it.</b> {f.reason}
        </Note>
      ))}
      {judgement.refused.length > 0 && (
        <Note says="stop">
          <b>Not for this: {judgement.refused.map((r) => CLASS_WORD[r.class]).join(', ')}.</b>{' '}
          {[...new Set(judgement.refused.map((r) => r.reason))].slice(0, 3).join(' ')}
        </Note>
      )}
      {chains.length > 0 && (
        <Note as="div" says="water">
          <b>Goes together.</b>
          <ul>
            {chains.slice(0, 4).map((c) => (
              <li key={`${c.cause} ${c.to}`}>
                {named(c.cause)} {CHAIN_WORD[c.role]} {named(c.to).toLowerCase()}
                {signs(c, findings)}.
              </li>
            ))}
          </ul>
        </Note>
      )}
      {chosen && (
        <div className="border border-line bg-sheet p-3 text-small">
          <Link href={`/almanac/cause/${chosen.id}`} className="font-bold underline">
            {chosen.name}
          </Link>
          . {chosen.oneLine} {chosen.act} <span className="text-plum">{chosen.doNot}</span>
          {chosen.oil && view.kind?.oil && <b className="text-plum"> {view.kind.oil}</b>}
          {chosen.lookAlikes.length > 0 && (
            <ul className="mt-1.5 text-ink2">
              {chosen.lookAlikes.map((l) => (
                <li key={l.cause}>
                  From{' '}
                  <Link href={`/almanac/cause/${l.cause}`} className="underline">
                    {named(l.cause).toLowerCase()}
                  </Link>
                  : {l.check}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </div>
  )
}

/** The signs a link rests on, where there are any. */
function signs(link: ChainLink, findings: ReadonlyMap<string, Finding>): string {
  const names = link.because.flatMap((id) => findings.get(id)?.name.toLowerCase() ?? [])
  return names.length > 0 ? `: ${names.join(', ')}` : ''
}
