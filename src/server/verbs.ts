import { seeAwayVerb } from './away'
import { noteLoadedVerb } from './loaded'
import { putDayAwayVerb } from './evening'
import { tellClientVerb } from './messages/tell'
import { enterStockVerb, setLeastVerb } from './stock'
import { moveClockVerb, setUnitsVerb } from './account'
import { setOwnEntryVerb, withdrawOwnEntryVerb, writeNoteVerb } from './almanac'
import { makeTokenVerb, revokeTokenVerb } from './apiToken'
import { setDetailVerb, setFindingVerb, signDiagnosisVerb } from './assess'
import { decideManyVerb, signDecisionVerb } from './decide'
import { screenSafetyVerb } from './screen'
import { setSiteMoneyVerb } from './siteMoney'
import { enterResultsVerb, enterResultVerb } from './followUp'
import { setBlockVerb, signBlockVerb } from './block'
import { moveCheckVerb } from './moveCheck'
import { moveDayVerb } from './moveDay'
import { endRepeatsVerb, putOnDayVerb } from './repeat'
import { setHouseRuleVerb } from './houseRule'
import { handBackVerb } from './handBack'
import { releaseLineVerb } from './release'
import { correctRecordVerb } from './correctRecord'
import { enterAnswerVerb } from './laboratory'
import { endLocalRuleVerb, setDistrictVerb, setLocalRuleVerb } from './localRule'
import { handToCrewVerb } from './prescribe'
import { withdrawPrescriptionVerb } from './withdraw'
import { removePhotoVerb } from './photograph'
import { finishPracticeVerb } from './practice'
import { mergeTreesVerb, moveTreeVerb, removeTreeVerb, standAgainVerb, strikeReadingVerb } from './putRight'
import { beginWorkVerb, confirmTreeVerb } from './begin'
import { markStepVerb, markStepsVerb } from './run'
import { placeSiteVerb, seeStageVerb, takeStageBackVerb } from './season'
import { endAbsenceVerb, endCrewVerb, setAbsenceVerb, setCrewVerb, setSiteHoursVerb } from './crews'
import { endCalendarLinkVerb, makeCalendarLinkVerb } from './calendar/link'
import { takeWeekVerb } from './takeWeek'
import { signRecordVerb } from './signRecord'
import { noteAppliedVerb, setAreaVerb } from './limits'
import { enterCardVerb, enterLotVerb, withdrawLotVerb } from './shelf'
import { enterHoursVerb, readWeatherVerb, takeHoursBackVerb, takeWeatherBackVerb } from './siteWeather'
import { addReadingVerb, addTreeVerb, changeTreeVerb, confirmIdentityVerb, saveRingVerb } from './survey'
import type { PersonRow } from '@/db/queries/person'
import { addClientVerb, archiveClientVerb, changeClientVerb, joinClientsVerb } from './places/clients'
import { addSiteVerb, archiveSiteVerb, changeSiteVerb } from './places/sites'
import { putFirstStepsAwayVerb, setFirmVerb, setLanguageVerb } from './house/firm'
import {
  addLicenceVerb,
  askFactorVerb,
  callBackInvitationVerb,
  changePasswordVerb,
  endLicenceVerb,
  endOtherSessionsVerb,
  endDeviceVerb,
  endSessionVerb,
  inviteVerb,
  makePasswordLinkVerb,
  putPersonAwayVerb,
  setPersonVerb,
  takePersonBackVerb,
} from './house/people'
import { confirmFactorVerb, endFactorVerb, startFactorVerb } from './house/factor'
import { changeOutlineVerb, drawOutlinesVerb, takeOutlineVerb } from './plan/outlines'
import { placePictureVerb } from './plan/picture'
import { undoPlanStepVerb } from './plan/undoPlanStep'
import { sayWaterVerb } from './plan/water'
import { undoImportVerb } from './trees/importTrees'
import { mayDo, type Performable } from './verb'

