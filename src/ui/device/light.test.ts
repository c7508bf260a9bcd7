import { lightIn } from './light'

test('the light is read from among other cookies, and nonsense is daylight', () => {
  expect(lightIn('a=b; elmhorn-light=sunlight; c=d')).toBe('sunlight')
  expect(lightIn('elmhorn-light=dark')).toBe('dark')
  expect(lightIn('not-elmhorn-light=dark')).toBe('day')
  expect(lightIn('elmhorn-light=purple')).toBe('day')
  expect(lightIn('')).toBe('day')
})
