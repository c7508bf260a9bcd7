import { planInjection, type InjectionPlanInput } from '@/core/dose/planInjection'

/** Plans an injection away from the hand: `{ id, input }` in, `{ id, result, ms }` out. */
self.onmessage = (event: MessageEvent<{ id: number; input: InjectionPlanInput }>) => {
  const began = performance.now()
  const result = planInjection(event.data.input)
  self.postMessage({ id: event.data.id, result, ms: performance.now() - began })
}
