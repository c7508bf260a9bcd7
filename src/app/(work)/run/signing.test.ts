/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { formsHold } from '@/ui/fields/form.testing'
import { fakeServer } from '@/ui/fields/server.testing'
import { MayProvider } from '@/ui/shell/may'
import type { JobItem, JobTree } from './[job]/job'
import { SignRecord } from './[job]/SignRecord'

const push = jest.fn()
jest.mock('next/navigation', () => ({ useRouter: () => ({ push, refresh: jest.fn() }) }))

const FROM = Date.UTC(2026, 5, 15, 14)
const ML = 1e-6

/** A port of 3 mL with what is left in it; null while it is in the tree. */
function port(n: number, left: number | null) {
  return {
    id: `step ${n}`,
    n,
    state: {
      kind: 'port',
      number: n,
      bearing: n * 60,
      volume: 3 * ML,
      drilledAt: FROM,
      startedAt: FROM,
      stoppedAt: left === null ? null : FROM + 600_000,
      outAt: left === null ? null : FROM + 700_000,
      left: left ?? 0,
      givenUp: left ? 'sap comes out' : null,
    },
  }
}

const injected = (...left: (number | null)[]) =>
  ({
    id: 'x-1',
    tag: 'Ash 14',
    status: 'open',
    steps: left.map((l, i) => port(i + 1, l)),
    plan: {
      method: 'trunk-injection',
      kind: 'liquid',
      product: 3 * ML * left.length,
      steps: left.map((_, i) => ({ kind: 'port', bearing: (i + 1) * 60, product: 3 * ML })),
      shape: { uptake: { to: 3600 } },
    },
  }) as unknown as JobTree

function sprayed(id: string, itemId: string, done: number, product: number) {
  const task = {
    task: 'spray',
    product,
    times: 1,
    done,
    startedAt: done ? FROM : null,
    givenUp: null,
    amount: null,
  }
  return {
    id,
    tag: `Apple ${id}`,
    itemId,
    status: 'open',
    steps: [{ id: `step ${id}`, n: 1, state: { kind: 'task', ...task } }],
    plan: { method: 'crown-spray', kind: 'liquid', product },
  } as unknown as JobTree
}

const itemOf = (
  id: string,
  method: string,
  name: string,
  lots: string[],
  registration: string | null = '000',
) =>
  ({
    id,
    method,
    product: { name, registration },
    use: {},
    lots: lots.map((number) => ({ number })),
  }) as unknown as JobItem

const injection = itemOf('i', 'trunk-injection', 'Hollow Creek 4', ['K 1', 'K 2'])
const cover = itemOf('c', 'crown-spray', 'Captan 4', ['C 7'])
const oil = itemOf('o', 'crown-spray', 'Light oil', ['O 3'])
const view = (weather: object | null = null) =>
  ({ weather, units: 'us', licence: 'A 1', today: '2026-06-12' }) as never
const none = () => []

const WEATHER = {
  Temperature: '71 F',
  Wind: '4 mph',
  'Wind from': 'SW',
  Soil: 'moist',
  Sky: 'clear',
  'Notices given': 'sign at the gate',
} as const
const BESIDE = {
  temperature: 'Temperature',
  wind: 'Wind',
  windFrom: 'Wind from',
  soil: 'Soil',
  sky: 'Sky',
  notices: 'Notices given',
  deviations: 'What went otherwise than planned, and why, in your words',
} as const
const sign = (
  item: JobItem,
  trees: JobTree[],
  more: {
    mates?: JobItem[]
    beside?: (t: JobTree) => JobTree[]
    weather?: object | null
    sending?: boolean
  } = {},
) =>
  h(SignRecord, {
    view: view(more.weather),
    item,
    trees,
    mates: more.mates ?? [],
    beside: more.beside ?? none,
    sending: more.sending ?? false,
  })

/** Two trees done and one not; beside each the oil that came out of the same tank. */
const three = [sprayed('1', 'c', 1, 30 * ML), sprayed('2', 'c', 1, 40 * ML), sprayed('3', 'c', 0, 50 * ML)]
const withOil = (t: JobTree) => [sprayed(`${t.id} oil`, 'o', t.id === '3' ? 0 : 1, 60 * ML)]

