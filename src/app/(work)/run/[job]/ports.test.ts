/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { pressStep, type StepEvent } from '@/core/methods/running'
import { MayProvider } from '@/ui/shell/may'
import { Board } from './Board'
import type { Act, JobItem, JobStep, JobTree } from './job'
import { PortWork } from './PortWork'

const AT = Date.UTC(2026, 5, 15, 14)
const ML = 1e-6
const item = {
  use: { method: 'trunk-injection', terms: { bit: '1/4 in bit', depth: '5/8 in' } },
} as unknown as JobItem

/** A port with what was done at it, a minute each. */
function step(n: number, ...kinds: StepEvent['kind'][]): JobStep {
  const what = { kind: 'port' as const, bearing: n * 90, product: 3 * ML }
  const events = kinds.map((kind, i) => ({
    id: `e${n}${i}`,
    kind,
    at: AT + i * 60_000,
    reason: 'rain',
    left: 0,
  }))
  const state = pressStep(n, what as never, [], events)
  if (!state.ok) throw new Error(state.problem.message)
  return { id: `p${n}`, n, what, events, state: state.value } as unknown as JobStep
}
const tree = (...steps: JobStep[]) =>
  ({
    id: 't-1',
    tag: 'Ash 14',
    status: 'open',
    marks: [],
    holes: [{ years: 1, bearings: [20, 200] }],
    steps,
    plan: { method: 'trunk-injection', shape: { portGirth: 1.2, uptake: { from: 600, to: 1800 } } },
  }) as unknown as JobTree

let pressed: { step: string; command: unknown }[]
const onAct: Act = (presses) => pressed.push(...presses.map((p) => ({ step: p.step.id, command: p.command })))
const may = ['mark-step'] as never
const none = new Set<string>()
beforeEach(() => {
  pressed = []
})
afterEach(cleanup)

const work = (t: JobTree, resting: ReadonlySet<string> = none) =>
  render(
    h(MayProvider, {
      steps: may,
      children: h(PortWork, {
        tree: t,
        item,
        units: 'us',
        today: '2026-06-12',
        onAct,
        resting,
        onFinish: () => {},
      }),
    }),
  )
const board = (t: JobTree, minutes: number) =>
  render(h(Board, { trees: [t], now: AT + minutes * 60_000, onAct, resting: none }))
const click = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))

