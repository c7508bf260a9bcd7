import { METHODS, isHand } from './names'
import { goes, opens } from './goes'
import { isSpray, isSystemicWay } from './systemic'

test('what is put on goes somewhere, work by hand puts nothing on', () => {
  for (const method of METHODS) expect([method, goes(method) === null]).toEqual([method, isHand(method)])
  const to = (where: string) => METHODS.filter((m) => goes(m) === where)
  expect(to('into the soil')).toEqual(['soil-drench', 'soil-injection'])
  expect(METHODS.filter(isSystemicWay)).toEqual([
    'trunk-injection',
    'soil-drench',
    'soil-injection',
    'bark-spray',
  ])
  expect(METHODS.filter(isSpray)).toEqual(['bark-spray', 'crown-spray'])
})

test('what opens trunk, soil or wood says so', () => {
  const that = (what: string) => METHODS.filter((m) => opens(m) === what)
  expect(that('trunk')).toEqual(['trunk-injection'])
  expect(that('soil')).toEqual(['collar', 'trenches'])
  expect(that('wood')).toEqual(['prune'])
})
