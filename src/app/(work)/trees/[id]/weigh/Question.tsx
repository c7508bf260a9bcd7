import type { Finding, FindingState } from '@/core/diagnose/almanac'
import { DECISIONS, type DecisionId } from '@/core/diagnose/decision'
import type { NextLook } from '@/core/diagnose/looks'
import type { NothingToAsk } from '@/core/diagnose/nothingToAsk'
import { testOf } from '@/almanac/laboratory'
import type { OwnEntry } from '@/almanac/ownEntry'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

/** The one look that could change the work most, with what each answer would change; nothing where asking should stop. */
export function Question({
  look,
  finding,
  nothing,
  sampleHref,
  own,
  onAnswer,
}: {
  look: NextLook | null
  finding: Finding | null
  /** What is said where nothing is left to ask; null before anything was looked at. */
  nothing: NothingToAsk | null
  sampleHref: string
  /** What the firm has added to the almanac: its tests among it. */
  own: readonly OwnEntry[]
  onAnswer: (state: FindingState) => void
}) {
  if (!look || !finding)
    return (
      <Note says={nothing?.settled ? 'good' : 'know'} className="mt-4 min-h-[118px]">
        <b>{nothing?.settled ? 'Settled.' : nothing ? 'Nothing more to ask.' : 'Look round first.'}</b>{' '}
        {nothing?.says ?? 'Nothing seen so far tells what to ask.'}
      </Note>
    )
  const test = testOf(finding.id, own)
  return (
    <section
      aria-label="Next check"
      className="bg-paper border border-line mt-4 px-5 py-4 min-h-[118px] grid md:grid-cols-[minmax(0,1fr)_auto] gap-4 items-center"
    >
      <div aria-live="polite">
        <p className="text-small text-ink2">
          {look.proof ? 'Proof first' : test ? 'Next test' : 'Next check'} · {minutes(look.minutes)}
          {test && test.days > 0 && ` · answer in about ${test.days} days`}
          {!look.proof && ' · changes the work most'}
        </p>
        <p className="font-head font-bold text-lead leading-tight mt-0.5">
          {test ? test.name : finding.question}
        </p>
        <p className="text-small mt-1.5">
          {test && `${test.take} `}
          {changes(look)}
        </p>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <Button now={!test || test.days === 0} onClick={() => onAnswer('there')}>
          {test ? 'Positive' : 'There'} <kbd className="opacity-80">1</kbd>
        </Button>
        <Button onClick={() => onAnswer('not-there')}>
          {test ? 'Negative' : 'Not'} <kbd className="text-ink2">2</kbd>
        </Button>
        {test && test.days > 0 ? (
          <ButtonLink href={sampleHref} now>
            Sample sheet
          </ButtonLink>
        ) : (
          <Button onClick={() => onAnswer('unsure')}>
            Unsure <kbd className="text-ink2">3</kbd>
          </Button>
        )}
      </div>
    </section>
  )
}

/** What each answer would change in the work. */
function changes(look: NextLook): string {
  const yes = words(look.ifThere)
  const no = words(look.ifNot)
  return yes === no ? `Either way: ${yes}; it tells how sure that is.` : `If yes: ${yes}. If no: ${no}.`
}

function words(decisions: readonly DecisionId[]): string {
  return decisions.length > 0
    ? decisions
        .slice(0, 2)
        .map((d) => DECISIONS[d].says)
        .join(', and ')
    : 'nothing to buy yet'
}

function minutes(n: number): string {
  return n < 1 ? 'half a minute' : n === 1 ? '1 minute' : `${n} minutes`
}
