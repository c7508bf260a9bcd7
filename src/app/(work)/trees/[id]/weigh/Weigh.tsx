'use client'
import { SignDiagnosis } from './SignDiagnosis'
import { afterPage } from '@/ui/pieces/afterPage'
import { useMemo, useRef, useState } from 'react'
import { findingsWithOwn } from '@/almanac/ownFindings'
import { FOLIAGE } from '@/almanac/hosts'
import { testOf } from '@/almanac/laboratory'
import { jurisdictionOfFirm, type OwnEntry } from '@/almanac/ownEntry'
import { versionWith } from '@/almanac/version'
import { reportingIn } from '@/almanac/reporting'
import { changedSince } from '@/core/diagnose/basis'
import { judgeHealthy } from '@/core/diagnose/healthy'
import { weighing as weigh, type Knowledge } from '@/core/diagnose/weighing'
import { knownBefore } from '@/core/diagnose/examination'
import { nothingToAsk } from '@/core/diagnose/nothingToAsk'
import { asGroup } from '@/core/diagnose/group'
import { askedOf, HEALTHY, SOMETHING_ELSE } from '@/core/diagnose/weigh'
import type { FindingState } from '@/core/diagnose/almanac'
import type { WeighView } from '@/server/read/tree'
import { Balance } from '@/ui/balance/Balance'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useViewKeys } from '@/ui/shell/keys'
import { shortDate } from '@/ui/when'
import { useFindings } from '@/ui/findings/useFindings'
import { showWeight } from '@/core/diagnose/showWeight'
import { TreeHeading } from '../TreeHeading'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { NotSigned } from '@/ui/pieces/NotSigned'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { SeenList } from '@/ui/findings/SeenList'
import { Explanations } from './Explanations'
import { Follows } from './Follows'
import { Question } from './Question'
import { ThenAndNow } from './ThenAndNow'

const WhyNot = afterPage(() => import('./WhyNot'), 'WhyNot')

// Asked for now and then; it comes after what everybody needs.

/** How many causes stand on the balance before the rest is asked for. */
const SHOWN = 5

