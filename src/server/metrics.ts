/** How long an answer took falls into one of these, seconds. */
const BOUNDS = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10]

interface Counts {
  began: number
  /** Answers by kind of address and class of status. */
  answers: Map<string, number>
  /** By kind of address: how many took at most so long, how many in all, and how long together. */
  took: Map<string, { within: number[]; count: number; seconds: number }>
  open: number
}

const holder = globalThis as unknown as { elmhornCounts?: Counts }
const counts = (): Counts =>
  (holder.elmhornCounts ??= { began: Date.now(), answers: new Map(), took: new Map(), open: 0 })

/** What kind of thing an address is; never the address itself, which may say whose tree it is. */
function kindOf(path: string): string {
  if (path.startsWith('/_next/')) return 'file'
  if (path.startsWith('/api/v1/')) return 'api'
  if (path.startsWith('/api/do/')) return 'step'
  return path.startsWith('/api/') ? 'data' : 'page'
}

/** One request came in. */
export function countRequest(): void {
  counts().open += 1
}

/** One request is over: by its path, its status and how long it took, ms. */
export function countAnswer(path: string, status: number, ms: number): void {
  const all = counts()
  all.open -= 1
  const kind = kindOf(path)
  const key = `kind="${kind}",status="${Math.floor(status / 100)}xx"`
  all.answers.set(key, (all.answers.get(key) ?? 0) + 1)
  const took = all.took.get(kind) ?? { within: BOUNDS.map(() => 0), count: 0, seconds: 0 }
  const seconds = ms / 1000
  BOUNDS.forEach((bound, i) => {
    if (seconds <= bound) took.within[i]! += 1
  })
  took.count += 1
  took.seconds += seconds
  all.took.set(kind, took)
}

/** A figure of the moment for whoever watches: its name, what it is, and its value. */
export interface Gauge {
  name: string
  help: string
  value: number
}

/** All counts since the app came up, and some figures of the moment, in the open text format that watchers read. */
export function metricsText(gauges: readonly Gauge[]): string {
  const all = counts()
  const lines: string[] = []
  const head = (name: string, type: string, help: string) =>
    lines.push(`# HELP ${name} ${help}`, `# TYPE ${name} ${type}`)
  head('elmhorn_answers_total', 'counter', 'Answers by kind of address and class of status.')
  for (const [key, n] of all.answers) lines.push(`elmhorn_answers_total{${key}} ${n}`)
  head('elmhorn_answer_seconds', 'histogram', 'How long answers took.')
  for (const [kind, t] of all.took) {
    BOUNDS.forEach((bound, i) =>
      lines.push(`elmhorn_answer_seconds_bucket{kind="${kind}",le="${bound}"} ${t.within[i]}`),
    )
    lines.push(
      `elmhorn_answer_seconds_bucket{kind="${kind}",le="+Inf"} ${t.count}`,
      `elmhorn_answer_seconds_sum{kind="${kind}"} ${t.seconds}`,
      `elmhorn_answer_seconds_count{kind="${kind}"} ${t.count}`,
    )
  }
  const own: Gauge[] = [
    { name: 'elmhorn_requests_open', help: 'Requests that are being answered.', value: all.open },
    { name: 'elmhorn_up_seconds', help: 'How long this copy is up.', value: (Date.now() - all.began) / 1000 },
    { name: 'elmhorn_memory_bytes', help: 'Memory of this copy.', value: process.memoryUsage().rss },
  ]
  for (const g of [...own, ...gauges]) {
    head(g.name, 'gauge', g.help)
    lines.push(`${g.name} ${g.value}`)
  }
  return `${lines.join('\n')}\n`
}
