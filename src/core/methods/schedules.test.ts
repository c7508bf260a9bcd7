import fc from 'fast-check'
import { isIn, isOver, foldStep, pressStep, type StepEvent } from './running'
import type { PlannedStep } from './step'

// Two devices at one job, most of the time without a signal: what they press, when it arrives, what is lost on the way and sent again is
// drawn at random. Whatever comes of it, nothing may be lost, counted twice or written over.

const STEPS: PlannedStep[] = [
  { kind: 'port', bearing: 20, product: 9e-6 },
  { kind: 'port', bearing: 140, product: 9e-6 },
  { kind: 'task', task: 'holes', product: 2.4, times: 24 },
  { kind: 'task', task: 'pour', product: 7e-5, times: 1 },
]
const KINDS = ['drill', 'start', 'stop', 'out', 'give-up', 'undo', 'do', 'move'] as const

type At = StepEvent & { step: number }

interface Device {
  name: string
  /** Its clock against the firm's, ms. */
  off: number
  seq: number
  /** What it has seen of the server's. */
  known: At[]
  /** Pressed here and not answered, in the order of the hand. */
  waiting: At[]
  pressed: At[]
}

const eventsOf = (all: readonly At[], step: number) => all.filter((e) => e.step === step)
const press = fc.record({
  what: fc.constant('press' as const),
  by: fc.nat(1),
  step: fc.nat(STEPS.length - 1),
  kind: fc.constantFrom(...KINDS),
  after: fc.integer({ min: 200, max: 240_000 }),
  times: fc.integer({ min: 1, max: 24 }),
  amount: fc.constantFrom(undefined, 5e-5, 6e-5),
})
/** A moment with a signal: so many go out; the answer may be lost, so that they are sent again. */
const signal = fc.record({
  what: fc.constant('signal' as const),
  by: fc.nat(1),
  many: fc.integer({ min: 1, max: 9 }),
  lost: fc.boolean(),
})
const schedule = fc.record({
  off: fc.tuple(fc.integer({ min: -1500, max: 1500 }), fc.integer({ min: -1500, max: 1500 })),
  days: fc.array(fc.oneof({ weight: 5, arbitrary: press }, { weight: 1, arbitrary: signal }), {
    minLength: 20,
    maxLength: 120,
  }),
})

test('after 200 random days of two devices nothing is lost, nothing counts twice and all come to the same', () => {
  fc.assert(
    fc.property(schedule, ({ off, days }) => {
      const server = new Map<string, At>()
      const arrived: string[] = []
      const devices: Device[] = off.map((ms, i) => ({
        name: `device-${i}`,
        off: ms,
        seq: 0,
        known: [],
        waiting: [],
        pressed: [],
      }))
      const send = (d: Device, many: number, lost: boolean) => {
        for (const e of d.waiting.slice(0, many)) {
          // The same id is the same press.
          if (!server.has(e.id)) arrived.push(e.id)
          server.set(e.id, e)
        }
        if (lost) return
        d.waiting = d.waiting.slice(many)
        d.known = [...server.values()]
      }
      let clock = Date.UTC(2026, 5, 16, 7)
      for (const day of days) {
        const d = devices[day.by]!
        if (day.what === 'signal') {
          send(d, day.many, day.lost)
          continue
        }
        clock += day.after
        const what = STEPS[day.step]!
        const mine = eventsOf([...d.known, ...d.waiting], day.step)
        const { state, idle } = foldStep(1, what, mine)
        const idleIds = new Set(idle.map((i) => i.id))
        const last = mine.filter((e) => e.kind !== 'undo' && !idleIds.has(e.id)).at(-1)
        const event: At = {
          step: day.step,
          id: `${d.name}-${String(d.seq).padStart(4, '0')}`,
          at: Math.max(clock + d.off, ...d.pressed.map((e) => e.at + 1)),
          seq: d.seq,
          device: d.name,
          kind: day.kind,
          ...(day.kind === 'give-up' && {
            reason: 'leaks',
            left: state.kind === 'port' ? state.volume / 2 : state.product / 2,
          }),
          ...(day.kind === 'undo' && last && { of: last.id }),
          ...(day.kind === 'do' && what.kind === 'task' && what.times > 1 && { times: day.times }),
          ...(day.kind === 'do' && what.kind === 'task' && what.times === 1 && { amount: day.amount }),
          ...(day.kind === 'move' && { bearing: 25 }),
        }
        // A device presses nothing that cannot be by what it knows.
        if (!pressStep(1, what, mine, [event]).ok) continue
        d.seq++
        d.waiting.push(event)
        d.pressed.push(event)
      }
      // In the evening everything has a signal.
      for (let i = 0; i < 2; i++) for (const d of devices) send(d, d.waiting.length, false)
      for (const d of devices) d.known = [...server.values()]

      const pressed = devices.flatMap((d) => d.pressed)
      expect(new Set(server.keys())).toEqual(new Set(pressed.map((e) => e.id)))
      expect(arrived).toHaveLength(pressed.length)
      for (const [n, what] of STEPS.entries()) {
        const all = eventsOf([...server.values()], n)
        const { state, idle } = foldStep(1, what, all)
        // Whatever order it is read in, on whatever device.
        for (const other of [
          [...all].reverse(),
          all.filter((_, i) => i % 2).concat(all.filter((_, i) => !(i % 2))),
        ])
          expect(foldStep(1, what, other).state).toEqual(state)
        const counted = all.filter((e) => !idle.some((i) => i.id === e.id))
        const taken = new Set(counted.flatMap((e) => (e.kind === 'undo' && e.of ? [e.of] : [])))
        const stand = counted.filter((e) => e.kind !== 'undo' && !taken.has(e.id))
        if (state.kind === 'task') {
          expect(state.done).toBeLessThanOrEqual(state.times)
          // What somebody did is done, whatever somebody else knew.
          if (stand.some((e) => e.kind === 'do') && !stand.some((e) => e.kind === 'give-up'))
            expect(state.done).toBeGreaterThan(0)
        } else {
          // What was taken out of a tree and not put back by name stays out.
          if (stand.some((e) => e.kind === 'out')) expect(isIn(state)).toBe(false)
          if (stand.some((e) => e.kind === 'start')) expect(state.startedAt).not.toBeNull()
          if (isOver(state)) expect(isIn(state)).toBe(false)
        }
      }
    }),
    { numRuns: 200 },
  )
})

