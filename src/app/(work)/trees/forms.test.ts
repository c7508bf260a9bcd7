/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { HOSTS } from '@/almanac/hosts'
import { formsHold } from '@/ui/fields/form.testing'
import { fakeServer } from '@/ui/fields/server.testing'
import { SafetyScreen } from './[id]/decide/SafetyScreen'
import { LiveCrown } from './[id]/examine/LiveCrown'
import { IdentityQuestion } from './[id]/IdentityQuestion'
import { NotStanding } from './[id]/NotStanding'
import { ReadingForm } from './[id]/ReadingForm'
import { TakeFromList } from './[id]/TakeFromList'
import { TreeForm } from './[id]/TreeForm'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))
jest.mock('@/ui/pieces/Link', () => ({ Link: 'a' }))

const nothing = () => {}
const tree = {
  id: 't-1',
  tag: 'Ash 14',
  host: 'ash',
  note: 'by the gate',
  liveCrownPercent: 80,
  version: 3,
  status: 'standing',
  removedAt: null,
  removedWords: null,
}
const view = { tree, units: 'us', readings: [], own: [], into: null, timeZone: 'UTC', screen: null } as never
const gone = { ...(view as object), tree: { ...tree, status: 'removed', removedWords: 'felled' } } as never
const GIRTH = 'Girth at 4 1/2 ft'
/** A kind that is taken for another one. */
const mistaken = HOSTS.find((k) => k.confusedWith)!

formsHold([
  {
    name: 'a reading of one stem',
    draw: () => h(ReadingForm, { view }),
    verb: 'add-reading',
    type: { [GIRTH]: '44 1/2' },
    press: 'Keep the reading',
    sends: { treeId: 't-1', tape: 'girth', bareUnit: 'in', stems: ['44 1/2'] },
    names: 'id',
    beside: { 'stems[0]': GIRTH },
    atForm: ['tape', 'treeId'],
    answer: { diameterM: 0.36 },
  },
  {
    name: 'a reading by the diameter tape, in cm',
    draw: () => h(ReadingForm, { view }),
    verb: 'add-reading',
    type: { 'Diameter tape': true, 'Unit of a bare number': 'cm', 'Diameter at 4 1/2 ft': '37' },
    press: 'Keep the reading',
    sends: { tape: 'diameter', bareUnit: 'cm', stems: ['37'] },
    beside: { 'stems[0]': 'Diameter at 4 1/2 ft' },
    answer: { diameterM: 0.37 },
  },
  {
    name: 'a reading of two stems',
    draw: () => h(ReadingForm, { view }),
    verb: 'add-reading',
    open: ['Another stem'],
    type: { 'Stem 1, girth at 4 1/2 ft': '30', 'Stem 2, girth at 4 1/2 ft': '5\' 3"' },
    press: 'Keep the reading',
    sends: { stems: ['30', '5\' 3"'] },
    beside: { 'stems[0]': 'Stem 1, girth at 4 1/2 ft', 'stems[1]': 'Stem 2, girth at 4 1/2 ft' },
    answer: { diameterM: 0.36 },
  },
  {
    name: 'the live crown',
    draw: () => h(LiveCrown, { tree: tree as never }),
    verb: 'change-tree',
    type: { 'Live crown, % in steps of 5': '65' },
    press: 'Keep the live crown',
    sends: { treeId: 't-1', version: 3, tag: 'Ash 14', note: 'by the gate', liveCrownPercent: '65' },
    beside: { liveCrownPercent: 'Live crown, % in steps of 5' },
    answer: { version: 4 },
  },
  {
    name: 'a tree that is gone',
    draw: () => h(TakeFromList, { view, onDone: nothing }),
    verb: 'remove-tree',
    type: { 'In a few words: felled, fallen, never there': 'fallen' },
    press: 'Take it from the list',
    sends: { treeId: 't-1', version: 3, words: 'fallen' },
    beside: { words: 'In a few words: felled, fallen, never there' },
    atForm: ['version', 'treeId'],
  },
  {
    name: 'a tree that is listed twice',
    draw: () => h(TakeFromList, { view, onDone: nothing }),
    verb: 'merge-trees',
    type: { 'Listed twice': true, 'Tag of the listing that stays': 'Ash 13' },
    press: 'Merge',
    sends: { treeId: 't-1', version: 3, into: 'Ash 13' },
    beside: { into: 'Tag of the listing that stays' },
    atForm: ['version'],
    answer: { treeId: 't-2' },
  },
  {
    name: 'a tree that stands after all',
    draw: () => h(NotStanding, { view: gone }),
    verb: 'stand-again',
    type: {},
    press: 'It stands: put it back',
    sends: { treeId: 't-1' },
    atForm: ['treeId', 'tag'],
  },
  {
    name: 'what kind of tree it is',
    draw: () => h(IdentityQuestion, { treeId: 't-1', host: mistaken, lookAlike: 'Something like it' }),
    verb: 'confirm-identity',
    type: {},
    press: mistaken.confusedWith!.ifOther,
    sends: { treeId: 't-1', host: mistaken.confusedWith!.host },
    atForm: ['host'],
  },
  {
    name: 'whether it could break over somebody',
    draw: () => h(SafetyScreen, { view }),
    verb: 'screen-safety',
    open: ['Screen it'],
    type: {
      'What is weak, in words': 'a cracked fork',
      'What is beneath, in words': 'a bench',
      'What would come of it, in words': 'a bruise',
    },
    press: 'Keep the screen',
    sends: {
      treeId: 't-1',
      defect: 1,
      defectWords: 'a cracked fork',
      targetWords: 'a bench',
      consequenceWords: 'a bruise',
    },
    names: 'id',
    beside: {
      defectWords: 'What is weak, in words',
      targetWords: 'What is beneath, in words',
      consequenceWords: 'What would come of it, in words',
    },
    atForm: ['defect', 'treeId'],
  },
])

