/** A stretch of a day, minutes after midnight; the end is not in it. */
export interface Span {
  from: number
  to: number
}

/** The whole of a day. */
export const ALL_DAY: readonly Span[] = [{ from: 0, to: 1440 }]

/** What lies in a stretch of both lists, in order. `meet([{ from: 0, to: 600 }], [{ from: 480, to: 900 }])` is 480 to 600 */
export function meet(a: readonly Span[], b: readonly Span[]): Span[] {
  return a
    .flatMap((x) => b.map((y): Span => ({ from: Math.max(x.from, y.from), to: Math.min(x.to, y.to) })))
    .filter((s) => s.to > s.from)
    .sort((x, y) => x.from - y.from)
}

/** Minutes in all of them, where none lies over another. */
export function minutesOf(spans: readonly Span[]): number {
  return spans.reduce((sum, s) => sum + s.to - s.from, 0)
}

/** Minutes after midnight of a clock time, or null for what is none. `readClock('07:30') === 450` */
export function readClock(text: string): number | null {
  const m = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(text.trim())
  return m ? Number(m[1]) * 60 + Number(m[2]) : null
}

/** A clock time of minutes after midnight. `sayClock(450) === '07:30'` */
export function sayClock(minutes: number): string {
  const whole = Math.round(minutes)
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`
}
