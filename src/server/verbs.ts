import { moveClockVerb, setUnitsVerb } from './account'
import { setHouseRuleVerb, setOwnEntryVerb, withdrawOwnEntryVerb, writeNoteVerb } from './almanac'
import { makeTokenVerb, revokeTokenVerb } from './apiToken'
import { setDetailVerb, setFindingVerb, signDecisionVerb, signDiagnosisVerb } from './assess'
import { correctRecordVerb, enterResultVerb } from './followUp'
import { handToCrewVerb, withdrawPrescriptionVerb } from './prescribe'
import { removePhotoVerb } from './photograph'
import { finishPracticeVerb } from './practice'
import { confirmTreeVerb, markPortVerb } from './run'
import { signRecordVerb } from './signRecord'
import { addReadingVerb, addTreeVerb, changeTreeVerb, confirmIdentityVerb, saveRingVerb } from './survey'
import type { Performable } from './verb'

/** Every step of the job by the name under which it is sent. */
export const VERBS: Readonly<Record<string, Performable>> = {
  'add-tree': addTreeVerb,
  'change-tree': changeTreeVerb,
  'confirm-identity': confirmIdentityVerb,
  'add-reading': addReadingVerb,
  'save-ring': saveRingVerb,
  'set-finding': setFindingVerb,
  'set-detail': setDetailVerb,
  'remove-photo': removePhotoVerb,
  'sign-diagnosis': signDiagnosisVerb,
  'sign-decision': signDecisionVerb,
  'hand-to-crew': handToCrewVerb,
  'withdraw-prescription': withdrawPrescriptionVerb,
  'confirm-tree': confirmTreeVerb,
  'mark-port': markPortVerb,
  'sign-record': signRecordVerb,
  'enter-result': enterResultVerb,
  'correct-record': correctRecordVerb,
  'set-units': setUnitsVerb,
  'move-clock': moveClockVerb,
  'set-own-entry': setOwnEntryVerb,
  'withdraw-own-entry': withdrawOwnEntryVerb,
  'write-note': writeNoteVerb,
  'set-house-rule': setHouseRuleVerb,
  'finish-practice': finishPracticeVerb,
  'make-token': makeTokenVerb,
  'revoke-token': revokeTokenVerb,
}