describe('a doubt about a reading', () => {
  const asked = (field: string) => ({
    status: 409,
    body: { error: { code: 'doubt', field, message: 'That is very thick for an ash.' } },
  })
  async function typed(value: string, ...replies: Parameters<ReturnType<typeof fakeServer>['reply']>) {
    const server = fakeServer()
    server.reply(...replies)
    render(h(ReadingForm, { view }))
    fireEvent.change(screen.getByLabelText(GIRTH), { target: { value } })
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep the reading' })))
    return server
  }

  test('is answered by a press, and goes with what it was asked about', async () => {
    const server = await typed('140', asked('thick'), { body: { value: { diameterM: 1.13 } } })
    expect(screen.getByText(/very thick/)).toBeTruthy()
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'It is right, keep it' })))
    expect(server.asked.map((a) => a.body['accepted'])).toEqual([undefined, ['thick']])
    expect(screen.getByRole('status').textContent).toMatch(/^Kept: /)
  })

  test('is no longer answered once another number is typed', async () => {
    const server = await typed('140', asked('thick'), asked('thick'))
    fireEvent.change(screen.getByLabelText(GIRTH), { target: { value: '141' } })
    expect(screen.queryByText(/very thick/)).toBeNull()
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep the reading' })))
    expect(server.asked.map((a) => a.body['accepted'])).toEqual([undefined, undefined])
  })

  test.each([
    ['girth-as-diameter', 'It was the girth', { tape: 'girth', stems: ['140'] }],
    ['diameter-as-girth', 'It was the diameter', { tape: 'diameter', stems: ['140'] }],
    ['cm-as-in', 'It was in cm', { bareUnit: 'cm', stems: ['140'] }],
  ])('%s has a way out of its own', async (field, out, sends) => {
    const server = await typed('140 in', asked(field), { body: { value: { diameterM: 0.4 } } })
    fireEvent.click(screen.getByRole('button', { name: out }))
    if (field !== 'cm-as-in')
      fireEvent.change(screen.getByLabelText(/at 4 1\/2 ft/), { target: { value: '140' } })
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep the reading' })))
    expect(server.asked[1]!.body).toMatchObject(sends)
  })
})

describe('a tree that somebody else changed meanwhile', () => {
  const theirs = { version: 5, tag: 'Ash 14', host: 'ash', note: 'gate is gone', liveCrownPercent: 70 }
  async function met(...after: Parameters<ReturnType<typeof fakeServer>['reply']>) {
    const server = fakeServer()
    const onDone = jest.fn()
    server.reply(server.refusal('version', 'It was changed.'), { body: { value: theirs } }, ...after)
    render(h(TreeForm, { view, onDone }))
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'by the old gate' } })
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Save' })))
    return { server, onDone }
  }

  test('stands beside what is typed, and nothing typed is lost', async () => {
    await met()
    const cells = [...screen.getByRole('table').querySelectorAll('tbody tr')].map((r) => r.textContent)
    expect(cells).toHaveLength(2)
    expect(cells.join()).toMatch(/gate is gone.*by the old gate/)
    expect(cells.join()).toMatch(/70.*80/)
    expect((screen.getByLabelText('Note') as HTMLTextAreaElement).value).toBe('by the old gate')
  })

  test('is not looked for where nothing is in reach, and that is said', async () => {
    const server = fakeServer()
    server.reply('lost', 'lost')
    render(h(TreeForm, { view, onDone: nothing }))
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'by the old gate' } })
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Save' })))
    expect(screen.getByText(/server cannot be reached/)).toBeTruthy()
    expect(screen.queryByRole('table')).toBeNull()
    expect((screen.getByLabelText('Note') as HTMLTextAreaElement).value).toBe('by the old gate')
  })

  test('is kept over by a press, which says over what', async () => {
    const { server, onDone } = await met({ body: { value: { version: 6 } } })
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep mine' })))
    expect(server.asked.at(-1)!.body).toMatchObject({
      version: 5,
      note: 'by the old gate',
      liveCrownPercent: '80',
    })
    expect(onDone).toHaveBeenCalledTimes(1)
  })

  test('is taken by a press, and changed on from there', async () => {
    const { server } = await met({ body: { value: { version: 6 } } })
    fireEvent.click(screen.getByRole('button', { name: 'Take theirs' }))
    expect((screen.getByLabelText('Note') as HTMLTextAreaElement).value).toBe('gate is gone')
    expect(screen.queryByRole('table')).toBeNull()
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Save' })))
    expect(server.asked.at(-1)!.body).toMatchObject({
      version: 5,
      note: 'gate is gone',
      liveCrownPercent: '70',
    })
  })
})
