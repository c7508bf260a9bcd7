'use client'
import { useState } from 'react'
import type { Healthy } from '@/core/diagnose/healthy'
import { asksForReason, standWith } from '@/core/diagnose/parts'
import { showWeight } from '@/core/diagnose/showWeight'
import { HEALTHY, SOMETHING_ELSE } from '@/core/diagnose/weigh'
import type { Weighing } from '@/core/diagnose/weighing'
import type { WeighView } from '@/server/read/tree'
import { useGo } from '@/ui/shell/useGo'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { signDiagnosisAsks } from '@/asks/examine'

/** Signs what explains it: the main cause with what is at work beside it, each with its part. */
export function SignDiagnosis({
  view,
  weighing,
  healthy,
  cause,
  saving,
  onChoose,
}: {
  view: WeighView
  weighing: Weighing
  healthy: Healthy
  cause: string
  saving: boolean
  onChoose: (cause: string | null) => void
}) {
  const go = useGo()
  const by = useStep('sign-diagnosis', 'id')
  const [left, setLeft] = useState<readonly string[]>([])
  const { judgement, weighed } = weighing
  const named = (id: string) => view.names[id] ?? id
  const together = standWith(weighing, cause, view.causes)
  const lead = weighed[0]!
  const needsReason = cause === HEALTHY ? healthy.doubts.length > 0 : asksForReason(weighing, cause)

  return (
    <div className="mt-4 max-w-2xl">
      <label className="flex items-start gap-2.5 py-2 mb-2 border-y border-line max-w-2xl">
        <input
          type="checkbox"
          className="size-5 mt-0.5 accent-[var(--color-rust)]"
          checked={cause === HEALTHY}
          disabled={healthy.unsafe.length > 0}
          onChange={(e) =>
            onChoose(e.target.checked ? HEALTHY : weighed.find((w) => w.cause !== HEALTHY)!.cause)
          }
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
      {together.length > 0 && (
        <fieldset className="mb-2">
          <legend className="label">Sign with it</legend>
          {together.map((b) => (
            <label key={b.cause} className="flex items-center gap-2.5 py-1.5">
              <input
                type="checkbox"
                className="size-5 accent-[var(--color-rust)]"
                checked={!left.includes(b.cause)}
                onChange={(e) =>
                  setLeft(e.target.checked ? left.filter((id) => id !== b.cause) : [...left, b.cause])
                }
              />
              <span>
                <b>{named(b.cause)}</b>, {b.part}
              </span>
            </label>
          ))}
        </fieldset>
      )}
      <AskedForm
        asks={signDiagnosisAsks}
        start={{ reason: '' }}
        fixed={{
          treeId: view.tree.id,
          assessmentId: view.assessment!.id,
          cause,
          beside: together.filter((b) => !left.includes(b.cause)),
        }}
        by={by}
        onDone={() => go(`/trees/${view.tree.id}/decide`)}
        keep={`${
          cause === SOMETHING_ELSE
            ? 'Sign as something else'
            : cause === HEALTHY
              ? 'Sign as healthy'
              : `Sign ${named(cause).toLowerCase()}`
        } and decide →`}
        keeping="Signing"
        ready={!saving}
        className="grid gap-2"
      >
        {needsReason && (
          <Asked
            at="reason"
            label={
              cause === HEALTHY
                ? 'To sign it healthy all the same, write why'
                : judgement.hold && !judgement.hold.danger
                  ? 'To sign all the same, write why'
                  : `${named(lead.cause)} weighs more. To sign ${named(cause).toLowerCase()} all the same, write why`
            }
            rows={2}
          />
        )}
      </AskedForm>
    </div>
  )
}
