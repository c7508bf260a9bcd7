import { leavesOut, namesHost } from '../card/namesHost'
import { byKind, isOf, lineage } from './kind'

test('a kind within a kind is meant where the wider one is named, never the other way round', () => {
  expect(lineage('maple.red')).toEqual(['maple.red', 'maple'])
  expect(isOf(['maple'], 'maple.red')).toBe(true)
  expect(isOf(['maple.red'], 'maple')).toBe(false)
  expect(isOf(['maple.red'], 'maple.norway')).toBe(false)
})

test('its own word comes before that of the wider kind', () => {
  expect(byKind({ maple: 1, 'maple.red': 2 }, 'maple.red')).toBe(2)
  expect(byKind({ maple: 1 }, 'maple.norway')).toBe(1)
  expect(byKind({ 'maple.red': 2 }, 'maple')).toBeUndefined()
  expect(byKind(undefined, 'maple')).toBeUndefined()
})

test('a card that leaves a kind out leaves its narrower kinds out, and one that leaves a narrower out names the others', () => {
  const but = (notOn: string[]) => ({ hosts: 'any' as const, notOn })
  expect([leavesOut(but(['maple']), 'maple.red'), namesHost(but(['maple']), 'maple.red')]).toEqual([
    true,
    false,
  ])
  expect([
    leavesOut(but(['maple.red']), 'maple.norway'),
    namesHost(but(['maple.red']), 'maple.norway'),
  ]).toEqual([false, true])
  expect(namesHost({ hosts: ['maple'] }, 'maple.red')).toBe(true)
  expect(namesHost({ hosts: ['maple.red'] }, 'maple')).toBe(false)
})
