'use client'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import { decisionAsks } from '@/asks/decide'
import { ok } from '@/core/problem'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import type { Action } from '@/core/decide/propose'
import type { DecideView } from '@/server/read/tree'
import { FOOD_RULE } from '@/core/limits/food'
import { useGo } from '@/ui/shell/useGo'
import { shortDate } from '@/ui/when'
import { showWeight } from '@/core/diagnose/showWeight'
import { BESIDE } from '@/core/diagnose/weigh'
import { TreeHeading } from '../TreeHeading'
import { SafetyScreen } from './SafetyScreen'
import { AskedFollow } from './AskedFollow'
import { followed, type FollowUp } from './FollowFields'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Matters } from '@/ui/methods/Matters'
import { useMay } from '@/ui/shell/may'
import { useStep } from '@/ui/form/useStep'

const ACTIONS: { action: Action; title: string; means: string }[] = [
  { action: 'treat', title: 'Treat', means: 'A product by its label, with checks afterwards.' },
  {
    action: 'care',
    title: 'Care only',
    means: 'Water, roots, soil, feed, hand work. No spray, no systemic.',
  },
  { action: 'watch', title: 'Watch', means: 'Look again on a date.' },
  { action: 'sample', title: 'Send a sample', means: 'The laboratory settles it first.' },
  {
    action: 'refer',
    title: 'Refer',
    means: 'A risk assessor, an authority, a utility: nothing is drilled or climbed until the answer.',
  },
  { action: 'remove', title: 'Remove', means: 'Plan the removal and what happens to the wood.' },
  { action: 'healthy', title: 'Healthy', means: 'Nothing is needed. Look again on a date.' },
]

