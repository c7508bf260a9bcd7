import { moveClockVerb, setUnitsVerb } from './account'
import { setFindingVerb, signDecisionVerb, signDiagnosisVerb } from './assess'
import { correctRecordVerb, enterResultVerb } from './followUp'
import { handToCrewVerb } from './prescribe'
import { confirmTreeVerb, markPortVerb, signRecordVerb } from './run'
import { addReadingVerb, addTreeVerb, changeTreeVerb, confirmIdentityVerb, saveRingVerb } from './survey'
import type { Verb } from './verb'

/** Every step of the job by the name under which it is sent. */
export const VERBS: Readonly<Record<string, Verb<never, unknown>>> = {
  'add-tree': addTreeVerb as Verb<never, unknown>,
  'change-tree': changeTreeVerb as Verb<never, unknown>,
  'confirm-identity': confirmIdentityVerb as Verb<never, unknown>,
  'add-reading': addReadingVerb as Verb<never, unknown>,
  'save-ring': saveRingVerb as Verb<never, unknown>,
  'set-finding': setFindingVerb as Verb<never, unknown>,
  'sign-diagnosis': signDiagnosisVerb as Verb<never, unknown>,
  'sign-decision': signDecisionVerb as Verb<never, unknown>,
  'hand-to-crew': handToCrewVerb as Verb<never, unknown>,
  'confirm-tree': confirmTreeVerb as Verb<never, unknown>,
  'mark-port': markPortVerb as Verb<never, unknown>,
  'sign-record': signRecordVerb as Verb<never, unknown>,
  'enter-result': enterResultVerb as Verb<never, unknown>,
  'correct-record': correctRecordVerb as Verb<never, unknown>,
  'set-units': setUnitsVerb as Verb<never, unknown>,
  'move-clock': moveClockVerb as Verb<never, unknown>,
}
