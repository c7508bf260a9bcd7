import { toSI } from '../quantity/units'
import { checkLayout } from './checkLayout'
import type { LayoutInput } from './layout'

const GOOD: LayoutInput = {
  portGirth: toSI(52, 'in'),
  count: 8,
  minSpacing: toSI(4, 'in'),
  maxGap: toSI(9, 'in'),
  flares: [{ bearing: 360, halfWidth: 180 }],
  exclusions: [{ from: 0, to: 360 }],
  thinSectors: [{ from: 360, to: 0, severity: 1 }],
  earlierHoles: [{ bearing: 0, years: 0 }],
  restYears: 0,
}

test('what lies on the edges of what can be is asked', () => {
  expect(checkLayout(GOOD)).toBeNull()
  expect(checkLayout({ ...GOOD, count: 1, thinSectors: [{ from: 0, to: 9, severity: 0 }] })).toBeNull()
  expect(checkLayout({ ...GOOD, count: 360 })).toBeNull()
  expect(checkLayout({ portGirth: toSI(52, 'in'), count: 8, minSpacing: 0.1 } as LayoutInput)).toBeNull()
})
test.each([
  [{ portGirth: 0 }, 'portGirth'],
  [{ portGirth: toSI(4000, 'in') }, 'portGirth'],
  [{ portGirth: NaN }, 'portGirth'],
  [{ count: 0 }, 'count'],
  [{ count: 361 }, 'count'],
  [{ count: 2.5 }, 'count'],
  [{ minSpacing: 0 }, 'minSpacing'],
  [{ minSpacing: NaN }, 'minSpacing'],
  [{ maxGap: 0 }, 'maxGap'],
  [
    {
      flares: [
        { bearing: 0, halfWidth: 9 },
        { bearing: 360.5, halfWidth: 9 },
      ],
    },
    'flares[1].bearing',
  ],
  [{ flares: [{ bearing: -0.5, halfWidth: 9 }] }, 'flares[0].bearing'],
  [{ flares: [{ bearing: 0, halfWidth: 0 }] }, 'flares[0].halfWidth'],
  [{ flares: [{ bearing: 0, halfWidth: 180.5 }] }, 'flares[0].halfWidth'],
  [{ exclusions: [{ from: 361, to: 0 }] }, 'exclusions[0].from'],
  [{ exclusions: [{ from: 0, to: -1 }] }, 'exclusions[0].to'],
  [{ thinSectors: [{ from: 0, to: 400, severity: 0.5 }] }, 'thinSectors[0].to'],
  [{ thinSectors: [{ from: 0, to: 40, severity: 1.01 }] }, 'thinSectors[0].severity'],
  [{ thinSectors: [{ from: 0, to: 40, severity: -0.01 }] }, 'thinSectors[0].severity'],
  [{ thinSectors: [{ from: 0, to: 40, severity: NaN }] }, 'thinSectors[0].severity'],
  [{ earlierHoles: [{ bearing: 361, years: 1 }] }, 'earlierHoles[0].bearing'],
  [{ earlierHoles: [{ bearing: 0, years: -0.1 }] }, 'earlierHoles[0].years'],
  [{ restYears: -1 }, 'restYears'],
] as [Partial<LayoutInput>, string][])('%j is refused at %s', (change, field) => {
  const problem = checkLayout({ ...GOOD, ...change })
  expect(problem).toMatchObject({ ok: false, problem: { code: 'out-of-range', field } })
})
