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

interface Envelope {
  id: string
  step: string
  content: Record<string, unknown>
  at: number
}

/** A reply to one step as the answer to envelopes; what refuses nothing is of the whole request. */
function inEnvelopes(reply: { status?: number; body: unknown }, envelopes: readonly Envelope[]) {
  const { error, value = {} } = reply.body as { error?: { field: string }; value?: object }
  const status = reply.status ?? 200
  if (error && (status === 401 || status === 429 || status >= 500 || error.field === 'person')) return reply
  const answers = envelopes.map(({ id }) =>
    error ? { id, came: 'refused', problem: error } : { id, came: 'taken', value },
  )
  return { body: { value: { answers, now: Date.now() } } }
}

export function fakeServer() {
  const asked: Asked[] = []
  const replies: Reply[] = []
  const note = (
    url: string,
    body: unknown,
    said: { step?: string | null; at?: string | number | null; by?: string | null },
  ) =>
    asked.push({
      url,
      body: body as Record<string, unknown>,
      step: said.step ?? null,
      at: said.at === undefined || said.at === null ? null : String(said.at),
      by: said.by ?? null,
    })
  const fetchNow = async (url: string, init: RequestInit = {}) => {
    const headers = new Map(Object.entries((init.headers ?? {}) as Record<string, string>))
    const by = headers.get('elmhorn-by') ?? null
    const body = JSON.parse(typeof init.body === 'string' ? init.body : 'null') as Record<
      string,
      unknown
    > | null
    // What a device kept comes in envelopes: each is noted as if it had come by itself, and answered by the one reply.
    const envelopes = url === '/api/field' && body ? (body['envelopes'] as Envelope[]) : null
    if (envelopes)
      for (const { step, content, id, at } of envelopes)
        note(`/api/do/${step}`, content, { step: id, at, by })
    else note(url, body, { step: headers.get('idempotency-key'), at: headers.get('elmhorn-at'), by })
    const reply = await (replies.shift() ?? { body: { value: {} } })
    if (reply === 'lost') throw new TypeError('network')
    const { status = 200, body: answer } = envelopes ? inEnvelopes(reply, envelopes) : reply
    return { ok: status < 400, status, json: () => Promise.resolve(answer) }
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