formsHold([
  {
    name: 'the record of an injection',
    draw: () => sign(injection, [injected(0, 0)]),
    verb: 'sign-record',
    type: {
      'Lot, off the package': 'K 2',
      'Empties counted in': '2',
      ...WEATHER,
      [BESIDE.deviations]: 'nothing',
    },
    press: 'Sign the record',
    sends: {
      jobSubjectIds: ['x-1'],
      also: [],
      lot: 'K 2',
      counted: '2',
      mark: 'white',
      temperature: '71 F',
      wind: '4 mph',
      windFrom: 'SW',
      soil: 'moist',
      sky: 'clear',
      notices: 'sign at the gate',
      deviations: 'nothing',
    },
    names: 'id',
    beside: { ...BESIDE, lot: 'Lot, off the package', counted: 'Empties counted in', mark: 'Marked in' },
    atForm: ['jobSubjectIds', 'licence'],
    answer: { recordId: 'r-1' },
  },
  {
    name: 'the record of a tank, with what else came out of it',
    draw: () => sign(cover, three, { mates: [oil], beside: withOil }),
    verb: 'sign-record',
    type: {
      'Lot of Captan 4, off the package': 'C 7',
      'Lot of Light oil, off the package': 'O 3',
      ...WEATHER,
    },
    press: 'Sign the record',
    sends: {
      // What is not finished stays open.
      jobSubjectIds: ['1', '2'],
      also: [{ jobSubjectIds: ['1 oil', '2 oil'], lot: 'O 3' }],
      lot: 'C 7',
      counted: '',
    },
    names: 'id',
    beside: { lot: 'Lot of Captan 4, off the package', 'also[0].lot': 'Lot of Light oil, off the package' },
    // Nobody is asked for empties here.
    atForm: ['counted', 'also'],
    answer: { recordId: 'r-1' },
  },
  {
    name: 'the record of work by a house card, which has no lots',
    draw: () => sign(itemOf('h', 'trenches', 'Spokes as here', [], null), [sprayed('1', 'h', 1, 0)]),
    verb: 'sign-record',
    type: WEATHER,
    press: 'Sign the record',
    sends: { jobSubjectIds: ['1'], lot: 'house card', counted: '' },
    beside: { sky: 'Sky' },
    atForm: ['lot', 'counted'],
    answer: { recordId: 'r-1' },
  },
])

function shown(form: ReturnType<typeof sign>, may: string[] = ['sign-record']) {
  render(h(MayProvider, { steps: may as never, children: form }))
}

describe('what a record says before it is signed', () => {
  test('what went in, and what went otherwise than planned', () => {
    shown(sign(injection, [injected(0, 1 * ML)]))
    expect(screen.getByText('5 mL went in through 2 ports.')).toBeTruthy()
    const otherwise = [...document.querySelectorAll('li')].map((l) => l.textContent)
    expect(otherwise).toEqual([
      'Port 2 was given up with 1 mL of 3 mL left: sap comes out.',
      '5 mL went in of 6 mL prescribed, 83 %.',
    ])
  })

  test('nothing is signed while a port is in the tree', () => {
    shown(sign(injection, [injected(0, null)]))
    expect(screen.getByText(/1 still in the tree: port 2/)).toBeTruthy()
    expect((screen.getByRole('button', { name: 'Sign the record' }) as HTMLButtonElement).disabled).toBe(true)
  })

  test('nor while the last steps are still on the device', () => {
    shown(sign(injection, [injected(0)], { sending: true }))
    const button = screen.getByRole('button', { name: 'Keeping the last steps' }) as HTMLButtonElement
    expect(button.disabled).toBe(true)
  })

  test('which trees are signed and that the others stay open', () => {
    shown(sign(cover, three, { mates: [oil], beside: withOil }))
    expect(screen.getByRole('heading').textContent).toBe('Record for 2 of 3 trees')
    expect(screen.getByText('Signed now: Apple 1, Apple 2. The others stay open.')).toBeTruthy()
    expect(screen.getByText(/of Light oil went on with it, out of the same tank/)).toBeTruthy()
  })

  test('weather that is known is filled in, to be corrected', () => {
    shown(
      sign(injection, [injected(0)], {
        weather: { temperature: 21.6, wind: 2, windFrom: 'W', sky: 'overcast', soil: 'dry' },
      }),
    )
    expect((screen.getByLabelText('Temperature') as HTMLInputElement).value).toBe('71 °F')
    expect((screen.getByLabelText('Wind') as HTMLInputElement).value).toBe('4 mph')
    expect((screen.getByLabelText('Wind from') as HTMLSelectElement).value).toBe('W')
    expect((screen.getByLabelText('Soil') as HTMLSelectElement).value).toBe('dry')
  })

  test('who may not sign is told who does', () => {
    shown(sign(injection, [injected(0)]), [])
    expect(screen.queryByRole('button')).toBeNull()
    expect(screen.getByText('The crew lead signs under their licence.')).toBeTruthy()
  })
})

