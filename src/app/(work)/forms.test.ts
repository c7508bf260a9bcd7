/** @jest-environment jsdom */
import { createElement as h } from 'react'
import { SCHOOLS } from '@/almanac/schools'
import { formsHold } from '@/ui/fields/form.testing'
import { CalendarLinks } from '@/ui/calendar/CalendarLinks'
import { HouseRule } from './almanac/[kind]/[id]/HouseRule'
import { OwnNote } from './almanac/[kind]/[id]/OwnNote'
import { LaboratoryForm } from './follow-up/[id]/LaboratoryForm'
import { MoveCheck } from './follow-up/[id]/MoveCheck'
import { OwnWeather } from './grounds/[site]/season/OwnWeather'
import { CorrectionForm } from './ledger/[id]/CorrectionForm'
import { EndRule } from './settings/rules/EndRule'
import { Tokens } from './settings/Tokens'
import { Lots } from './shelf/[code]/Lots'
import { Absences } from './week/crews/Absences'
import { CrewForm } from './week/crews/CrewForm'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))
jest.mock('@/ui/pieces/Link', () => ({ Link: 'a' }))

const nothing = () => {}
const [TEODOR, WREN] = ['018f0000-0000-7000-8000-000000000001', '018f0000-0000-7000-8000-000000000002']
const check = {
  id: 'f-1',
  treeId: 't-1',
  dueOn: '2026-06-10',
  decisionId: null,
  expectation: { kind: 'look' },
} as never
const crews = {
  today: '2026-06-15',
  people: [
    { id: TEODOR, name: 'Teodor Lindqvist', licence: 'A 1' },
    { id: WREN, name: 'Wren Castellane', licence: null },
  ],
  crews: [{ id: 'c-1', name: 'Yarrow', people: [WREN] }],
  absences: [],
} as never
const yarrow = {
  id: 'c-1',
  name: 'Yarrow',
  truck: null,
  people: [WREN],
  methods: ['prune'],
  begins: 420,
  minutes: [480, 480, 480, 480, 480, 0, 0],
} as never
const school = SCHOOLS[0]!