/** Treat, care, watch, sample or remove: the product proposes with its reasons, the arborist decides and signs. */
export function Decide({ view }: { view: DecideView }) {
  const may = useMay()
  const go = useGo()
  const { tree, diagnosis, proposal, decision } = view
  const by = useStep('sign-decision', 'id')
  // What came back from the crew is decided anew, not signed again by habit.
  const [picked, setAction] = useState<Action | null>(null)
  const action = picked ?? (tree.returned ? null : (decision?.action ?? proposal?.action ?? null))
  const [follow, setFollow] = useState<FollowUp>({})

  if (!diagnosis || !proposal)
    return (
      <>
        <TreeHeading
          view={view}
          title={`${tree.tag}, what to do?`}
          below="Nothing has been signed as the cause yet."
          here="decide"
          step="decide"
        />
        <ButtonLink href={`/trees/${tree.id}/weigh`} now className="mt-5">
          Weigh the findings →
        </ButtonLink>
      </>
    )

  const other = action !== proposal.action && (action === null || !proposal.also?.includes(action))
  const healthy = proposal.action === 'healthy'
  /** Something is done for the tree: then it can be said what comes of it. */
  const works = action === 'treat' || action === 'care' || (action === 'remove' && view.carries)

  return (
    <>
      <TreeHeading
        view={view}
        title={`${tree.tag}, what to do?`}
        below={`${diagnosis.name}, weighed ${showWeight(diagnosis.probability)} · live crown ${tree.liveCrownPercent === null ? 'not taken' : `${tree.liveCrownPercent} %`} · signed by ${diagnosis.signedBy}, ${shortDate(diagnosis.signedAt, view.timeZone)}`}
        here="decide"
        step="decide"
      />
      {!BESIDE.includes(diagnosis.cause) && (
        <p className="mt-2">
          <Link href={`/almanac/cause/${diagnosis.cause}`} className="underline">
            What the almanac says of it
          </Link>
        </p>
      )}
      {works && <Matters matters={view.matters} />}
      {tree.returned && (
        <Note says="stop" className="mt-3 max-w-3xl">
          Back from the crew. {tree.returned}
        </Note>
      )}
      {decision && (
        <Note says="good" className="mt-3">
          Decided by {decision.signedBy} on {shortDate(decision.signedAt, view.timeZone)}:{' '}
          <b>{ACTIONS.find((a) => a.action === decision.action)!.title}</b>.
          {decision.words && ` ${decision.words}`}
        </Note>
      )}
      <div className="grid gap-8 mt-5 lg:grid-cols-[minmax(0,1fr)_minmax(300px,380px)]">
        <AskedForm
          asks={decisionAsks}
          start={{ words: '' }}
          fixed={{ treeId: tree.id, diagnosisId: diagnosis.id, action, over: decision?.id ?? null }}
          sends={(typed) =>
            ok({
              ...typed,
              ...(action !== null && followed(action, follow, view.today, view.carries)),
            })
          }
          by={by}
          onDone={() => go(`/trees/${tree.id}${works ? '/prescribe' : ''}`)}
          keep={may('sign-decision') ? (works ? 'Sign and prescribe →' : 'Sign the decision') : null}
          keeping="Signing"
          ready={action !== null}
          className="max-w-2xl grid gap-3"
        >
          <fieldset>
            <legend className="label">The arborist decides</legend>
            <ul className="border-t border-line">
              {ACTIONS.filter((a) => (a.action === 'healthy') === healthy || a.action === 'watch').map(
                (a) => (
                  <li key={a.action} className="border-b border-line">
                    <label
                      className={`grid grid-cols-[auto_minmax(0,1fr)_auto] gap-3 items-center py-2.5 px-2 cursor-pointer ${action === a.action ? 'bg-sheet' : ''}`}
                    >
                      <input
                        type="radio"
                        name="action"
                        className="size-5 accent-[var(--color-rust)]"
                        checked={action === a.action}
                        onChange={() => setAction(a.action)}
                        disabled={!may('sign-decision')}
                      />
                      <span>
                        <span className="font-head font-bold text-lead">{a.title}</span>
                        <span className="block text-ink2 text-small">{a.means}</span>
                      </span>
                      {proposal.action === a.action && <span className="tag tag-rust">proposed</span>}
                    </label>
                  </li>
                ),
              )}
            </ul>
          </fieldset>
          {action !== null && action !== 'treat' && (
            <AskedFollow
              action={action}
              today={view.today}
              value={follow}
              onValue={setFollow}
              treeId={tree.id}
              cause={diagnosis.cause}
              carries={view.carries}
            />
          )}
          <Asked at="words" label={other ? 'Otherwise than proposed: write why' : undefined} />
          {!may('sign-decision') && <p className="text-ink2">The arborist decides and signs.</p>}
        </AskedForm>
        <aside>
          <section className="bg-paper border border-line p-4">
            <h2>Why {ACTIONS.find((a) => a.action === proposal.action)!.title.toLowerCase()} is proposed</h2>
            <ul className="mt-2">
              {proposal.reasons.map((r, i) => (
                <li
                  key={i}
                  className={`py-1.5 pl-3 border-l-4 mb-1.5 ${r.against ? 'border-plum' : 'border-moss'}`}
                >
                  <span className="sr-only">{r.against ? 'against treating: ' : 'for: '}</span>
                  {r.text}
                </li>
              ))}
            </ul>
            {tree.liveCrownPercent === null && (
              <ButtonLink href={`/trees/${tree.id}`} className="mt-2">
                Take the live crown
              </ButtonLink>
            )}
          </section>
          <SafetyScreen key={view.screen?.at.getTime() ?? 0} view={view} />
          {view.cause && (
            <section className="mt-4 text-small">
              {works && (
                <>
                  <h2>What to expect</h2>
                  <p className="mt-1">{view.cause.expect}</p>
                </>
              )}
              <h2 className={works ? 'mt-3' : ''}>What not to do</h2>
              <p className="mt-1 text-plum">{view.cause.doNot}</p>
              {works && (
                <>
                  {view.cause.oil && view.kind?.oil && (
                    <p className="mt-2 text-plum font-bold">{view.kind.oil}</p>
                  )}
                  {view.kind?.noNeonicotinoid && (
                    <p className="mt-2 text-plum">{view.kind.noNeonicotinoid}</p>
                  )}
                  {view.kind?.edible && <p className="mt-2 text-plum">{FOOD_RULE}</p>}
                </>
              )}
              <p className="mt-2 text-ink2">The label, local law and the licence come first.</p>
            </section>
          )}
        </aside>
      </div>
    </>
  )
}
