'use client'
import { LaboratoryForm } from './LaboratoryForm'
import { MeasureForm } from './MeasureForm'
import { TellForm } from './TellForm'
import { MoveCheck } from './MoveCheck'
import { Link } from '@/ui/pieces/Link'
import { isTold } from '@/core/respond/compare'
import { sayAnswer } from '@/core/respond/answer'
import type { FollowUpView } from '@/server/read/work'
import { fromToday, shortDate, writtenDate } from '@/ui/when'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { MovedNote } from '../../run/MovedNote'
import { wayOn } from './wayOn'
import { LOOK } from './NextChoice'

/** One promised check: what to look at, what is expected, what was found, and what is next. */
export function EnterResult({ view }: { view: FollowUpView }) {
  const { check, today } = view
  const e = check.expectation
  const may = useMay()
  const early = check.dueOn > today
  const way = check.nextStep === null ? null : wayOn(check.nextStep, check.treeId)

  return (
    <div className="max-w-2xl">
      <p className="text-small text-ink2">
        <Link href="/follow-up" className="underline underline-offset-2">
          follow-up
        </Link>{' '}
        ·{' '}
        <Link href={`/trees/${check.treeId}`} className="underline underline-offset-2">
          {check.tag}
        </Link>{' '}
        · {view.kind} · {check.siteName}
      </p>
      <h1>{check.what}</h1>
      <p className="text-ink2 mt-1">
        {check.tag}, promised for {writtenDate(check.dueOn)}, {fromToday(check.dueOn, today)}
      </p>
      <MovedNote moved={view.moved} timeZone={view.timeZone} />
      <p className="mt-4 text-lead font-bold">{e.question}</p>
      {!isTold(e) && (
        <p className="mt-1">
          {e.watch ? 'Threshold' : 'Expected'}: {e.sense === 'at-least' ? 'at least' : 'at most'} {e.expected}{' '}
          {e.unit}.
          {e.tolerated !== e.expected &&
            ` ${e.sense === 'at-least' ? 'Down to' : 'Up to'} ${e.tolerated} ${e.unit} is ${e.kind === 'side-effect' ? 'slight harm' : 'slower than expected'}.`}
        </p>
      )}
      {check.verdict ? (
        <Note as="div" says={LOOK[check.verdict]} className="mt-4">
          <p className="font-head font-bold text-lead">
            {sayAnswer(check)}: {check.verdict}
          </p>
          <p>
            {check.measuredBy}, {check.measuredAt && shortDate(check.measuredAt, view.timeZone)}. Next:{' '}
            {check.nextStep}.{check.words && ` ${check.words}`}
          </p>
          {way && (
            <ButtonLink href={way.href} className="mt-2">
              {way.link} →
            </ButtonLink>
          )}
        </Note>
      ) : check.dropped !== null ? (
        <Note className="mt-4">
          {check.decisionId === null ? 'This check fell away with its tree' : 'No longer waited for'}:{' '}
          {check.dropped}
        </Note>
      ) : (
        <>
          {early && (
            <Note className="mt-4">
              {isTold(e)
                ? `Due on ${writtenDate(check.dueOn)}; an answer that comes earlier can be entered now.`
                : `This check is not due yet. Its result can be entered from ${writtenDate(check.dueOn)} on.`}
            </Note>
          )}
          {e.kind === 'laboratory' && view.laboratory.length > 0 && may('enter-answer') && (
            <LaboratoryForm view={view} />
          )}
          {!may('enter-result') ? (
            !(e.kind === 'laboratory' && may('enter-answer')) && (
              <p className="mt-4 text-ink2">Whoever looks at the tree enters what was found.</p>
            )
          ) : isTold(e) ? (
            <TellForm check={check} expectation={e} />
          ) : (
            <MeasureForm check={check} expectation={e} early={early} />
          )}
          {may('move-check') && <MoveCheck check={check} today={today} />}
        </>
      )}
    </div>
  )
}
