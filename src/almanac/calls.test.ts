import { callsOf, ownWayOn } from './calls'
import type { OwnEntry } from './ownEntry'

const spot: OwnEntry = {
  kind: 'cause',
  id: 'own-quay-spot',
  name: 'Quay spot',
  hosts: ['ash'],
  findings: {},
  action: 'pruning',
  oneLine: '',
  act: '',
  doNot: '',
}
const way = (more: Partial<Extract<OwnEntry, { kind: 'way' }>>): OwnEntry => ({
  kind: 'way',
  id: 'own-way',
  cause: 'own-quay-spot',
  method: 'prune',
  what: 'Cut the spurs out.',
  when: 'any time',
  well: 'ends it',
  again: 'once',
  ...more,
})

test('what a cause calls for is the almanac’s, or the firm’s where the cause is its own', () => {
  expect(callsOf('emerald-ash-borer', [])).toBe('protect-systemic')
  expect(callsOf('own-quay-spot', [spot])).toBe('pruning')
  expect(callsOf('own-quay-spot', [{ ...spot, action: undefined } as OwnEntry])).toBe('wait')
  expect(callsOf('own-quay-spot', [])).toBe('none')
  expect(callsOf('healthy', [])).toBe('healthy')
})

test('the firm’s own way counts where it ends or holds the cause, not where it only looks', () => {
  expect(ownWayOn('own-quay-spot', [spot, way({})])).toEqual({ what: 'Cut the spurs out', product: false })
  expect(ownWayOn('own-quay-spot', [way({ method: 'crown-spray', what: 'Spray' })])).toEqual({
    what: 'Spray',
    product: true,
  })
  const holds = way({ what: 'Brush', well: 'holds it down' })
  expect(ownWayOn('own-quay-spot', [holds, way({})])?.what).toBe('Cut the spurs out')
  expect(ownWayOn('own-quay-spot', [holds])?.what).toBe('Brush')
  expect(ownWayOn('own-quay-spot', [way({ well: 'a stop-gap' })])).toBeNull()
  expect(ownWayOn('own-quay-spot', [way({ method: 'refer' })])).toBeNull()
  expect(ownWayOn('aphids', [way({})])).toBeNull()
})
