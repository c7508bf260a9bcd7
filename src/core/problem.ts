/**
 * What a core function answers when a person's input cannot be used.
 *
 * `code` is stable and machine-readable, `field` is the path of the offending input
 * (`stems[0].girth`), `message` is a whole sentence naming the field, the rule and the way out.
 */
export interface Problem {
  code:
    | 'missing'
    | 'bad-quantity'
    | 'out-of-range'
    | 'over-label'
    | 'unknown'
    | 'conflict'
    | 'not-allowed'
    | 'doubt'
  field: string
  message: string
  /** What was kept under the same id before, when that is why this was refused. */
  stands?: { input: unknown; by: string; at: string }
}

/** A value or a problem. Core functions never throw on what a person typed. */
export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem }

/** Wraps a value as a good result. `ok(3).value === 3` */
export function ok<T>(value: T): { ok: true; value: T } {
  return { ok: true, value }
}

/** Wraps a problem as a refused result. `refuse('missing', 'girth', 'Type the girth.')` */
export function refuse(
  code: Problem['code'],
  field: string,
  message: string,
): { ok: false; problem: Problem } {
  return { ok: false, problem: { code, field, message } }
}

/** What a rule says as a refused result; null where it says nothing. */
export function refusing(problem: Problem | null): { ok: false; problem: Problem } | null {
  return problem && { ok: false, problem }
}

/** A path as a problem names its field. `fieldOf(['stems', 0, 'girth']) === 'stems[0].girth'` */
export function fieldOf(path: readonly PropertyKey[]): string {
  return path.map((p, i) => (typeof p === 'number' ? `[${p}]` : `${i > 0 ? '.' : ''}${String(p)}`)).join('')
}
