import { METHODS, isHand } from '../methods/names'
import { notDecided } from './allowed'
import { ACTIONS } from './propose'

test('treating may take every way, care what is done by hand and to the soil, a removal only what takes it away', () => {
  const may = (action: string) => METHODS.filter((m) => notDecided(action, m) === null)
  expect(may('treat')).toEqual(METHODS)
  expect(may('care')).not.toContain('trunk-injection')
  expect(may('care')).not.toContain('soil-drench')
  expect(may('care')).not.toContain('crown-spray')
  expect(may('care')).toContain('feed')
  expect(may('care')).toContain('hands')
  expect(may('remove').sort()).toEqual(['barrier', 'fell', 'wood'])
})

test('on every other decision nothing is prescribed, and its name is said', () => {
  for (const action of ACTIONS.filter((a) => !['treat', 'care', 'remove'].includes(a)))
    for (const method of METHODS) expect(notDecided(action, method)).toMatch(new RegExp(`to ${action}, `))
  expect(notDecided(null, 'prune')).not.toBeNull()
  expect(METHODS.some(isHand)).toBe(true)
})
