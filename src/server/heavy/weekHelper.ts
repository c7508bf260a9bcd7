import { parentPort, receiveMessageOnPort, workerData, type MessagePort } from 'node:worker_threads'
import { helpWithWeek, type Liked, type Line } from '@/core/week/helper'
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
    let newest: { plan: Plan | null; liked: Liked } | null = null
    for (;;) {
      const got: { message: unknown } | undefined = receiveMessageOnPort(port)
      if (!got) return newest
      const news = got.message as ReturnType<Line['heard']>
      if (news === null || news === 'end') return news
      // A plan that was told stands until it is taken, whatever is liked since.
      newest = {
        plan: news.plan ?? (newest as { plan: Plan | null } | null)?.plan ?? null,
        liked: news.liked,
      }
    }
  },
  say: (plan) => port.postMessage(plan),
  clock: () => performance.now() / 1000,
})
port.close()
parentPort?.close()
