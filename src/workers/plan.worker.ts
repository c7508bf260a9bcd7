import { layoutPorts } from '@/core/ports/layout'
import { planInjection, type InjectionPlanInput } from '@/core/methods/trunk-injection/plan'

/** Plans an injection away from the hand: `{ id, input }` in, `{ id, result, ms }` out. */
self.onmessage = (event: MessageEvent<{ id: number; input: InjectionPlanInput }>) => {
  const began = performance.now()
  const result = planInjection(event.data.input)
  self.postMessage({ id: event.data.id, result, ms: performance.now() - began })
}

// The first plan under a hand must not wait for compilation.
for (let i = 0; i < 6; i++)
  layoutPorts({
    portGirth: 1.4 + i / 10,
    count: 24,
    minSpacing: 0.04,
    maxGap: 0.2,
    flares: [{ bearing: 20, halfWidth: 20 }],
  })
