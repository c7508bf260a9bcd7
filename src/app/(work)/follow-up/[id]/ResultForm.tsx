'use client'
import { useRouter } from 'next/navigation'
import type { ReactNode } from 'react'
import { useWatch } from 'react-hook-form'
import { enterResultAsks } from '@/asks/work'
import { ok } from '@/core/problem'
import type { Compared } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { Asked, useAsked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { useGo } from '@/ui/shell/useGo'
import { NextChoice } from './NextChoice'
import { wayOn } from './wayOn'

/** What is typed of a result: the number or the answer, what is next, and words. */
export interface TypedResult {
  value: string
  said: string | null
  nextStep: string
  words: string
}

/** A result being entered: what was found, what is next, the words; afterwards the way on is taken at once. */
export function ResultForm({
  check,
  foundOf,
  answerOf,
  keep,
  quiet = false,
  ready = true,
  children,
}: {
  check: FollowUpView['check']
  /** What it comes to; null while nothing is answered. */
  foundOf: (typed: TypedResult) => Compared | null | undefined
  /** The answer as it is sent. */
  answerOf: (typed: TypedResult) => Record<string, unknown>
  keep: string
  quiet?: boolean
  ready?: boolean
  children: ReactNode
}) {
  const router = useRouter()
  const go = useGo()
  const chosen = (typed: TypedResult) =>
    foundOf(typed)?.options.includes(typed.nextStep) ? typed.nextStep : ''
  return (
    <AskedForm
      asks={TYPED}
      start={{ value: '', said: null, nextStep: '', words: '' }}
      sends={(values) => {
        const typed = values as unknown as TypedResult
        return ok({
          followUpId: check.id,
          ...answerOf(typed),
          nextStep: chosen(typed),
          words: typed.words || null,
        })
      }}
      by={useStep('enter-result', 'id')}
      onDone={(_, typed) => {
        const way = wayOn(chosen(typed as unknown as TypedResult), check.treeId)
        if (way) go(way.href)
        else router.refresh()
      }}
      keep={keep}
      keeping="Keeping"
      quiet={quiet}
      ready={ready}
      className="grid gap-3 mt-4"
    >
      {children}
      <Next foundOf={foundOf} />
      <Asked at="words" />
    </AskedForm>
  )
}

/** What is typed is read by the check itself, and by the server. */
const TYPED = enterResultAsks
  .omit({ id: true, followUpId: true })
  .extend({ value: enterResultAsks.shape.said.unwrap().unwrap() })

function Next({ foundOf }: { foundOf: (typed: TypedResult) => Compared | null | undefined }) {
  const found = foundOf(useWatch() as unknown as TypedResult)
  const { value, set } = useAsked<string>('nextStep')
  return found && <NextChoice found={found} chosen={value} onChoose={set} />
}
