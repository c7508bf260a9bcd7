import type { Expectation } from '../respond/compare'

/** Who is waited for at a promised date. */
export const TURNS = ['us', 'client', 'laboratory', 'assessor', 'authority', 'removal'] as const
export type Turn = (typeof TURNS)[number]

/** Each as a heading: whose answer or work it is. */
export const TURN_NAME: Record<Turn, string> = {
  us: 'We look',
  client: 'The client',
  laboratory: 'The laboratory',
  assessor: 'A risk assessor or other service',
  authority: 'A report to an authority',
  removal: 'Who takes it down',
}

/**
 * Whose turn it is at a promised date: by what is asked, and by whether the client was to do it.
 * @example turnOf({ kind: 'laboratory', … }) // 'laboratory'
 */
export function turnOf(expectation: Pick<Expectation, 'kind'>, ofClient = false): Turn {
  if (ofClient) return 'client'
  switch (expectation.kind) {
    case 'laboratory':
    case 'removal':
    case 'assessor':
      return expectation.kind
    case 'referred':
      return 'assessor'
    case 'report':
      return 'authority'
    default:
      return 'us'
  }
}