const port = STEPS[0]!
const on = (device: string, seq: number, at: number, more: Partial<StepEvent>): StepEvent => ({
  id: `${device}${seq}`,
  device,
  seq,
  at,
  kind: 'do',
  ...more,
})

test('a clock that was set back changes no order among the presses of one device at one moment', () => {
  const events = [on('a', 1, 5, { kind: 'start' }), on('a', 0, 5, { kind: 'drill' })]
  expect(foldStep(1, port, events)).toMatchObject({ idle: [], state: { drilledAt: 5, startedAt: 5 } })
})

test('two who drilled the same port drilled it once, and both stand in the history', () => {
  const events = [
    on('a', 0, 1, { kind: 'drill' }),
    on('b', 0, 2, { kind: 'drill' }),
    on('a', 1, 3, { kind: 'start' }),
    on('b', 1, 4, { kind: 'start' }),
  ]
  expect(foldStep(1, port, events)).toMatchObject({
    state: { drilledAt: 1, startedAt: 3 },
    idle: [{ id: 'b0' }, { id: 'b1' }],
    // What is taken back is the last that counts.
    last: 'a1',
  })
})

test('a port that one gave up and the other opened, not knowing of it, is open', () => {
  const events = [
    on('a', 0, 1, { kind: 'give-up', reason: 'too wet', left: 0 }),
    on('b', 0, 2, { kind: 'drill' }),
    on('b', 1, 3, { kind: 'start' }),
  ]
  expect(foldStep(1, port, events)).toMatchObject({ state: { givenUp: null, startedAt: 3 }, idle: [] })
  // The same hand knew of it.
  const own = events.map((e) => ({ ...e, device: 'a' }))
  expect(foldStep(1, port, own)).toMatchObject({
    state: { drilledAt: null },
    idle: [{ id: 'b0' }, { id: 'b1' }],
  })
})

test('of two readings of what is left the later one counts', () => {
  const events = [
    on('a', 0, 1, { kind: 'drill' }),
    on('a', 1, 2, { kind: 'start' }),
    on('a', 2, 3, { kind: 'give-up', reason: 'leaks', left: 4e-6 }),
    on('b', 0, 4, { kind: 'give-up', reason: 'leaks', left: 3e-6 }),
  ]
  expect(foldStep(1, port, events)).toMatchObject({ state: { left: 3e-6 }, idle: [] })
})

test('of a task: what was done counts, the later measure counts, and together no more than was planned', () => {
  const [, , holes, pour] = STEPS as [PlannedStep, PlannedStep, PlannedStep, PlannedStep]
  const rain = on('a', 0, 1, { kind: 'give-up', reason: 'rain', left: 7e-5 })
  expect(foldStep(1, pour, [rain, on('b', 0, 2, {})])).toMatchObject({ state: { done: 1, givenUp: null } })
  const measured = [on('a', 0, 1, { amount: 6e-5 }), on('b', 0, 2, { amount: 5e-5 })]
  expect(foldStep(1, pour, measured)).toMatchObject({ state: { done: 1, amount: 5e-5 }, idle: [] })
  const both = [on('a', 0, 1, { times: 14 }), on('b', 0, 2, { times: 14 })]
  expect(foldStep(1, holes, both)).toMatchObject({ state: { done: 24 }, idle: [] })
  expect(foldStep(1, holes, [...both, on('b', 1, 3, { times: 1 })])).toMatchObject({ idle: [{ id: 'b1' }] })
})