describe('at the trunk', () => {
  test('each port asks for what comes next, and says with what', () => {
    for (const [done, next, says] of [
      [[], 'Drilled', /Drill 1\/4 in bit, 5\/8 in deep/],
      [['drill'], 'Set, start the clock', /charge 3 mL/],
      [['drill', 'start'], 'Empty, stop the clock', /Taking up/],
      [['drill', 'start', 'stop'], 'Out and counted', /Pull it and count it in/],
    ] as const) {
      work(tree(step(1, ...done)))
      expect([...document.querySelectorAll('p')].some((p) => says.test(p.textContent!))).toBe(true)
      click(next)
      cleanup()
    }
    expect(pressed.map((p) => (p.command as { kind: string }).kind)).toEqual([
      'drill',
      'start',
      'stop',
      'out',
    ])
  })

  test('everything is drilled and set before anything is pulled', () => {
    work(tree(step(1, 'drill', 'start', 'stop'), step(2, 'drill', 'start'), step(3)))
    expect(screen.getByText('Port 3')).toBeTruthy()
    click('Drilled')
    expect(pressed).toEqual([{ step: 'p3', command: { kind: 'drill' } }])
  })

  test('where a port is found from the one before it', () => {
    work(tree(step(1, 'drill', 'start'), step(2)))
    // A quarter of 1.2 m.
    expect(screen.getByText(/at 180°, .*12 in clockwise from port 1/)).toBeTruthy()
  })

  test('a button that was pressed a moment ago rests; giving up stands in a panel of its own', () => {
    work(tree(step(1), step(2)), new Set(['p1']))
    expect((screen.getByRole('button', { name: 'Drilled' }) as HTMLButtonElement).disabled).toBe(true)
    click('Won’t take')
    fireEvent.change(screen.getByLabelText('Why', { selector: 'select' }), { target: { value: 'rain came' } })
    click('Give up port 1')
    expect(pressed).toEqual([{ step: 'p1', command: { kind: 'give-up', reason: 'rain came', left: '0 mL' } }])
  })

  test('of a port that takes up it is asked what is left in it', () => {
    work(tree(step(1, 'drill', 'start')))
    click('Won’t take')
    fireEvent.change(screen.getByLabelText('What is left in it'), { target: { value: '1.5 mL' } })
    click('Give up port 1')
    expect(pressed[0]!.command).toMatchObject({ kind: 'give-up', left: '1.5 mL' })
  })

  test('a port is moved over north both ways', () => {
    const atNorth = step(1)
    if (atNorth.state.kind === 'port') atNorth.state.bearing = 358
    work(tree(atNorth))
    click('Move this port')
    click('+ 5°')
    click('− 5°')
    expect(pressed.map((p) => (p.command as { bearing: number }).bearing)).toEqual([3, 353])
  })

  test('all that are not set are given up by one press, with the reason', () => {
    work(tree(step(1, 'drill', 'start'), step(2, 'drill'), step(3)))
    fireEvent.change(screen.getByLabelText('Why', { selector: 'input' }), { target: { value: 'thunder' } })
    click('Give them up')
    expect(pressed.map((p) => p.step)).toEqual(['p2', 'p3'])
    expect(pressed[0]!.command).toEqual({ kind: 'give-up', reason: 'thunder', left: '0 mL' })
  })

  test('when all are done it is signed', () => {
    work(tree(step(1, 'drill', 'start', 'stop', 'out'), step(2, 'give-up')))
    expect(screen.getByText('All ports are done')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Won’t take' })).toBeNull()
    expect(screen.getByRole('button', { name: 'Finish and sign →' })).toBeTruthy()
  })
})

describe('the board', () => {
  const three = () =>
    tree(
      step(1, 'drill', 'start'),
      step(2, 'drill', 'start', 'stop'),
      step(3, 'drill', 'start'),
      step(4, 'drill'),
    )

  test('has every port that is in a tree with its clock, and none that is not', () => {
    board(three(), 21)
    expect(screen.getByRole('heading').textContent).toBe('In trees now, 3')
    const rows = [...document.querySelectorAll('li')].map((l) => l.textContent!)
    expect(rows).toHaveLength(3)
    expect(rows.some((r) => /port 1.*20 min of 10–30/.test(r))).toBe(true)
    expect(rows.join()).not.toMatch(/port 4/)
  })

  test('one is stopped or counted by its own button', () => {
    board(three(), 21)
    click('Empty, stop port 3 of Ash 14')
    click('Out, counted, port 2 of Ash 14')
    expect(pressed).toEqual([
      { step: 'p3', command: { kind: 'stop' } },
      { step: 'p2', command: { kind: 'out' } },
    ])
  })

  test('several are stopped by one press, and only those that still take up', () => {
    board(three(), 21)
    click('All 2 are empty')
    expect(pressed).toEqual([
      { step: 'p1', command: { kind: 'stop' } },
      { step: 'p3', command: { kind: 'stop' } },
    ])
    expect(screen.queryByRole('button', { name: /are out/ })).toBeNull()
  })

  test('a port that is over keeps its row under the finger', () => {
    jest.useFakeTimers()
    const { rerender } = board(three(), 21)
    const later = tree(
      step(1, 'drill', 'start'),
      step(2, 'drill', 'start', 'stop', 'out'),
      step(3, 'drill', 'start'),
      step(4, 'drill'),
    )
    rerender(h(Board, { trees: [later], now: AT + 21 * 60_000, onAct, resting: none }))
    expect(document.querySelectorAll('li')).toHaveLength(3)
    expect(screen.getByText('out, counted')).toBeTruthy()
    act(() => void jest.advanceTimersByTime(5000))
    expect(document.querySelectorAll('li')).toHaveLength(2)
    jest.useRealTimers()
  })
})
