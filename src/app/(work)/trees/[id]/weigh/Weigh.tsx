'use client'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useMemo, useRef, useState } from 'react'
import { causeName } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import { weighTree } from '@/almanac/weighing'
import { SOMETHING_ELSE, type Check, type Weighed } from '@/core/diagnose/weigh'
import type { FindingState } from '@/core/diagnose/almanac'
import type { WeighView } from '@/server/read/tree'
import { Balance } from '@/ui/balance/Balance'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { useViewKeys } from '@/ui/shell/keys'
import { shortDate } from '@/ui/when'
import { useFindings } from '../examine/useFindings'
import { showWeight } from '@/core/diagnose/showWeight'
import { TreeHeading } from '../TreeHeading'

// Asked for now and then; it comes after what everybody needs.
const WhyNot = dynamic(() => import('./WhyNot').then((m) => m.WhyNot), { ssr: false })

/** How many causes stand on the balance before the rest is asked for. */
const SHOWN = 5

/** What explains it: the balance, and above it the one check that would settle most. */
export function Weigh({ view }: { view: WeighView }) {
  const go = useGo()
  const { assessment, tree, signed } = view
  const { seen, set, problem: keeping, saving } = useFindings(tree.id, assessment?.id ?? '', view.seen)
  const sign = useVerb<{ id: string }>('sign-diagnosis', { makes: 'id' })
  const [chosen, setChosen] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const [all, setAll] = useState(false)

  const almanac = useMemo(() => withOwn(view.own), [view.own])
  const { weighed, checks, judgement } = useMemo(
    () => weighTree(tree.host, view.month, seen, almanac),
    [tree.host, view.month, seen, almanac],
  )

  const count = (state: FindingState) => Object.values(seen).filter((s) => s === state).length
  const lead = weighed[0]!
  const cause = chosen ?? signed?.cause ?? lead.cause
  const chosenCause = almanac.causes.find((c) => c.id === cause)
  const writing = !!assessment && !assessment.closedAt
  const needsReason = writing && (judgement.hold !== null || cause !== lead.cause)
  const shown = all ? weighed : top(weighed, cause)
  const check = checks[0] && checks[0].gain > 0.01 && !judgement.settled ? checks[0] : null
  // The next question stands where the last one stood: the second of two quick presses was meant for that one.
  const answeredAt = useRef(-Infinity)
  function answer(state: FindingState) {
    const now = performance.now()
    if (!check || !writing || now - answeredAt.current < 350) return
    answeredAt.current = now
    set(check.finding, state)
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
        <Link href={`/trees/${tree.id}/examine`} className="btn btn-now mt-4">
          Examine →
        </Link>
      </>
    )

  async function signNow() {
    const done = await sign.send({
      treeId: tree.id,
      assessmentId: assessment!.id,
      cause,
      reason: reason || null,
    })
    if (done) go(`/trees/${tree.id}/decide`)
  }

  return (
    <>
      <TreeHeading
        view={view}
        title={`${tree.tag}, what explains it?`}
        below={`${count('there') + count('not-there') + count('unsure')} looked at · ${count('there')} there · ${count('not-there')} not there · ${count('unsure')} unsure`}
        here="weigh"
        step="weigh"
      />
      {signed && assessment.closedAt && (
        <p className="note note-good mt-3">
          Signed by {signed.signedBy} on {shortDate(signed.signedAt, view.timeZone)}:{' '}
          <b>{causeName(signed.cause)}</b>, weighed {showWeight(signed.probability)} with almanac{' '}
          {signed.almanacVersion}.{signed.overrideReason && ` Reason given: ${signed.overrideReason}`}
        </p>
      )}
      {writing && (
        <Question
          key={check?.finding ?? 'none'}
          check={check}
          almanac={almanac}
          settled={judgement.settled}
          onAnswer={answer}
        />
      )}
      <ProblemNote problem={keeping} />
      <div className="mt-4">
        <Balance weighed={shown} chains={judgement.chains} chosen={cause} onChoose={setChosen} />
        {weighed.length > shown.length && (
          <button
            type="button"
            className="py-2 underline underline-offset-2 text-ink2"
            onClick={() => setAll(true)}
          >
            Show the other {weighed.length - shown.length} causes this kind can have
          </button>
        )}
      </div>
      <div className="grid gap-4 mt-4 items-start lg:grid-cols-2">
        {judgement.hold && (
          <p className="note note-stop">
            <b>Do not act yet.</b> {judgement.hold.reason}{' '}
            <Link href={`/trees/${tree.id}/sample?cause=${cause}`} className="underline whitespace-nowrap">
              Sample sheet
            </Link>
          </p>
        )}
        {judgement.report && (
          <p className="note note-stop">
            <b>Report it.</b> {judgement.report.reason}
          </p>
        )}
        {judgement.refused.length > 0 && (
          <p className="note note-stop">
            <b>Not for this: {judgement.refused.map((r) => CLASS_WORD[r.class] ?? r.class).join(', ')}.</b>{' '}
            {[...new Set(judgement.refused.map((r) => r.reason))].slice(0, 3).join(' ')}
          </p>
        )}
        {judgement.chains.length > 0 && (
          <div className="note note-water">
            <b>Goes together.</b>
            <ul>
              {judgement.chains.slice(0, 4).map((c) => (
                <li key={c.cause}>
                  {causeName(c.cause)} {CHAIN_WORD[c.role]} {causeName(lead.cause).toLowerCase()}:{' '}
                  {c.because
                    .map((b) => (FINDING_BY_ID.get(b)?.name ?? causeName(b)).toLowerCase())
                    .join(', ')}
                  .
                </li>
              ))}
            </ul>
          </div>
        )}
        {chosenCause && (
          <div className="border border-line bg-sheet p-3 text-[0.94rem]">
            <Link href={`/almanac/cause/${chosenCause.id}`} className="font-bold underline">
              {chosenCause.name}
            </Link>
            . {chosenCause.oneLine} {chosenCause.act} <span className="text-plum">{chosenCause.doNot}</span>
            {chosenCause.oil && view.kind?.oil && <b className="text-plum"> {view.kind.oil}</b>}
            {chosenCause.lookAlikes.length > 0 && (
              <ul className="mt-1.5 text-ink2">
                {chosenCause.lookAlikes.map((l) => (
                  <li key={l.cause}>
                    From{' '}
                    <Link href={`/almanac/cause/${l.cause}`} className="underline">
                      {causeName(l.cause).toLowerCase()}
                    </Link>
                    : {l.check}
                  </li>
                ))}
              </ul>
            )}
          </div>
        )}
      </div>
      {writing && view.role === 'arborist' && (
        <div className="mt-4 max-w-2xl">
          {needsReason && (
            <label className="block mb-2">
              <span className="label">
                {judgement.hold
                  ? 'To sign all the same, write why'
                  : `${causeName(lead.cause)} weighs more. To sign ${causeName(cause).toLowerCase()} all the same, write why`}
              </span>
              <textarea
                className="field"
                rows={2}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            </label>
          )}
          <button type="button" className="btn btn-now" disabled={sign.busy || saving} onClick={signNow}>
            {cause === SOMETHING_ELSE
              ? 'Sign as something else'
              : `Sign ${chosenCause?.name.toLowerCase() ?? cause}`}{' '}
            and decide →
          </button>
          <ProblemNote problem={sign.problem} />
        </div>
      )}
      {writing && view.role !== 'arborist' && (
        <p className="mt-4 text-ink2">The arborist signs what explains it.</p>
      )}
      {!writing && (
        <Link href={`/trees/${tree.id}/decide`} className="btn btn-now mt-4">
          Decide →
        </Link>
      )}
      <WhyNot host={tree.host} month={view.month} seen={seen} weighed={weighed} almanac={almanac} />
      {writing && view.earlier[0] && <ThenAndNow earlier={view.earlier[0]} weighed={weighed} view={view} />}
      {view.earlier.length > 0 && (
        <section className="mt-8 max-w-3xl">
          <h2>Signed earlier</h2>
          <ul className="border-t border-line mt-1">
            {view.earlier.map((d) => (
              <li key={d.id} className="py-2 border-b border-line">
                <b>{causeName(d.cause)}</b>, weighed {showWeight(d.probability)},{' '}
                {shortDate(d.signedAt, view.timeZone)}, {d.signedBy}
                {d.overrideReason && <span className="block text-ink2">{d.overrideReason}</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  )
}

/** The weights as they were signed beside those of now; the old ones stay as they were. */
function ThenAndNow({
  earlier,
  weighed,
  view,
}: {
  earlier: WeighView['earlier'][number]
  weighed: readonly Weighed[]
  view: WeighView
}) {
  const then = new Map(earlier.weights.map((w) => [w.cause, w.probability]))
  const rows = weighed
    .map((w) => ({ cause: w.cause, now: w.probability, then: then.get(w.cause) ?? null }))
    .filter((r) => r.now >= 0.05 || (r.then ?? 0) >= 0.05)
  return (
    <section className="mt-8 max-w-2xl">
      <h2>Then and now</h2>
      <table className="w-full mt-1">
        <thead>
          <tr className="text-left text-ink2 border-b border-line">
            <th className="font-normal py-1">Cause</th>
            <th className="font-normal text-right">
              signed {shortDate(earlier.signedAt, view.timeZone)}, almanac {earlier.almanacVersion}
            </th>
            <th className="font-normal text-right pl-3">now</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.cause} className="border-b border-line2">
              <th className="text-left font-normal py-1">
                {causeName(r.cause)}
                {r.cause === earlier.cause && <span className="tag ml-2">signed</span>}
              </th>
              <td className="text-right">{r.then === null ? 'not weighed' : showWeight(r.then)}</td>
              <td className="text-right font-bold">{showWeight(r.now)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

/** The strongest causes, the chosen one among them, something else always last. */
function top<T extends { cause: string; probability: number }>(weighed: T[], chosen: string): T[] {
  const first = weighed
    .filter((w) => w.cause !== SOMETHING_ELSE && w.probability >= 0.005)
    .slice(0, SHOWN - 1)
  const own = weighed.find((w) => w.cause === chosen)
  const other = weighed.find((w) => w.cause === SOMETHING_ELSE)!
  const rows = own && own.cause !== SOMETHING_ELSE && !first.includes(own) ? [...first, own] : first
  return [...rows, other]
}

const CLASS_WORD: Record<string, string> = {
  'crown-spray': 'a crown spray',
  'bark-spray': 'a bark spray',
  injection: 'trunk injection',
  fertiliser: 'hard feeding',
}
const CHAIN_WORD = { feeds: 'feeds', tended: 'goes with', stress: 'opens the door for' } as const

function Question({
  check,
  almanac,
  settled,
  onAnswer,
}: {
  check: Check | null
  almanac: FirmAlmanac
  settled: boolean
  onAnswer: (state: FindingState) => void
}) {
  if (!check)
    return (
      <p className="note note-good mt-4 min-h-[118px]">
        <b>{settled ? 'Settled.' : 'Nothing more to ask.'}</b> No further check at the tree would change what
        is to be done.
      </p>
    )
  const finding = almanac.findings.get(check.finding)!
  const answer = (a: Check['ifThere']) => `${causeName(a.cause).toLowerCase()}, ${showWeight(a.probability)}`
  return (
    <section
      aria-label="Next check"
      className="bg-paper border border-line mt-4 px-5 py-4 min-h-[118px] grid md:grid-cols-[minmax(0,1fr)_auto] gap-4 items-center"
    >
      <div aria-live="polite">
        <p className="text-[0.88rem] text-ink2">
          Next check · {minutes(finding.minutes)} · settles most for the time
        </p>
        <p className="font-head font-bold text-[1.35rem] leading-tight mt-0.5">{finding.question}</p>
        <p className="text-[0.92rem] mt-1.5">
          Yes: {answer(check.ifThere)}. No: {answer(check.ifNot)}.
        </p>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <button type="button" className="btn btn-now" onClick={() => onAnswer('there')}>
          There <kbd className="opacity-80">1</kbd>
        </button>
        <button type="button" className="btn" onClick={() => onAnswer('not-there')}>
          Not <kbd className="text-ink2">2</kbd>
        </button>
        <button type="button" className="btn" onClick={() => onAnswer('unsure')}>
          Unsure <kbd className="text-ink2">3</kbd>
        </button>
      </div>
    </section>
  )
}

function minutes(n: number): string {
  return n < 1 ? 'half a minute' : n === 1 ? '1 minute' : `${n} minutes`
}
