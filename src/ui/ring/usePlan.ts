'use client'
import { useEffect, useRef, useState } from 'react'
import type { InjectionPlan, InjectionPlanInput } from '@/core/methods/trunk-injection/plan'
import type { Result } from '@/core/problem'

/**
 * Keeps a plan up to date with its input, computed in a worker. While one is computed only the newest input waits, so
 * that dragging never lags behind. Answers the last finished plan and how long it took.
 */
export function usePlan(input: InjectionPlanInput | null): {
  plan: Result<InjectionPlan> | null
  ms: number | null
} {
  const [state, setState] = useState<{ plan: Result<InjectionPlan>; ms: number } | null>(null)
  const worker = useRef<Worker | null>(null)
  const busy = useRef(false)
  const waiting = useRef<InjectionPlanInput | null>(null)

  useEffect(() => {
    const w = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url))
    worker.current = w
    w.onmessage = (event: MessageEvent<{ result: Result<InjectionPlan>; ms: number }>) => {
      setState({ plan: event.data.result, ms: event.data.ms })
      busy.current = false
      if (waiting.current) {
        const next = waiting.current
        waiting.current = null
        busy.current = true
        w.postMessage({ id: 0, input: next })
      }
    }
    return () => {
      w.terminate()
      worker.current = null
      busy.current = false
    }
  }, [])

  useEffect(() => {
    if (!input || !worker.current) return
    if (busy.current) waiting.current = input
    else {
      busy.current = true
      worker.current.postMessage({ id: 0, input })
    }
  }, [input])

  return { plan: input ? (state?.plan ?? null) : null, ms: state?.ms ?? null }
}
