import type { OwnEntry } from '@/almanac/ownEntry'
import { ask } from '@/calc/calculators'
import type { Answer } from '@/calc/calculator'
import { seeded } from '@/core/decide/random'
import type { WorthInput } from '@/core/decide/worth'
import { worthSpread, type WorthSpread } from '@/core/decide/worthSpread'
import type { Result } from '@/core/problem'

/** What the page asks: a calculator's answer in both unit systems, a spread of random draws, or to stop drawing. */
export type CalcMessage =
  | { id: number; kind: 'ask'; name: string; request: Record<string, unknown>; own: readonly OwnEntry[] }
  | { id: number; kind: 'spread'; input: WorthInput; draws: number; seed: number }
  | { id: number; kind: 'stop' }

export type CalcReply =
  | { id: number; kind: 'answer'; us: Result<Answer>; si: Result<Answer> }
  | { id: number; kind: 'progress'; done: number; draws: number }
  | { id: number; kind: 'spread'; spread: Result<WorthSpread>; ms: number }

let stopped = -1
const reply = (message: CalcReply) => self.postMessage(message)

self.onmessage = (event: MessageEvent<CalcMessage>) => {
  const message = event.data
  if (message.kind === 'stop') stopped = message.id
  else if (message.kind === 'ask') {
    const { own } = message
    const us = ask(message.name, { ...message.request, units: 'us' }, { own })
    const si = ask(message.name, { ...message.request, units: 'si' }, { own })
    reply({ id: message.id, kind: 'answer', us, si })
  } else void draw(message)
}

/** Draws in slices, so that a stop is heard between them. */
async function draw({ id, input, draws, seed }: Extract<CalcMessage, { kind: 'spread' }>) {
  const began = performance.now()
  const steps = worthSpread(input, draws, seeded(seed))
  for (;;) {
    const step = steps.next()
    if (step.done) {
      reply({ id, kind: 'spread', spread: step.value, ms: performance.now() - began })
      return
    }
    reply({ id, kind: 'progress', done: step.value, draws })
    await new Promise((resolve) => setTimeout(resolve, 0))
    if (stopped === id) return
  }
}
