import { inOneLine, productOf, readRecord, UNREADABLE, type Application } from './body'

const first = {
  applicator: { name: 'Lead', licence: 'T-1' },
  firm: 'Firm',
  place: { site: 'Yard', town: 'Testham' },
  tree: { tag: 'Ash 1', kind: 'Ash', diameterM: 0.4, readOn: '2026-06-01', portGirthM: 1.4 },
  target: 'Ash borer',
  method: 'trunk injection',
  hardware: 'pressure bottle',
  product: { name: 'Example EB4', registration: 'R', card: 'EB4 v3', lot: 'L', actives: [] },
  rate: 'low',
  volumeM3: 82.8e-6,
  planned: { volumeM3: 82.8e-6, ports: 1 },
  ports: [
    {
      number: 1,
      bearing: 20,
      volumeM3: 82.8e-6,
      leftM3: 0,
      drilledAt: '2026-06-12T12:00:00.000Z',
      startedAt: '2026-06-12T12:00:00.000Z',
      stoppedAt: null,
      givenUp: null,
    },
  ],
  hole: 'left open',
  startedAt: '2026-06-12T12:00:00.000Z',
  endedAt: '2026-06-12T13:00:00.000Z',
  countedIn: 1,
  weather: { temperatureC: 20, windMs: 2, windFrom: 'S', sky: 'clear', soil: 'moist' },
  reentryUntil: null,
  notices: 'sign at the gate',
  deviations: 'rained at noon',
  working: [],
}
const read = (body: unknown) => readRecord({ kind: 'application' as const, body }).body as Application | null

test('the first version reads as treated, its words as the signer’s own', () => {
  expect(read(first)).toMatchObject({
    version: 3,
    method: 'trunk-injection',
    equipment: 'pressure bottle',
    subjects: [{ outcome: 'treated', deviations: [], amount: 82.8e-6, ports: [{ number: 1, outAt: null }] }],
    deviationWords: 'rained at noon',
  })
  expect(read({ ...first, deviations: null })?.deviationWords).toBeNull()
})
test('the second says its outcome and what happened', () => {
  const second = { ...first, version: 2, outcome: 'partly treated', deviations: ['Port 1 was given up.'] }
  expect(read(second)).toMatchObject({
    subjects: [{ outcome: 'partly treated', deviations: ['Port 1 was given up.'] }],
    deviationWords: null,
  })
  expect(productOf(read({ ...second, product: { ...first.product, code: 'EB4' } })!)).toBe('EB4')
  expect(productOf(read(second)!)).toBe('EB4')
})
test.each([
  ['nothing', {}],
  ['a version to come', { ...first, version: 4, outcome: 'treated', deviations: [] }],
  ['the third in the shape of the second', { ...first, version: 3, outcome: 'treated', deviations: [] }],
  ['the second without its outcome', { ...first, version: 2, deviations: [] }],
  ['a volume in words', { ...first, volumeM3: '82.8 mL' }],
  ['less than nothing', { ...first, volumeM3: -1 }],
  ['ports that are no list', { ...first, ports: 'nine' }],
])('%s is not read, and the line says so', (_, body) => {
  const record = readRecord({ kind: 'application' as const, body, seq: 7 })
  expect(record.body).toBeNull()
  expect(record.seq).toBe(7)
  expect(inOneLine(record)).toBe(UNREADABLE)
})
test('one line says what went in, or what was put right', () => {
  expect(inOneLine(readRecord({ kind: 'application' as const, body: first }))).toBe(
    '82.8 mL of Example EB4, trunk injection, 1 port',
  )
  const correction = { applicator: first.applicator, reason: 'misread', correction: 'Lot 8 was used' }
  expect(inOneLine(readRecord({ kind: 'correction' as const, body: correction }))).toBe('Lot 8 was used')
  expect(inOneLine(readRecord({ kind: 'correction' as const, body: first }))).toBe(UNREADABLE)
})
