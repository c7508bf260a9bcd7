import { showGirth, showMl, showSpeed } from './format'
import { readQuantity } from './parse'
import type { Area, Length, Volume } from './units'

/** What the compiler refuses: each of these lines would be an error without its remark, and is one if it compiles. */
test('a volume is no length, whatever it came from', () => {
  const volume = readQuantity('10 mL', 'volume', 'dose')
  const length = readQuantity('44 in', 'length', 'girth')
  if (!volume.ok || !length.ok) throw new Error('not read')
  // @ts-expect-error a volume is typed where a length is meant
  const girth: Length = volume.value.si
  // @ts-expect-error a length is shown as a volume
  expect(showMl(length.value.si)).toContain('mL')
  // @ts-expect-error a volume is shown as a girth
  expect(showGirth(volume.value.si, 'us')).toContain('in')
  // @ts-expect-error a length is shown as a speed
  expect(showSpeed(length.value.si, 'us')).toContain('mph')
  const area: Area = 3
  // @ts-expect-error an area is no volume
  const poured: Volume = area
  expect([girth, poured]).toHaveLength(2)
  expect(showGirth(length.value.si, 'us')).toBe('44 in')
})
