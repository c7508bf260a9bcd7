'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Compared } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { wayOn } from './wayOn'

/** A result being entered: what is next, the words, and sending it; afterwards the way on is taken at once. */
export function useResult(check: FollowUpView['check']) {
  const router = useRouter()
  const go = useGo()
  const { send, busy, problem } = useVerb('enter-result', { makes: 'id' })
  const [nextStep, setNextStep] = useState('')
  const [words, setWords] = useState('')
  async function keep(
    found: Compared | null | undefined,
    answer: { value?: number | string; said?: string | null },
  ) {
    const chosen = found?.options.includes(nextStep) ? nextStep : ''
    const done = await send({
      followUpId: check.id,
      ...answer,
      nextStep: chosen,
      words: words || null,
    })
    if (done === null) return
    const way = wayOn(chosen, check.treeId)
    if (way) go(way.href)
    else router.refresh()
  }
  return { keep, busy, problem, nextStep, setNextStep, words, setWords }
}
