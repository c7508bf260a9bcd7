import type { FindingState, Seen } from '@/core/diagnose/almanac'
import type { FindingDetail } from '@/core/diagnose/detail'
import type { KeptEnvelope } from '../field/deviceStore'

/** What was seen at a tree, and noted of it. */
export interface Looked {
  seen: Seen
  details: Readonly<Record<string, FindingDetail>>
}

/** What stands, with what was pressed on this device on top of it, in its order. */
export function foldFindings(first: Looked, presses: readonly KeptEnvelope[]): Looked {
  const seen = { ...first.seen }
  const details = { ...first.details }
  for (const { step, content } of presses) {
    const { finding, state, detail } = content as {
      finding: string
      state?: FindingState | null
      detail?: FindingDetail
    }
    if (step === 'set-finding') seen[finding] = state ?? 'not-looked'
    else details[finding] = detail ?? {}
  }
  return { seen, details }
}
