'use client'
import { useMemo, useState } from 'react'
import { ACTIONS, type Action } from '@/core/decide/propose'
import { checkMoney } from '@/core/decide/siteMoney'
import { shown } from '@/core/quantity/pair'
import { sayMinutes } from '@/core/methods/sayTime'
import type { DecideSiteView } from '@/server/read/decideSite'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { OneOf } from '@/ui/pieces/OneOf'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { followed } from '@/app/(work)/trees/[id]/decide/FollowFields'
import { MoneyFields, readMoney, typedMoney } from './MoneyFields'
import { useSiteMoney } from './useSiteMoney'
import { DecideTable, SAID, type ByHand } from './DecideTable'
import { money } from './WorthBars'

/** A bound as it is typed: empty is none. */
const bound = (text: string) => (text.trim() === '' ? null : Number(text))

/** The trees of a site that wait for a decision, in one table: what is proposed, what it comes to, which go first; exceptions by hand. */
export function SiteDecide({ view }: { view: DecideSiteView }) {
  const { site } = view
  const may = useMay()
  const go = useGo()
  const verb = useVerb('decide-many', { makes: 'id' })
  // Made once: what is pressed again after a lost answer is the same.
  const [ids] = useState(() => new Map(view.trees.map((t) => [t.id, newId()])))
  const [own, setOwn] = useState<ByHand>({})
  const [words, setWords] = useState('')
  const [typed, setTyped] = useState(() => typedMoney(view.money))
  const [budget, setBudget] = useState({ money: '', hours: '' })
  const [limitedBy, setLimitedBy] = useState('')
  const limit = view.limited.find((w) => w.id === limitedBy) ?? null
  const figures = useMemo(() => readMoney(typed), [typed])
  const wrong = checkMoney(figures)
  const room = { money: bound(budget.money), hours: bound(budget.hours) }
  const badRoom = (n: number | null) => (n !== null && !(n >= 0) ? 'Type a number, or nothing.' : null)
  const sure = wrong === null && badRoom(room.money) === null && badRoom(room.hours) === null
  const asked = useSiteMoney(
    view.trees,
    sure ? figures : view.money,
    {
      money: sure && room.money !== null ? Math.floor(room.money) : null,
      minutes: sure && room.hours !== null ? Math.floor(room.hours * 60) : null,
      active: limit?.left ?? null,
    },
    limit?.each ?? {},
  )
  const { reckoned } = asked
  const rank = new Map(reckoned?.first.chosen.map((id, i) => [id, i + 1]) ?? [])
  const chosen = (t: DecideSiteView['trees'][number]) => own[t.id] ?? t.proposed
  const decided = view.trees.filter((t) => chosen(t) !== 'later')
  const exceptions = decided.filter((t) => chosen(t) !== t.proposed)
  const counts = ACTIONS.flatMap((action) => {
    const n = decided.filter((t) => chosen(t) === action).length
    return n > 0 ? [{ action, n }] : []
  })

  async function sign() {
    const done = await verb.send({
      siteId: site.id,
      decisions: decided.map((t) => ({
        id: ids.get(t.id)!,
        treeId: t.id,
        diagnosisId: t.diagnosisId,
        over: t.over,
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
        <OneOf
          label="Block"
          all={[null, ...view.blocks.map((b) => b.name)].map((name) => ({
            name: name ?? 'all',
            href: name === null ? '?' : `?${new URLSearchParams({ block: name })}`,
            holds: name === view.block,
          }))}
        />
      )}
      {view.trees.length === 0 ? (
        <p className="mt-4 max-w-2xl">
          Trees come here once a cause is signed. Examine and weigh them, or sign a block by its sample.
        </p>
      ) : (
        <div className="grid gap-x-7 gap-y-5 mt-4 lg:grid-cols-[minmax(0,1fr)_270px]">
          <DecideTable view={view} own={own} onOwn={setOwn} reckoned={reckoned} years={figures.years} />
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
              {view.limited.length > 0 && (
                <div className="mt-2">
                  <Choice
                    label="Within the yearly limit of"
                    options={[['', 'no limit counted'], ...view.limited.map((w) => [w.id, w.name] as const)]}
                    value={limitedBy}
                    onValue={setLimitedBy}
                  />
                  {limit && (
                    <p className="text-small text-ink2 mt-1">
                      {shown(limit.left, 'lb', view.units, 3)} of {limit.active} left on this ground this
                      year.
                    </p>
                  )}
                </div>
              )}
              {reckoned && (
                <p className="mt-2" aria-live="polite">
                  <b>
                    {reckoned.first.chosen.length} {reckoned.first.chosen.length === 1 ? 'tree' : 'trees'}
                  </b>{' '}
                  gain by treating{(room.money ?? room.hours ?? limit) !== null && ' and fit'}:{' '}
                  {money(reckoned.first.visit)} and {sayMinutes(reckoned.first.minutes)} now,{' '}
                  {money(reckoned.first.gain)} ahead over {figures.years} years
                  {limit && `, with ${shown(reckoned.first.active, 'lb', view.units, 3)} of ${limit.active}`}.
                  {reckoned.first.shortPercent > 0 &&
                    ` No choice gains more than ${reckoned.first.shortPercent} % more.`}
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
