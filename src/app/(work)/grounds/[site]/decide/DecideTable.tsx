'use client'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import { ACTIONS, type Action } from '@/core/decide/propose'
import { showWeight } from '@/core/diagnose/showWeight'
import { sayMinutes } from '@/core/methods/sayTime'
import { showGirth } from '@/core/quantity/format'
import type { DecideSiteView } from '@/server/read/decideSite'
import type { Reckoned } from './useSiteMoney'
import { money, WorthBars } from './WorthBars'

/** What was chosen for a tree otherwise than proposed, by its id; `later`: it is not decided now. */
export type ByHand = Readonly<Record<string, Action | 'later'>>

/** Each decision in a word of a list. */
export const SAID: Record<Action, string> = {
  treat: 'treat',
  care: 'care only',
  watch: 'watch',
  sample: 'send a sample',
  refer: 'refer',
  remove: 'remove',
  healthy: 'healthy',
}

const GRADE = {
  good: ['good', 'tag-moss'],
  doubtful: ['doubtful', 'tag-straw'],
  none: ['no use', 'tag-plum'],
  'not taken': ['crown not taken', 'tag-straw'],
} as const

/** Every tree with what is proposed, whether treating still helps, and what each way comes to; an exception is chosen by hand. */
export function DecideTable({
  view,
  own,
  onOwn,
  reckoned,
  years,
}: {
  view: DecideSiteView
  own: ByHand
  onOwn: (own: ByHand) => void
  /** Null while it is being reckoned. */
  reckoned: Reckoned | null
  years: number
}) {
  const { units } = view
  const [open, setOpen] = useState<string | null>(null)
  const rank = new Map(reckoned?.first.chosen.map((id, i) => [id, i + 1]) ?? [])
  const chosen = (t: DecideSiteView['trees'][number]) => own[t.id] ?? t.proposed
  const bounds = [...(reckoned?.trees.values() ?? [])].flatMap((w) =>
    (['treat', 'remove', 'nothing'] as const).flatMap((way) => [
      w[way],
      ...(w.spread ? [w.spread[way].low, w.spread[way].high] : []),
    ]),
  )
  const [from, to] = [Math.min(0, ...bounds), Math.max(0, ...bounds)]
  return (
    <div className="overflow-x-auto min-w-0">
      <table className="w-full border-collapse">
        <caption className="sr-only">Trees that wait for a decision</caption>
        <thead>
          <tr className="text-small text-ink2 text-left border-b border-ink">
            <th className="font-normal py-1.5 pr-2">First</th>
            <th className="font-normal">Tree</th>
            <th className="font-normal">Signed</th>
            <th className="font-normal">Treating</th>
            <th className="font-normal">
              Treat, remove, leave it: {money(from)} to {money(to)} in {years} years
            </th>
            <th className="font-normal text-right pr-2">Ahead by</th>
            <th className="font-normal">Decision</th>
          </tr>
        </thead>
        <tbody>
          {view.trees.map((t) => {
            const worth = reckoned?.trees.get(t.id)
            const [word, tag] = GRADE[t.grade]
            const exception = t.id in own
            return (
              <tr key={t.id} className="border-b border-line2 align-top">
                <td className="py-1.5 pr-2 font-head font-bold text-lead">{rank.get(t.id) ?? '–'}</td>
                <td className="py-1.5 pr-2">
                  <Link
                    href={`/trees/${t.id}/decide`}
                    className="font-bold underline-offset-2 hover:underline"
                  >
                    {t.tag}
                  </Link>
                  <span className="block text-small text-ink2 whitespace-nowrap">
                    {t.kind}
                    {t.diameter === null ? ', not measured' : `, ${showGirth(t.diameter, units)} through`}
                  </span>
                </td>
                <td className="py-1.5 pr-2">
                  {t.causeName}
                  <span className="block text-small text-ink2 whitespace-nowrap">
                    {showWeight(t.probability)}
                    {t.liveCrown !== null && `, ${t.liveCrown} % live`}
                  </span>
                  {t.returned && <span className="block text-small text-plum font-bold">{t.returned}</span>}
                </td>
                <td className="py-1.5 pr-2">
                  <span className={`tag ${tag}`}>{word}</span>
                </td>
                <td className="py-1">
                  {worth ? (
                    <button
                      type="button"
                      aria-expanded={open === t.id}
                      aria-label={`Working of ${t.tag}`}
                      onClick={() => setOpen(open === t.id ? null : t.id)}
                    >
                      <WorthBars worth={worth} from={from} to={to} />
                    </button>
                  ) : (
                    <span className="text-ink2 text-small">
                      {t.diameter === null ? 'measure it first' : 'reckoning'}
                    </span>
                  )}
                  {worth && open === t.id && (
                    <dl className="text-small grid grid-cols-[auto_1fr] gap-x-2 pb-2">
                      <dt>Treat</dt>
                      <dd className="text-right">{money(worth.treat)}</dd>
                      <dt>Remove now</dt>
                      <dd className="text-right">{money(worth.remove)}</dd>
                      <dt>Leave it</dt>
                      <dd className="text-right">{money(worth.nothing)}</dd>
                      <dt>First visit</dt>
                      <dd className="text-right">
                        {money(worth.visit)}, {sayMinutes(worth.minutes)}
                      </dd>
                      <dt>Break-even</dt>
                      <dd className="text-right">
                        {worth.breakEvenYear === null
                          ? `not in ${years} years`
                          : `year ${worth.breakEvenYear}`}
                      </dd>
                      {worth.spread && (
                        <>
                          <dt>Beats removing</dt>
                          <dd className="text-right">
                            {Math.round(worth.spread.beats.remove * 100)} of 100 lives
                          </dd>
                          <dt>Beats leaving it</dt>
                          <dd className="text-right">
                            {Math.round(worth.spread.beats.nothing * 100)} of 100 lives
                          </dd>
                        </>
                      )}
                    </dl>
                  )}
                </td>
                <td className="py-1.5 pr-2 text-right font-head font-bold text-lead whitespace-nowrap">
                  {worth ? money(worth.gain) : '–'}
                </td>
                <td className="py-1">
                  <select
                    aria-label={`Decision for ${t.tag}`}
                    className={`bg-transparent border-0 border-b border-line min-h-[34px] ${exception ? 'font-bold text-rust' : ''}`}
                    value={chosen(t)}
                    title={t.reasons.join(' ')}
                    onChange={(e) => {
                      const to = e.target.value as Action | 'later'
                      const rest = Object.fromEntries(Object.entries(own).filter(([id]) => id !== t.id))
                      onOwn(to === t.proposed ? rest : { ...rest, [t.id]: to })
                    }}
                  >
                    {ACTIONS.filter(
                      (a) =>
                        (a === 'healthy') === (t.proposed === 'healthy') || a === 'watch' || a === t.proposed,
                    )
                      .filter((a) => !(a === 'treat' && t.proposed === 'refer'))
                      .map((a) => (
                        <option key={a} value={a}>
                          {SAID[a]}
                          {a === t.proposed ? ' (proposed)' : ''}
                        </option>
                      ))}
                    <option value="later">not now</option>
                  </select>
                  {exception && <span className="block text-small text-rust">by hand</span>}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="text-small text-ink2 mt-2">
        In each row from the top: treating, removing and replacing, leaving it alone; the filled dot is the
        best by its middle figure, a bar holds eight in ten of the drawn lives. A row’s drawing opens its
        working.
      </p>
    </div>
  )
}