formsHold([
  {
    name: 'a promised look is put on another day',
    draw: () => h(MoveCheck, { check, today: '2026-06-15' }),
    verb: 'move-check',
    type: { 'Another day': '2026-06-30', Why: 'the client is away' },
    press: 'Put it on this day',
    sends: { followUpId: 'f-1', onDate: '2026-06-30', why: 'the client is away' },
    beside: { onDate: 'Another day', why: 'Why' },
    atForm: ['followUpId'],
  },
  {
    name: 'a promised look is ended',
    draw: () => h(MoveCheck, { check, today: '2026-06-15' }),
    verb: 'move-check',
    type: { Why: 'the tree is gone' },
    press: 'End it: nobody looks any more',
    sends: { followUpId: 'f-1', onDate: null, why: 'the tree is gone' },
    beside: { why: 'Why' },
  },
  {
    name: 'the answer of a laboratory',
    draw: () =>
      h(LaboratoryForm, {
        view: {
          check,
          laboratory: [
            { id: 'lab-wilt', question: 'Was the wilt fungus found?' },
            { id: 'lab-canker', question: 'Was a canker fungus found?' },
          ],
        } as never,
      }),
    verb: 'enter-answer',
    type: { 'Was the wilt fungus found?': 'not-there' },
    press: 'Keep the answer and weigh it →',
    sends: { followUpId: 'f-1', answers: [{ finding: 'lab-wilt', state: 'not-there' }], words: null },
    names: 'assessmentId',
    atForm: ['answers', 'followUpId'],
  },
  {
    name: 'a correction of a record',
    draw: () =>
      h(CorrectionForm, {
        recordId: 'r-1',
        amounts: [{ subjectId: 's-1', tag: 'Ash 14', got: '80 mL' }],
        onLeave: nothing,
      }),
    verb: 'correct-record',
    type: { 'What is right': 'it was 80 mL', 'Why the record says otherwise': 'read off the wrong bottle' },
    press: 'Sign the correction',
    sends: { recordId: 'r-1', correction: 'it was 80 mL', reason: 'read off the wrong bottle', amounts: [] },
    names: 'id',
    beside: { correction: 'What is right', reason: 'Why the record says otherwise' },
    atForm: ['recordId', 'amounts', 'amounts[0].amount'],
  },
  {
    name: 'a lot on the shelf',
    draw: () => h(Lots, { view: { lots: [], today: '2026-06-15' } as never, code: 'HC-2F' }),
    verb: 'enter-lot',
    type: { 'Lot, off the package': 'K 7731', 'Last day': '2028-03-01' },
    press: 'Put on the shelf',
    sends: { code: 'HC-2F', number: 'K 7731', expiresOn: '2028-03-01' },
    names: 'id',
    beside: { number: 'Lot, off the package', expiresOn: 'Last day' },
    atForm: ['code'],
  },
  {
    name: 'a lot is called back',
    draw: () =>
      h(Lots, {
        view: {
          lots: [
            {
              id: 'l-1',
              number: 'K 1',
              expiresOn: null,
              withdrawnOn: null,
              withdrawnWhy: null,
              stock: null,
              moves: [],
            },
          ],
          least: null,
          units: 'us',
          putOn: [],
          today: '2026-06-15',
        } as never,
        code: 'HC-2F',
      }),
    verb: 'withdraw-lot',
    type: { 'Why it is called back': 'grit in it' },
    press: 'Call it back',
    sends: { lotId: 'l-1', why: 'grit in it' },
    beside: { why: 'Why it is called back' },
    atForm: ['lotId'],
  },
  {
    name: 'a token',
    draw: () => h(Tokens, { view: { tokens: [], timeZone: 'UTC' } as never }),
    verb: 'make-token',
    type: { 'Name of the new token': 'dose sheet' },
    press: 'Make token',
    sends: { name: 'dose sheet' },
    names: 'id',
    beside: { name: 'Name of the new token' },
    answer: { token: 'shown once' },
  },
  {
    name: 'somebody is away',
    draw: () => h(Absences, { view: crews }),
    verb: 'set-absence',
    type: { 'Who is away': 'crew c-1', From: '2026-06-20', To: '2026-06-22', Why: 'inspection' },
    press: 'Enter',
    sends: { personId: null, crewId: 'c-1', from: '2026-06-20', to: '2026-06-22', why: 'inspection' },
    names: 'id',
    beside: { who: 'Who is away', from: 'From', to: 'To', why: 'Why' },
    atForm: ['crewId'],
  },
  {
    name: 'a crew that is new',
    draw: () => h(CrewForm, { crew: null, view: crews, onDone: nothing }),
    verb: 'set-crew',
    type: {
      Name: 'Tansy',
      'Truck, and what it carries': 'truck 2',
      'Teodor Lindqvist, licensed': true,
      'Begins at': '6:30',
      'Mon, hours': '7:30',
      'Sat, hours': '4,5',
    },
    press: 'Keep',
    sends: {
      name: 'Tansy',
      truck: 'truck 2',
      people: [TEODOR],
      begins: '6:30',
      minutes: ['7:30', '8', '8', '8', '8', '4,5', ''],
    },
    names: 'crewId',
    beside: {
      name: 'Name',
      truck: 'Truck, and what it carries',
      begins: 'Begins at',
      'minutes[0]': 'Mon, hours',
      'minutes[6]': 'Sun, hours',
    },
    atForm: ['people', 'methods[0]', 'minutes', 'crewId'],
  },
  {
    name: 'a crew is ended',
    draw: () => h(CrewForm, { crew: yarrow, view: crews, onDone: nothing }),
    verb: 'end-crew',
    type: {},
    press: 'End this crew',
    sends: { crewId: 'c-1' },
    atForm: ['crewId', 'name'],
  },
  {
    name: 'a note of our own',
    draw: () => h(OwnNote, { entry: 'cause oak-wilt', note: null, view: { timeZone: 'UTC' } as never }),
    verb: 'write-note',
    type: { 'Our own note': 'seen twice on the hill' },
    press: 'Keep the note',
    sends: { entry: 'cause oak-wilt', words: 'seen twice on the hill' },
    names: 'id',
    atForm: ['words', 'entry'],
  },
  {
    name: 'a house rule for one district',
    draw: () =>
      h(HouseRule, {
        school,
        rules: [],
        view: { districts: ['Wick County'], clients: [], timeZone: 'UTC' } as never,
      }),
    verb: 'set-house-rule',
    type: { 'We do it': 'other', 'It holds': 'district', District: 'Wick County', Why: 'heavy soil' },
    press: 'Set our rule',
    sends: {
      matter: school.id,
      rule: 'other',
      words: 'heavy soil',
      district: 'Wick County',
      clientId: null,
      treeId: null,
    },
    names: 'id',
    atForm: ['district', 'rule', 'words'],
  },
  {
    name: 'a local rule ends',
    draw: () => h(EndRule, { id: 'r-1', onLeave: nothing }),
    verb: 'end-local-rule',
    type: { 'Why it ends': 'the district took it back' },
    press: 'End it',
    sends: { id: 'r-1', words: 'the district took it back' },
    atForm: ['words', 'id'],
  },
  {
    name: 'weather that was read at a site',
    draw: () =>
      h(OwnWeather, {
        view: { site: { id: 's-1', timeZone: 'UTC' }, units: 'us', readings: [], entered: [] } as never,
      }),
    verb: 'read-weather',
    type: { 'Temperature now, °F': '71', 'Wind now, mph': '4' },
    press: 'Keep the reading',
    sends: { siteId: 's-1', temperature: '71', wind: '4' },
    names: 'id',
    beside: { temperature: 'Temperature now, °F', wind: 'Wind now, mph' },
    atForm: ['siteId'],
  },
  {
    name: 'a calendar link of a crew',
    draw: () => h(CalendarLinks, { of: { crewId: 'c-1', clientId: null }, links: [], timeZone: 'UTC' }),
    verb: 'make-calendar-link',
    type: {},
    press: 'Make a link',
    sends: { crewId: 'c-1', clientId: null },
    names: 'id',
    atForm: ['crewId'],
    answer: { link: 'a-long-secret' },
  },
])