/** Every step of the job by the name under which it is sent. */
export const VERBS = {
  'enter-card': enterCardVerb,
  'enter-lot': enterLotVerb,
  'withdraw-lot': withdrawLotVerb,
  'note-applied': noteAppliedVerb,
  'set-area': setAreaVerb,
  'add-tree': addTreeVerb,
  'change-tree': changeTreeVerb,
  'confirm-identity': confirmIdentityVerb,
  'add-reading': addReadingVerb,
  'save-ring': saveRingVerb,
  'set-block': setBlockVerb,
  'sign-block': signBlockVerb,
  'move-tree': moveTreeVerb,
  'draw-outlines': drawOutlinesVerb,
  'change-outline': changeOutlineVerb,
  'take-outline': takeOutlineVerb,
  'say-water': sayWaterVerb,
  'place-picture': placePictureVerb,
  'undo-plan-step': undoPlanStepVerb,
  'strike-reading': strikeReadingVerb,
  'remove-tree': removeTreeVerb,
  'merge-trees': mergeTreesVerb,
  'stand-again': standAgainVerb,
  'set-finding': setFindingVerb,
  'set-detail': setDetailVerb,
  'remove-photo': removePhotoVerb,
  'sign-diagnosis': signDiagnosisVerb,
  'sign-decision': signDecisionVerb,
  'decide-many': decideManyVerb,
  'screen-safety': screenSafetyVerb,
  'set-site-money': setSiteMoneyVerb,
  'hand-to-crew': handToCrewVerb,
  'put-on-day': putOnDayVerb,
  'end-repeats': endRepeatsVerb,
  'move-day': moveDayVerb,
  'move-check': moveCheckVerb,
  'take-week': takeWeekVerb,
  'set-crew': setCrewVerb,
  'end-crew': endCrewVerb,
  'note-loaded': noteLoadedVerb,
  'put-day-away': putDayAwayVerb,
  'tell-client': tellClientVerb,
  'enter-stock': enterStockVerb,
  'set-least': setLeastVerb,
  'set-absence': setAbsenceVerb,
  'end-absence': endAbsenceVerb,
  'set-site-hours': setSiteHoursVerb,
  'make-calendar-link': makeCalendarLinkVerb,
  'end-calendar-link': endCalendarLinkVerb,
  'hand-back': handBackVerb,
  'release-line': releaseLineVerb,
  'withdraw-prescription': withdrawPrescriptionVerb,
  'confirm-tree': confirmTreeVerb,
  'begin-work': beginWorkVerb,
  'mark-step': markStepVerb,
  'mark-steps': markStepsVerb,
  'sign-record': signRecordVerb,
  'enter-result': enterResultVerb,
  'enter-results': enterResultsVerb,
  'enter-answer': enterAnswerVerb,
  'correct-record': correctRecordVerb,
  'set-units': setUnitsVerb,
  'move-clock': moveClockVerb,
  'set-own-entry': setOwnEntryVerb,
  'withdraw-own-entry': withdrawOwnEntryVerb,
  'write-note': writeNoteVerb,
  'set-house-rule': setHouseRuleVerb,
  'set-local-rule': setLocalRuleVerb,
  'end-local-rule': endLocalRuleVerb,
  'set-district': setDistrictVerb,
  'place-site': placeSiteVerb,
  'see-stage': seeStageVerb,
  'take-stage-back': takeStageBackVerb,
  'read-weather': readWeatherVerb,
  'take-weather-back': takeWeatherBackVerb,
  'enter-hours': enterHoursVerb,
  'take-hours-back': takeHoursBackVerb,
  'finish-practice': finishPracticeVerb,
  'make-token': makeTokenVerb,
  'revoke-token': revokeTokenVerb,
  'set-firm': setFirmVerb,
  'put-first-steps-away': putFirstStepsAwayVerb,
  invite: inviteVerb,
  'call-back-invitation': callBackInvitationVerb,
  'make-password-link': makePasswordLinkVerb,
  'set-person': setPersonVerb,
  'put-person-away': putPersonAwayVerb,
  'take-person-back': takePersonBackVerb,
  'add-licence': addLicenceVerb,
  'end-licence': endLicenceVerb,
  'ask-factor': askFactorVerb,
  'set-language': setLanguageVerb,
  'change-password': changePasswordVerb,
  'see-away': seeAwayVerb,
  'end-session': endSessionVerb,
  'end-device': endDeviceVerb,
  'end-other-sessions': endOtherSessionsVerb,
  'start-factor': startFactorVerb,
  'confirm-factor': confirmFactorVerb,
  'end-factor': endFactorVerb,
  'add-client': addClientVerb,
  'change-client': changeClientVerb,
  'archive-client': archiveClientVerb,
  'join-clients': joinClientsVerb,
  'add-site': addSiteVerb,
  'change-site': changeSiteVerb,
  'archive-site': archiveSiteVerb,
  'undo-import': undoImportVerb,
} as const satisfies Record<string, Pick<Performable, 'roles' | 'perform'>>

export type VerbName = keyof typeof VERBS
/** What a step asks for, and what it answers. */
export type Asks<Name extends VerbName> = NonNullable<(typeof VERBS)[Name]['asks']>
export type Answers<Name extends VerbName> =
  Awaited<ReturnType<(typeof VERBS)[Name]['perform']>> extends infer R
    ? R extends { ok: true; value: infer V }
      ? V
      : never
    : never

/** A step by the name it was sent under, or nothing. */
export function verbNamed(name: string): Performable | undefined {
  return Object.hasOwn(VERBS, name) ? VERBS[name as VerbName] : undefined
}

/** The steps a person may do, for pages to offer no others. */
export function stepsOf(person: Pick<PersonRow, 'role' | 'keepsHouse'>): VerbName[] {
  return (Object.keys(VERBS) as VerbName[]).filter((name) => mayDo(person, VERBS[name]))
}
