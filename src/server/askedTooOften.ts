import { RateLimiterRes, type RateLimiterMemory } from 'rate-limiter-flexible'

/** Counts one more request of a key: null while it may go on, else after how many seconds it may. */
export async function askedTooOften(limiter: RateLimiterMemory, key: string): Promise<number | null> {
  try {
    await limiter.consume(key)
    return null
  } catch (over) {
    if (!(over instanceof RateLimiterRes)) throw over
    return Math.max(1, Math.ceil(over.msBeforeNext / 1000))
  }
}
