import { closePool } from '@/db/client'
import type { Role } from '@/db/queries/person'
import { VERBS } from '@/server/verbs'
import { act, makeFirm, type TestFirm } from './scenario'

/** Who may do what, written down a second time: a role that is added or lost in a step shows here. */
const ALL: Role[] = ['arborist', 'crew lead', 'technician', 'office']
const FIELD: Role[] = ['arborist', 'crew lead', 'technician']
/** In a made firm the office keeps the house. */
const KEEPER: Role[] = ['office']
const OFFICE: Role[] = ['arborist', 'office']
const MAY: Record<string, Role[]> = {
  'add-tree': ['arborist', 'crew lead', 'office'],
  'enter-card': ['arborist', 'office'],
  'enter-lot': ['arborist', 'crew lead', 'office'],
  'withdraw-lot': ['arborist', 'crew lead', 'office'],
  'change-tree': ['arborist', 'crew lead', 'office'],
  'set-block': ['arborist', 'crew lead', 'office'],
  'sign-block': ['arborist'],
  'confirm-identity': ['arborist', 'crew lead'],
  'add-reading': FIELD,
  'save-ring': ['arborist', 'crew lead'],
  'move-tree': ['arborist', 'crew lead', 'office'],
  'draw-outlines': ['arborist', 'crew lead', 'office'],
  'change-outline': ['arborist', 'crew lead', 'office'],
  'take-outline': ['arborist', 'crew lead', 'office'],
  'say-water': ['arborist', 'crew lead', 'office'],
  'place-picture': ['arborist', 'crew lead', 'office'],
  'undo-plan-step': ['arborist', 'crew lead', 'office'],
  'strike-reading': ['arborist', 'crew lead'],
  'remove-tree': ['arborist', 'crew lead'],
  'merge-trees': ['arborist'],
  'stand-again': ['arborist', 'crew lead'],
  'set-finding': FIELD,
  'set-detail': FIELD,
  'remove-photo': FIELD,
  'sign-diagnosis': ['arborist'],
  'sign-decision': ['arborist'],
  'hand-to-crew': ['arborist'],
  'put-on-day': ['arborist', 'crew lead'],
  'end-repeats': ['arborist'],
  'move-day': ['arborist', 'crew lead'],
  'move-check': ['arborist', 'crew lead', 'office'],
  'take-week': ['arborist', 'crew lead', 'office'],
  'set-crew': ['arborist', 'crew lead', 'office'],
  'end-crew': ['arborist', 'crew lead', 'office'],
  'note-loaded': ['arborist', 'crew lead', 'technician'],
  'put-day-away': ['arborist', 'crew lead', 'technician'],
  'tell-client': ['arborist', 'crew lead', 'office'],
  'enter-stock': ALL,
  'set-least': ['arborist', 'crew lead', 'office'],
  'see-away': ['arborist'],
  'set-absence': ['arborist', 'crew lead', 'office'],
  'end-absence': ['arborist', 'crew lead', 'office'],
  'set-site-hours': ['arborist', 'crew lead', 'office'],
  'make-calendar-link': ['arborist', 'crew lead', 'office'],
  'end-calendar-link': ['arborist', 'crew lead', 'office'],
  'hand-back': FIELD,
  'release-line': ['arborist', 'crew lead'],
  'withdraw-prescription': ['arborist'],
  'confirm-tree': FIELD,
  'begin-work': FIELD,
  'note-applied': ['arborist', 'crew lead', 'office'],
  'set-area': ['arborist', 'office'],
  'mark-steps': FIELD,
  'mark-step': FIELD,
  'sign-record': ['arborist', 'crew lead'],
  'enter-results': ['arborist', 'crew lead', 'technician'],
  'enter-result': FIELD,
  'enter-answer': ['arborist', 'crew lead', 'office'],
  'correct-record': ['arborist', 'crew lead'],
  'set-units': ALL,
  'move-clock': ALL,
  'set-own-entry': ['arborist'],
  'withdraw-own-entry': ['arborist'],
  'write-note': ['arborist', 'crew lead', 'office'],
  'set-house-rule': ['arborist'],
  'decide-many': ['arborist'],
  'screen-safety': ['arborist'],
  'set-site-money': ['arborist', 'office'],
  'set-local-rule': ['arborist', 'office'],
  'end-local-rule': ['arborist', 'office'],
  'set-district': ['arborist', 'office'],
  'place-site': ['arborist', 'office'],
  'see-stage': ['arborist', 'crew lead', 'technician', 'office'],
  'take-stage-back': ['arborist', 'crew lead', 'technician', 'office'],
  'read-weather': ALL,
  'take-weather-back': ALL,
  'enter-hours': ['arborist', 'office'],
  'take-hours-back': ['arborist', 'office'],
  'finish-practice': ALL,
  'make-token': ALL,
  'revoke-token': ALL,
  'set-firm': KEEPER,
  'put-first-steps-away': KEEPER,
  invite: KEEPER,
  'call-back-invitation': KEEPER,
  'make-password-link': KEEPER,
  'set-person': KEEPER,
  'put-person-away': KEEPER,
  'take-person-back': KEEPER,
  'add-licence': OFFICE,
  'end-licence': OFFICE,
  'ask-factor': KEEPER,
  'set-language': ALL,
  'change-password': ALL,
  'end-session': ALL,
  'end-device': KEEPER,
  'end-other-sessions': ALL,
  'start-factor': ALL,
  'confirm-factor': ALL,
  'end-factor': ALL,
  'add-client': OFFICE,
  'change-client': OFFICE,
  'archive-client': OFFICE,
  'join-clients': OFFICE,
  'add-site': OFFICE,
  'change-site': OFFICE,
  'archive-site': OFFICE,
  'undo-import': ['arborist', 'crew lead', 'office'],
}
/** Steps that need nothing said; who may do them has done them. */
const SAYS_NOTHING = ['end-other-sessions', 'start-factor']

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Role firm')
})
afterAll(() => closePool())

test('every step is in the table', () => expect(Object.keys(MAY).sort()).toEqual(Object.keys(VERBS).sort()))

test.each(Object.keys(MAY).flatMap((verb) => ALL.map((role) => [verb, role] as const)))(
  '%s by the %s',
  async (verb, role) => {
    // Nothing at all is sent: who may do it is told what is missing, who may not is told so.
    const r = await act(firm.person(role), verb, {})
    expect([verb, r.ok]).toEqual([verb, SAYS_NOTHING.includes(verb)])
    if (r.ok) return
    expect(r.problem.field === 'role').toBe(!MAY[verb]!.includes(role))
    expect(r.problem.message.length).toBeGreaterThan(10)
  },
)
