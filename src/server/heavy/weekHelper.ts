import { parentPort, receiveMessageOnPort, workerData, type MessagePort } from 'node:worker_threads'
import { helpWithWeek, type Line } from '@/core/week/helper'
import type { Plan } from '@/core/week/improve'
import type { WeekInput } from '@/core/week/field'

/** The thread that makes a week's plan better beside the one that bounds it. */
const { input, start, seconds, port } = workerData as {
  input: WeekInput
  start: Plan
  seconds: number
  port: MessagePort
}
helpWithWeek(input, start, seconds, {
  heard: () => {
    let newest: ReturnType<Line['heard']> = null
    for (;;) {
      const got: { message: unknown } | undefined = receiveMessageOnPort(port)
      if (!got) return newest
      newest = got.message as ReturnType<Line['heard']>
      if (newest === 'end') return newest
    }
  },
  say: (plan) => port.postMessage(plan),
  clock: () => performance.now() / 1000,
})
port.close()
parentPort?.close()
