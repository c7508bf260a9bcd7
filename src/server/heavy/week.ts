import { MessageChannel, receiveMessageOnPort, Worker } from 'node:worker_threads'
import type { WeekInput } from '@/core/week/field'
import type { Helper, Told } from '@/core/week/helper'
import type { Plan } from '@/core/week/improve'
import { threadFile } from './threadFile'

/** Somebody on a second thread who makes a plan better; hears and is heard while this thread works on without a pause. */
export function weekHelper(input: WeekInput, start: Plan, seconds: number): Helper {
  const { port1: own, port2: port } = new MessageChannel()
  const { filename, execArgv } = threadFile('weekHelper')
  const worker = new Worker(filename, {
    workerData: { input, start, seconds, port },
    transferList: [port],
    execArgv,
    resourceLimits: { maxOldGenerationSizeMb: 128 },
  })
  // Without it the plan is made all the same.
  worker.on('error', () => {})
  worker.unref()
  own.unref()
  return {
    better: () => {
      let newest: Plan | null = null
      for (;;) {
        const got: { message: unknown } | undefined = receiveMessageOnPort(own)
        if (!got) return newest
        newest = got.message as Plan
      }
    },
    tell: (plan, liked) => own.postMessage({ plan, liked, choose: null } satisfies Told),
    choose: (best, seconds) =>
      own.postMessage({ plan: null, liked: null, choose: { best, seconds } } satisfies Told),
    end: () => {
      own.postMessage('end')
      own.close()
      void worker.terminate()
    },
  }
}
