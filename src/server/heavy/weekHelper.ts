import { parentPort, receiveMessageOnPort, workerData, type MessagePort } from 'node:worker_threads'
import { helpWithWeek, type Told } from '@/core/week/helper'
import type { Plan } from '@/core/week/improve'
import type { WeekInput } from '@/core/week/field'
import { programs } from './programs'

/** The thread that makes a week's plan better beside the one that bounds it. */
const { input, start, seconds, port } = workerData as {
  input: WeekInput
  start: Plan
  seconds: number
  port: MessagePort
}
void programs().then((program) => {
  helpWithWeek(
    input,
    start,
    seconds,
    {
      heard: () => {
        let newest = null as Told | null
        for (;;) {
          const got: { message: unknown } | undefined = receiveMessageOnPort(port)
          if (!got) return newest
          const news = got.message as Told | 'end'
          if (news === 'end') return news
          // What was told stands until it is heard, whatever else is told since.
          newest = {
            plan: news.plan ?? newest?.plan ?? null,
            liked: news.liked ?? newest?.liked ?? null,
            choose: news.choose ?? newest?.choose ?? null,
          }
        }
      },
      say: (plan) => port.postMessage(plan),
      clock: () => performance.now() / 1000,
    },
    program,
  )
  port.close()
  parentPort?.close()
})
