import { share, type Share, type ShareInput } from '@/core/limits/share'
import type { Result } from '@/core/problem'

/** A limit to be shared out among trees and ways, and the exact best of it. */
export interface ShareMessage {
  question: ShareInput
}
export interface ShareReply {
  result: Result<Share>
  ms: number
}

self.onmessage = (event: MessageEvent<ShareMessage>) => {
  const began = performance.now()
  const result = share(event.data.question)
  self.postMessage({ result, ms: performance.now() - began } satisfies ShareReply)
}
