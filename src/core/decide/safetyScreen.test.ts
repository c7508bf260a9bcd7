import { refersOn, type Level, type SafetyScreen } from './safetyScreen'

const levels: Level[] = [1, 2, 3]
const all: SafetyScreen[] = levels.flatMap((defect) =>
  levels.flatMap((target) => levels.map((consequence) => ({ defect, target, consequence }))),
)

test('a weak anchor over people is referred, however small the harm looks', () => {
  expect(refersOn({ defect: 3, target: 2, consequence: 1 })).toBe(true)
  expect(refersOn({ defect: 3, target: 1, consequence: 2 })).toBe(false)
})

test('what is marked in all three is referred; what is slight in two is not', () => {
  expect(refersOn({ defect: 2, target: 2, consequence: 2 })).toBe(true)
  expect(refersOn({ defect: 1, target: 1, consequence: 3 })).toBe(false)
  expect(refersOn({ defect: 1, target: 2, consequence: 3 })).toBe(false)
})

test('more of anything never takes a referral back', () => {
  for (const s of all)
    for (const part of ['defect', 'target', 'consequence'] as const)
      if (s[part] < 3 && refersOn(s)) expect(refersOn({ ...s, [part]: s[part] + 1 })).toBe(true)
})
