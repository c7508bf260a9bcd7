import { lastMovement, type StepDone } from './lastMovement'
import type { StepEvent } from './running'

const port = (n: number, ...events: StepEvent[]): StepDone => ({
  id: `p${n}`,
  n,
  what: { kind: 'port', bearing: 10 * n, product: 9e-6 },
  events,
})
const press = (id: string, kind: StepEvent['kind'], at: number, device = 'mine'): StepEvent => ({
  id,
  kind,
  at,
  device,
})
const mine = (e: StepEvent) => e.device === 'mine'
const ids = (steps: StepDone[]) => lastMovement(steps, mine)?.presses.map((p) => p.event.id)

test('it is the newest press that stands, at whichever step', () => {
  expect(ids([port(1, press('a', 'drill', 100)), port(2, press('b', 'drill', 900))])).toEqual(['b'])
})

test('what was pressed at once is one movement', () => {
  expect(
    ids([
      port(1, press('a', 'drill', 100), press('c', 'start', 9000)),
      port(2, press('b', 'drill', 100), press('d', 'start', 9001)),
      port(3, press('e', 'drill', 8000)),
    ]),
  ).toEqual(['c', 'd'])
})

test('what was taken back stands no more: the one before it is last', () => {
  const back: StepEvent = { id: 'u', kind: 'undo', at: 1000, of: 'b', device: 'mine' }
  expect(ids([port(1, press('a', 'drill', 100), press('b', 'start', 900), back)])).toEqual(['a'])
})

test('what another device pressed is not this hand’s, also where it is newer', () => {
  expect(ids([port(1, press('a', 'drill', 100)), port(2, press('b', 'drill', 900, 'theirs'))])).toEqual(['a'])
  expect(ids([port(1, press('a', 'drill', 100), press('b', 'start', 900, 'theirs'))])).toBeUndefined()
})

test('a hand that did nothing has no last movement', () => {
  expect(lastMovement([port(1)], mine)).toBeNull()
})
