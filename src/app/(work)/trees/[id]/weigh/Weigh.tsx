'use client'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useMemo, useRef, useState } from 'react'
import { findingsWithOwn } from '@/almanac/ownFindings'
import { judgeHealthy } from '@/core/diagnose/healthy'
import { weighing, type Knowledge } from '@/core/diagnose/weighing'
import { HEALTHY, SOMETHING_ELSE, type Check, type Weighed } from '@/core/diagnose/weigh'
import type { FindingState } from '@/core/diagnose/almanac'
import type { WeighView } from '@/server/read/tree'
import { Balance } from '@/ui/balance/Balance'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { useViewKeys } from '@/ui/shell/keys'
import { shortDate } from '@/ui/when'
import { useFindings } from '@/ui/findings/useFindings'
import { showWeight } from '@/core/diagnose/showWeight'
import { TreeHeading } from '../TreeHeading'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { TextArea } from '@/ui/fields/TextArea'
import { DataTable } from '@/ui/pieces/DataTable'
import { useMay } from '@/ui/shell/may'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { SeenList } from '@/ui/findings/SeenList'

// Asked for now and then; it comes after what everybody needs.
const WhyNot = dynamic(() => import('./WhyNot').then((m) => m.WhyNot), { ssr: false })

/** How many causes stand on the balance before the rest is asked for. */
const SHOWN = 5

