/** What a server answers in the tests of hooks: each request is kept; what is to come back is said beforehand. */
export interface Asked {
  url: string
  body: Record<string, unknown>
  step: string | null
  at: string | null
  by: string | null
}

type Reply =
  'lost' | { status?: number; body: unknown } | Promise<{ status?: number; body: unknown } | 'lost'>

export function fakeServer() {
  const asked: Asked[] = []
  const replies: Reply[] = []
  const fetchNow = async (url: string, init: RequestInit = {}) => {
    const headers = new Map(Object.entries((init.headers ?? {}) as Record<string, string>))
    asked.push({
      url,
      body: JSON.parse(typeof init.body === 'string' ? init.body : 'null') as Record<string, unknown>,
      step: headers.get('idempotency-key') ?? null,
      at: headers.get('elmhorn-at') ?? null,
      by: headers.get('elmhorn-by') ?? null,
    })
    const reply = await (replies.shift() ?? { body: { value: {} } })
    if (reply === 'lost') throw new TypeError('network')
    return {
      ok: (reply.status ?? 200) < 400,
      status: reply.status ?? 200,
      json: () => Promise.resolve(reply.body),
    }
  }
  globalThis.fetch = fetchNow as unknown as typeof fetch
  return {
    asked,
    /** What comes back next, one reply a request. */
    reply: (...next: Reply[]) => replies.push(...next),
    value: (value: unknown): Reply => ({ body: { value } }),
    refusal: (field: string, message: string): Reply => ({
      status: 409,
      body: { error: { code: 'conflict', field, message } },
    }),
  }
}

/** An answer that comes when it is let go. */
export function later<T>() {
  let letGo!: (value: T) => void
  const promise = new Promise<T>((resolve) => (letGo = resolve))
  return { promise, letGo }
}