/** What explains it: what is at work together, the balance, and above them the one look that could change the work. */
export function Weigh({ view }: { view: WeighView }) {
  const may = useMay()
  const { assessment, tree, signed } = view
  const before = useMemo(() => ({ seen: view.seen, details: {} }), [view.seen])
  const {
    seen,
    set,
    problem: keeping,
    saving,
    here,
  } = useFindings({ treeId: tree.id, assessmentId: assessment?.id ?? '', running: true }, before)
  const [chosen, setChosen] = useState<string | null>(null)
  const [all, setAll] = useState(false)

  const almanac = useMemo(
    (): Knowledge => ({
      causes: view.causes,
      district: view.district,
      findings: findingsWithOwn(view.own),
      foliage: FOLIAGE,
    }),
    [view.causes, view.district, view.own],
  )
  const named = (id: string) => view.names[id] ?? id
  const input = useMemo(
    () => ({ host: tree.host, month: view.month, seen, ...almanac }),
    [tree.host, view.month, seen, almanac],
  )
  const place = jurisdictionOfFirm(view.own)
  const weighing = useMemo(
    () => weigh(tree.host, view.month, seen, almanac, place ? reportingIn(place) : undefined),
    [tree.host, view.month, seen, almanac, place],
  )
  const healthy = useMemo(
    () => judgeHealthy(input, weighing.weighed.find((w) => w.cause === HEALTHY)!.probability),
    [input, weighing],
  )

  const { weighed, looks, judgement, explanations } = weighing
  const count = (state: FindingState) => Object.values(seen).filter((s) => s === state).length
  const looked = count('there') + count('not-there') + count('unsure')
  const ringShows = knownBefore(view.marks, [], almanac.findings.values()).flatMap((k) =>
    k.state === 'there' && (seen[k.finding] ?? 'not-looked') === 'not-looked'
      ? [almanac.findings.get(k.finding)!.name]
      : [],
  )
  const lead = weighed[0]!
  // What lives on others is no main cause while something it lives on can be named.
  const main = view.causes.some((c) => c.id === lead.cause && c.livesOn) ? explanations[0]?.causes[0] : null
  const cause = chosen ?? signed?.cause ?? main ?? lead.cause
  const writing = !!assessment && !assessment.closedAt
  const rows = weighed.filter((w) => w.cause !== HEALTHY)
  // What is at work together stands at the top, in the order in which one leads to the other.
  const group = asGroup(
    (explanations[0]?.causes ?? []).filter((id) => id !== SOMETHING_ELSE),
    view.causes,
  ).map((m) => m.id)
  const inGroup = group.flatMap((id) => rows.find((w) => w.cause === id) ?? [])
  const shown = all ? [...inGroup, ...rows.filter((w) => !inGroup.includes(w))] : top(rows, cause, inGroup)
  const look = looks[0] ?? null
  // While it is written, beside what was signed last; once it is signed, beside itself.
  const then = writing ? (view.earlier[0] ?? null) : signed
  // What was signed by this very version rests on nothing that has changed in it.
  const changes =
    then?.almanacVersion === versionWith(view.own)
      ? []
      : then?.basis
        ? changedSince(
            then.basis,
            seen,
            almanac,
            weighed,
            then.weights.map((w) => w.cause),
          )
        : null
  // The next question stands where the last one stood: the second of two quick presses was meant for that one.
  const answeredAt = useRef(-Infinity)
  function answer(state: FindingState) {
    const now = performance.now()
    if (!look || !writing || !may('set-finding') || now - answeredAt.current < 350) return
    answeredAt.current = now
    set(look.finding, state)
  }
  useViewKeys({
    '1': () => answer('there'),
    '2': () => answer('not-there'),
    '3': () => answer('unsure'),
  })

  if (!assessment || Object.keys(view.seen).length + Object.keys(seen).length === 0)
    return (
      <>
        <TreeHeading
          view={view}
          title={`${tree.tag}, what explains it?`}
          below="Nothing has been looked at yet."
          here="weigh"
          step="weigh"
        />
        <p className="mt-5 max-w-xl">
          There are no findings to weigh. Walk round the tree first; even a single finding moves the weights.
        </p>
        <ButtonLink href={`/trees/${tree.id}/examine`} now className="mt-4">
          Examine →
        </ButtonLink>
      </>
    )

  return (
    <>
      <TreeHeading
        view={view}
        title={`${tree.tag}, what explains it?`}
        below={`${looked} looked at · ${count('there')} there · ${count('not-there')} not there · ${count('unsure')} unsure`}
        here="weigh"
        step="weigh"
      />
      {signed && assessment.closedAt && (
        <Note says="good" className="mt-3">
          Signed by {signed.signedBy} on {shortDate(signed.signedAt, view.timeZone)}:{' '}
          <b>{named(signed.cause)}</b>
          {signed.beside.map((b) => `, with ${named(b.cause).toLowerCase()} (${b.part})`).join('')}, weighed{' '}
          {showWeight(signed.probability)} with almanac {signed.almanacVersion}.
          {signed.overrideReason && ` Reason given: ${signed.overrideReason}`}
        </Note>
      )}
      {writing && may('set-finding') && (
        <Question
          key={look?.finding ?? 'none'}
          look={look}
          finding={look ? almanac.findings.get(look.finding)! : null}
          nothing={
            judgement.settled
              ? nothingToAsk({
                  looked,
                  asked: askedOf(input).length,
                  ringShows,
                  likeliest: explanations[0]?.probability ?? 0,
                })
              : null
          }
          sampleHref={`/trees/${tree.id}/sample?cause=${settledBy(look?.finding, cause, view.own)}&test=${look?.finding ?? ''}`}
          own={view.own}
          onAnswer={answer}
        />
      )}
      <ProblemNote problem={keeping} />
      <Explanations
        explanations={explanations}
        causes={view.causes}
        findings={almanac.findings}
        names={view.names}
      />
      <div className="mt-5">
        <h2>Each cause on the balance</h2>
        <Balance
          causes={view.causes}
          names={view.names}
          weighed={shown}
          together={group}
          chosen={cause}
          onChoose={setChosen}
        />
        {rows.length > shown.length && (
          <button
            type="button"
            className="no-print py-2 mr-4 underline underline-offset-2 text-ink2"
            onClick={() => setAll(true)}
          >
            Show the other {rows.length - shown.length} causes this kind can have
          </button>
        )}
        <PrintButton />
        {writing && <NotSigned />}
        <section className="hidden print:block mt-4">
          <h2>What was seen</h2>
          <SeenList seen={seen} />
        </section>
      </div>
      <Follows view={view} judgement={judgement} findings={almanac.findings} cause={cause} />
      {writing && may('sign-diagnosis') && (
        <SignDiagnosis
          key={cause}
          view={view}
          weighing={weighing}
          healthy={healthy}
          cause={cause}
          saving={saving || here > 0}
          onChoose={setChosen}
        />
      )}
      {writing && !may('sign-diagnosis') && (
        <p className="mt-4 text-ink2">The arborist signs what explains it.</p>
      )}
      {!writing && (
        <ButtonLink href={`/trees/${tree.id}/decide`} now className="mt-4">
          Decide →
        </ButtonLink>
      )}
      <WhyNot host={tree.host} month={view.month} seen={seen} weighed={weighed} own={view.own} />
      {then && (writing || (changes?.length ?? 0) > 0) && (
        <ThenAndNow earlier={then} weighed={weighed} changes={changes} view={view} />
      )}
      {view.earlier.length > 0 && (
        <section className="mt-8 max-w-3xl">
          <h2>Signed earlier</h2>
          <ul className="border-t border-line mt-1">
            {view.earlier.map((d) => (
              <li key={d.id} className="py-2 border-b border-line">
                <b>{named(d.cause)}</b>
                {d.beside.map((b) => `, with ${named(b.cause).toLowerCase()}`).join('')}, weighed{' '}
                {showWeight(d.probability)}, {shortDate(d.signedAt, view.timeZone)}, {d.signedBy}
                {d.overrideReason && <span className="block text-ink2">{d.overrideReason}</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  )
}

/** The cause a test is about: the one in question where the test settles it, else the first it settles. */
function settledBy(test: string | undefined, cause: string, own: readonly OwnEntry[]): string {
  const settles = test ? (testOf(test, own)?.settles ?? []) : []
  return settles.includes(cause) ? cause : (settles[0] ?? cause)
}

/** What is at work together first, then the strongest others, the chosen one among them, something else always last. */
function top<T extends { cause: string; probability: number }>(
  weighed: readonly T[],
  chosen: string,
  group: readonly T[],
): T[] {
  const rest = weighed.filter(
    (w) => w.cause !== SOMETHING_ELSE && w.probability >= 0.005 && !group.includes(w),
  )
  const first = [...group, ...rest.slice(0, Math.max(1, SHOWN - 1 - group.length))]
  const own = weighed.find((w) => w.cause === chosen)
  const other = weighed.find((w) => w.cause === SOMETHING_ELSE)!
  const rows = own && own !== other && !first.includes(own) ? [...first, own] : first
  return [...rows, other]
}