/** What explains it: the balance, and above it the one check that would settle most. */
export function Weigh({ view }: { view: WeighView }) {
  const may = useMay()
  const go = useGo()
  const { assessment, tree, signed } = view
  const { seen, set, problem: keeping, saving } = useFindings(tree.id, assessment?.id ?? '', view)
  const sign = useVerb('sign-diagnosis', { makes: 'id' })
  const [chosen, setChosen] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const [all, setAll] = useState(false)

  const almanac = useMemo(
    (): Knowledge => ({
      causes: view.causes,
      district: view.district,
      findings: findingsWithOwn(view.own),
    }),
    [view.causes, view.district, view.own],
  )
  const named = (id: string) => view.names[id] ?? id
  const { weighed, checks, judgement } = useMemo(
    () => weighing(tree.host, view.month, seen, almanac),
    [tree.host, view.month, seen, almanac],
  )

  const healthy = useMemo(
    () => judgeHealthy({ host: tree.host, month: view.month, seen, ...almanac }),
    [tree.host, view.month, seen, almanac],
  )

  const count = (state: FindingState) => Object.values(seen).filter((s) => s === state).length
  const lead = weighed[0]!
  const cause = chosen ?? signed?.cause ?? lead.cause
  const chosenCause = almanac.causes.find((c) => c.id === cause)
  const writing = !!assessment && !assessment.closedAt
  const needsReason =
    writing &&
    (cause === HEALTHY ? healthy.doubts.length > 0 : judgement.hold !== null || cause !== lead.cause)
  const shown = all ? weighed : top(weighed, cause)
  const check = checks[0] && checks[0].gain > 0.01 && !judgement.settled ? checks[0] : null
  // The next question stands where the last one stood: the second of two quick presses was meant for that one.
  const answeredAt = useRef(-Infinity)
  function answer(state: FindingState) {
    const now = performance.now()
    if (!check || !writing || !may('set-finding') || now - answeredAt.current < 350) return
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
        <ButtonLink href={`/trees/${tree.id}/examine`} now className="mt-4">
          Examine →
        </ButtonLink>
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
        <Note says="good" className="mt-3">
          Signed by {signed.signedBy} on {shortDate(signed.signedAt, view.timeZone)}:{' '}
          <b>{named(signed.cause)}</b>, weighed {showWeight(signed.probability)} with almanac{' '}
          {signed.almanacVersion}.{signed.overrideReason && ` Reason given: ${signed.overrideReason}`}
        </Note>
      )}
      {writing && may('set-finding') && (
        <Question
          key={check?.finding ?? 'none'}
          check={check}
          almanac={almanac}
          named={named}
          settled={judgement.settled}
          onAnswer={answer}
        />
      )}
      <ProblemNote problem={keeping} />
      <div className="mt-4">
        <Balance
          causes={view.causes}
          names={view.names}
          weighed={shown}
          chains={judgement.chains}
          chosen={cause}
          onChoose={setChosen}
        />
        {weighed.length > shown.length && (
          <button
            type="button"
            className="no-print py-2 mr-4 underline underline-offset-2 text-ink2"
            onClick={() => setAll(true)}
          >
            Show the other {weighed.length - shown.length} causes this kind can have
          </button>
        )}
        <PrintButton />
        <section className="hidden print:block mt-4">
          <h2>What was seen</h2>
          <SeenList seen={seen} />
        </section>
      </div>
      <div className="grid gap-4 mt-4 items-start lg:grid-cols-2">
        {judgement.hold && (
          <Note says="stop">
            <b>Do not act yet.</b> {judgement.hold.reason}{' '}
            <Link href={`/trees/${tree.id}/sample?cause=${cause}`} className="underline whitespace-nowrap">
              Sample sheet
            </Link>
          </Note>
        )}
        {judgement.report && (
          <Note says="stop">
            <b>Report it.</b> {judgement.report.reason}
          </Note>
        )}
        {judgement.refused.length > 0 && (
          <Note says="stop">
            <b>Not for this: {judgement.refused.map((r) => CLASS_WORD[r.class] ?? r.class).join(', ')}.</b>{' '}
            {[...new Set(judgement.refused.map((r) => r.reason))].slice(0, 3).join(' ')}
          </Note>
        )}
        {judgement.chains.length > 0 && (
          <Note as="div" says="water">
            <b>Goes together.</b>
            <ul>
              {judgement.chains.slice(0, 4).map((c) => (
                <li key={c.cause}>
                  {named(c.cause)} {CHAIN_WORD[c.role]} {named(lead.cause).toLowerCase()}:{' '}
                  {c.because.map((b) => (almanac.findings.get(b)?.name ?? named(b)).toLowerCase()).join(', ')}
                  .
                </li>
              ))}
            </ul>
          </Note>
        )}
        {chosenCause && (
          <div className="border border-line bg-sheet p-3 text-small">
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
      {writing && may('sign-diagnosis') && (
        <div className="mt-4 max-w-2xl">
          <label className="flex items-start gap-2.5 py-2 mb-2 border-y border-line max-w-2xl">
            <input
              type="checkbox"
              className="size-5 mt-0.5 accent-[var(--color-rust)]"
              checked={cause === HEALTHY}
              disabled={healthy.unsafe.length > 0}
              onChange={(e) => setChosen(e.target.checked ? HEALTHY : null)}
            />
            <span>
              <b>Nothing is wrong with it</b>, weighed {showWeight(healthy.chance)} beside every cause
              {healthy.unsafe.length > 0 && (
                <span className="block text-plum text-small">
                  Not with {healthy.unsafe.join(', ').toLowerCase()}: that goes to a risk assessor.
                </span>
              )}
              {cause === HEALTHY &&
                healthy.doubts.map((d) => (
                  <span key={d} className="block text-plum text-small">
                    {d}
                  </span>
                ))}
            </span>
          </label>
          {needsReason && (
            <div className="mb-2">
              <TextArea
                label={
                  cause === HEALTHY
                    ? 'To sign it healthy all the same, write why'
                    : judgement.hold
                      ? 'To sign all the same, write why'
                      : `${named(lead.cause)} weighs more. To sign ${named(cause).toLowerCase()} all the same, write why`
                }
                rows={2}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            </div>
          )}
          <Button now disabled={sign.busy || saving} onClick={signNow}>
            {cause === SOMETHING_ELSE
              ? 'Sign as something else'
              : cause === HEALTHY
                ? 'Sign as healthy'
                : `Sign ${chosenCause?.name.toLowerCase() ?? cause}`}{' '}
            and decide →
          </Button>
          <ProblemNote problem={sign.problem} />
        </div>
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
      {writing && view.earlier[0] && <ThenAndNow earlier={view.earlier[0]} weighed={weighed} view={view} />}
      {view.earlier.length > 0 && (
        <section className="mt-8 max-w-3xl">
          <h2>Signed earlier</h2>
          <ul className="border-t border-line mt-1">
            {view.earlier.map((d) => (
              <li key={d.id} className="py-2 border-b border-line">
                <b>{named(d.cause)}</b>, weighed {showWeight(d.probability)},{' '}
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
      <DataTable
        caption="Then and now"
        className="mt-1"
        columns={[
          { head: 'Cause' },
          {
            head: `signed ${shortDate(earlier.signedAt, view.timeZone)}, almanac ${earlier.almanacVersion}`,
            figures: true,
          },
          { head: 'now', figures: true },
        ]}
        rows={rows.map((r) => ({
          key: r.cause,
          name: (
            <>
              {view.names[r.cause] ?? r.cause}
              {r.cause === earlier.cause && <span className="tag ml-2">signed</span>}
            </>
          ),
          cells: [r.then === null ? 'not weighed' : showWeight(r.then), <b key="now">{showWeight(r.now)}</b>],
        }))}
      />
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
  named,
  settled,
  onAnswer,
}: {
  check: Check | null
  almanac: Knowledge
  named: (cause: string) => string
  settled: boolean
  onAnswer: (state: FindingState) => void
}) {
  if (!check)
    return (
      <Note says="good" className="mt-4 min-h-[118px]">
        <b>{settled ? 'Settled.' : 'Nothing more to ask.'}</b> No further check at the tree would change what
        is to be done.
      </Note>
    )
  const finding = almanac.findings.get(check.finding)!
  const answer = (a: Check['ifThere']) => `${named(a.cause).toLowerCase()}, ${showWeight(a.probability)}`
  return (
    <section
      aria-label="Next check"
      className="bg-paper border border-line mt-4 px-5 py-4 min-h-[118px] grid md:grid-cols-[minmax(0,1fr)_auto] gap-4 items-center"
    >
      <div aria-live="polite">
        <p className="text-small text-ink2">
          Next check · {minutes(finding.minutes)} · settles most for the time
        </p>
        <p className="font-head font-bold text-lead leading-tight mt-0.5">{finding.question}</p>
        <p className="text-small mt-1.5">
          Yes: {answer(check.ifThere)}. No: {answer(check.ifNot)}.
        </p>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <Button now onClick={() => onAnswer('there')}>
          There <kbd className="opacity-80">1</kbd>
        </Button>
        <Button onClick={() => onAnswer('not-there')}>
          Not <kbd className="text-ink2">2</kbd>
        </Button>
        <Button onClick={() => onAnswer('unsure')}>
          Unsure <kbd className="text-ink2">3</kbd>
        </Button>
      </div>
    </section>
  )
}

function minutes(n: number): string {
  return n < 1 ? 'half a minute' : n === 1 ? '1 minute' : `${n} minutes`
}
