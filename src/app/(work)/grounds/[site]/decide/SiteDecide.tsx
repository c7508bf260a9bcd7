'use client'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import { ACTIONS, type Action } from '@/core/decide/propose'
import { checkMoney } from '@/core/decide/siteMoney'
import { sayMinutes } from '@/core/methods/say'
import { showWeight } from '@/core/diagnose/showWeight'
import { showGirth } from '@/core/quantity/format'
import type { DecideSiteView } from '@/server/read/decideSite'
import { Field } from '@/ui/fields/Field'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { followed } from '@/app/(work)/trees/[id]/decide/FollowFields'
import { MoneyFields, readMoney, typedMoney } from './MoneyFields'
import { useSiteMoney } from './useSiteMoney'
import { money, WorthBars } from './WorthBars'

const SAID: Record<Action, string> = {
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

/** A bound as it is typed: empty is none. */
const bound = (text: string) => (text.trim() === '' ? null : Number(text))

/** The trees of a site that wait for a decision, in one table: what is proposed, what it comes to, which go first; exceptions by hand. */
export function SiteDecide({ view }: { view: DecideSiteView }) {
  const { site, units } = view
  const may = useMay()
  const go = useGo()
  const verb = useVerb('decide-many', { makes: 'id' })
  const [own, setOwn] = useState<Readonly<Record<string, Action | 'later'>>>({})
  const [words, setWords] = useState('')
  const [typed, setTyped] = useState(() => typedMoney(view.money))
  const [budget, setBudget] = useState({ money: '', hours: '' })
  const [open, setOpen] = useState<string | null>(null)
  const figures = useMemo(() => readMoney(typed), [typed])
  const wrong = checkMoney(figures)
  const room = { money: bound(budget.money), hours: bound(budget.hours) }
  const badRoom = (n: number | null) => (n !== null && !(n >= 0) ? 'Type a number, or nothing.' : null)
  const sure = wrong === null && badRoom(room.money) === null && badRoom(room.hours) === null
  const asked = useSiteMoney(view.trees, sure ? figures : view.money, {
    money: sure && room.money !== null ? Math.floor(room.money) : null,
    minutes: sure && room.hours !== null ? Math.floor(room.hours * 60) : null,
  })
  const { reckoned } = asked
  const rank = new Map(reckoned?.first.chosen.map((id, i) => [id, i + 1]) ?? [])
  const chosen = (t: DecideSiteView['trees'][number]) => own[t.id] ?? t.proposed
  const decided = view.trees.filter((t) => chosen(t) !== 'later')
  const exceptions = decided.filter((t) => chosen(t) !== t.proposed)
  const bounds = [...(reckoned?.trees.values() ?? [])].flatMap((w) =>
    (['treat', 'remove', 'nothing'] as const).flatMap((way) => [
      w[way],
      ...(w.spread ? [w.spread[way].low, w.spread[way].high] : []),
    ]),
  )
  const [from, to] = [Math.min(0, ...bounds), Math.max(0, ...bounds)]
  const counts = ACTIONS.flatMap((action) => {
    const n = decided.filter((t) => chosen(t) === action).length
    return n > 0 ? [{ action, n }] : []
  })

  async function sign() {
    const done = await verb.send({
      siteId: site.id,
      decisions: decided.map((t) => ({
        id: newId(),
        treeId: t.id,
        diagnosisId: t.diagnosisId,
        action: chosen(t) as Action,
        words: chosen(t) === t.proposed ? null : words,
      })),
      follows: Object.fromEntries(
        counts.flatMap(({ action }) =>
          action === 'treat' ? [] : [[action, followed(action, {}, view.today)]],
        ),
      ),
    })
    if (done)
      go(
        counts.some((c) => c.action === 'treat' || c.action === 'care')
          ? `/grounds/${site.id}/prescribe`
          : `/turn?site=${site.id}`,
      )
  }

  return (
    <>
      <SiteHeading
        site={site}
        title={`Decide, ${view.trees.length} ${view.trees.length === 1 ? 'tree' : 'trees'}`}
        below={
          counts.length > 0
            ? counts.map(({ action, n }) => `${n} to ${SAID[action]}`).join(' · ')
            : 'Nothing waits for a decision here.'
        }
      />
      {view.blocks.length > 0 && (
        <p className="no-print mt-2 flex flex-wrap gap-x-4">
          <span className="label">Block</span>
          {[null, ...view.blocks.map((b) => b.name)].map((name) =>
            name === view.block ? (
              <b key={name}>{name ?? 'all'}</b>
            ) : (
              <Link
                key={name}
                href={name === null ? '?' : `?${new URLSearchParams({ block: name })}`}
                className="underline underline-offset-2"
              >
                {name ?? 'all'}
              </Link>
            ),
          )}
        </p>
      )}
      {view.trees.length === 0 ? (
        <p className="mt-4 max-w-2xl">
          Trees come here once a cause is signed. Examine and weigh them, or sign a block by its sample.
        </p>
      ) : (
        <div className="grid gap-x-7 gap-y-5 mt-4 lg:grid-cols-[minmax(0,1fr)_270px]">
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
                    Treat, remove, leave it: {money(from)} to {money(to)} in {figures.years} years
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
                          {t.diameter === null
                            ? ', not measured'
                            : `, ${showGirth(t.diameter, units)} through`}
                        </span>
                      </td>
                      <td className="py-1.5 pr-2">
                        {t.causeName}
                        <span className="block text-small text-ink2 whitespace-nowrap">
                          {showWeight(t.probability)}
                          {t.liveCrown !== null && `, ${t.liveCrown} % live`}
                        </span>
                        {t.returned && (
                          <span className="block text-small text-plum font-bold">{t.returned}</span>
                        )}
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
                                ? `not in ${figures.years} years`
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
                            setOwn(to === t.proposed ? rest : { ...rest, [t.id]: to })
                          }}
                        >
                          {ACTIONS.filter(
                            (a) =>
                              (a === 'healthy') === (t.proposed === 'healthy') ||
                              a === 'watch' ||
                              a === t.proposed,
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
              In each row from the top: treating, removing and replacing, leaving it alone; the filled dot is
              the best by its middle figure, a bar holds eight in ten of the drawn lives. A row’s drawing
              opens its working.
            </p>
          </div>
          <div className="grid gap-4 content-start">
            <section aria-label="Which first" className="no-print bg-paper border border-line p-3">
              <h2>Which first</h2>
              <div className="grid grid-cols-2 gap-2 mt-1.5">
                <Field
                  label="Money this year, $"
                  inputMode="decimal"
                  value={budget.money}
                  onChange={(e) => setBudget({ ...budget, money: e.target.value })}
                  problem={badRoom(room.money)}
                />
                <Field
                  label="Hours there are"
                  inputMode="decimal"
                  value={budget.hours}
                  onChange={(e) => setBudget({ ...budget, hours: e.target.value })}
                  problem={badRoom(room.hours)}
                />
              </div>
              {reckoned && (
                <p className="mt-2" aria-live="polite">
                  <b>
                    {reckoned.first.chosen.length} {reckoned.first.chosen.length === 1 ? 'tree' : 'trees'}
                  </b>{' '}
                  gain by treating{(room.money ?? room.hours) !== null && ' and fit'}:{' '}
                  {money(reckoned.first.visit)} and {sayMinutes(reckoned.first.minutes)} now,{' '}
                  {money(reckoned.first.gain)} ahead over {figures.years} years.
                </p>
              )}
              {reckoned && (
                <Button
                  className="mt-2 w-full"
                  onClick={() =>
                    setOwn(
                      Object.fromEntries(
                        view.trees.flatMap((t) =>
                          t.proposed === 'treat' && !rank.has(t.id) ? [[t.id, 'later' as const]] : [],
                        ),
                      ),
                    )
                  }
                >
                  Decide these, the rest not now
                </Button>
              )}
              {asked.drawing === null ? (
                <Button quiet className="mt-2" onClick={asked.draw} disabled={!sure}>
                  Draw a thousand lives of each
                </Button>
              ) : (
                <div className="flex items-center gap-2 mt-2">
                  <progress
                    className="flex-1 accent-rust min-w-0"
                    value={asked.drawing}
                    max={view.trees.length}
                    aria-label="Trees drawn"
                  />
                  <Button onClick={asked.stop}>Stop</Button>
                </div>
              )}
              <ProblemNote problem={asked.problem} />
            </section>
            <MoneyFields
              view={view}
              typed={typed}
              onTyped={setTyped}
              problem={wrong && !wrong.ok ? wrong.problem : null}
            />
            {may('decide-many') ? (
              <section aria-label="Sign" className="no-print">
                {exceptions.length > 0 && (
                  <Field
                    label={`Why ${exceptions.length === 1 ? `${exceptions[0]!.tag} is` : `${exceptions.length} trees are`} decided otherwise than proposed`}
                    value={words}
                    onChange={(e) => setWords(e.target.value)}
                  />
                )}
                <ProblemNote problem={verb.problem} />
                <Button
                  now
                  className="w-full mt-2"
                  disabled={verb.busy || decided.length === 0}
                  onClick={() => void sign()}
                >
                  {verb.busy
                    ? 'Signing'
                    : `Sign ${decided.length} ${decided.length === 1 ? 'decision' : 'decisions'} →`}
                </Button>
                {counts.some((c) => c.action !== 'treat') && (
                  <Note className="mt-2">
                    What is not treated is looked at again on the usual day. For another day, a laboratory or
                    an assessor, decide that tree on its own page.
                  </Note>
                )}
              </section>
            ) : (
              <p>The arborist decides and signs.</p>
            )}
          </div>
        </div>
      )}
    </>
  )
}