describe('a question at signing', () => {
  const doubt = (field: string, message: string) => ({
    status: 409,
    body: { error: { code: 'doubt', field, message } },
  })
  const press = (name: string) =>
    act(async () => {
      fireEvent.click(screen.getByRole('button', { name }))
      await Promise.resolve()
    })

  /** What the form wants before it asks anything. */
  const fill = () => {
    for (const [label, value] of Object.entries({
      ...WEATHER,
      'Lot, off the package': 'K 2',
      'Empties counted in': '2',
    }))
      fireEvent.change(screen.getByLabelText(label), { target: { value } })
  }

  test('what is no count is told beside its input, and nothing is sent', async () => {
    const server = fakeServer()
    shown(sign(injection, [injected(0, 0)]))
    fill()
    fireEvent.change(screen.getByLabelText('Empties counted in'), { target: { value: 'two' } })
    fireEvent.change(screen.getByLabelText('Notices given'), { target: { value: '' } })
    await press('Sign the record')
    expect(screen.getByText('Empties counted in: type a number from 0 to 5,000.')).toBeTruthy()
    expect(screen.getByText('“Notices given” is empty; type it.')).toBeTruthy()
    expect(server.asked).toEqual([])
  })

  test('is answered by its own press; several are answered one after another', async () => {
    const server = fakeServer()
    server.reply(
      doubt('wind', 'A wind of 45?'),
      doubt('partly treated', 'It got less than the label’s least.'),
      server.value({ recordId: 'r-7' }),
    )
    shown(sign(injection, [injected(0, 1 * ML)]))
    fill()
    await press('Sign the record')
    expect(screen.getByText('A wind of 45?')).toBeTruthy()
    await press('Yes, I measured it')
    await press('Yes, sign it as partly treated')
    expect(server.asked.map((a) => a.body['accepted'])).toEqual([
      undefined,
      ['wind'],
      ['wind', 'partly treated'],
    ])
    expect(new Set(server.asked.map((a) => a.body['id'])).size).toBe(1)
    expect(push).toHaveBeenLastCalledWith('/ledger/r-7')
  })

  test('a press on the form itself is asked anew', async () => {
    const server = fakeServer()
    server.reply(
      doubt('wind', 'A wind of 45?'),
      doubt('temperature', 'So hot?'),
      doubt('wind', 'A wind of 45?'),
    )
    shown(sign(injection, [injected(0)]))
    fill()
    await press('Sign the record')
    await press('Yes, I measured it')
    await press('Sign the record')
    expect(server.asked.map((a) => a.body['accepted'])).toEqual([undefined, ['wind'], undefined])
  })

  test('an answer that was given goes along when its own press goes once more', async () => {
    const server = fakeServer()
    server.reply(doubt('wind', 'A wind of 45?'), 'lost', server.value({ recordId: 'r-8' }))
    shown(sign(injection, [injected(0)]))
    fill()
    await press('Sign the record')
    await press('Yes, I measured it')
    await press('Sign the record')
    expect(server.asked.map((a) => a.body['accepted'])).toEqual([undefined, ['wind'], ['wind']])
    expect(server.asked[2]).toEqual(server.asked[1])
  })
})
