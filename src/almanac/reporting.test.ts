import { CAUSES } from './causes'
import { JURISDICTIONS, jurisdictionOf } from './jurisdiction'
import { MEANWHILE } from './meanwhile'
import { reportingIn } from './reporting'
import { weighTree } from './weighing'

test.each([
  ['us', 'united-states'],
  ['US-TX', 'united-states'],
  ['United States', 'united-states'],
  ['gb', 'great-britain-and-ireland'],
  ['Ireland', 'great-britain-and-ireland'],
  ['eu', 'european-union'],
  ['de', 'european-union'],
  ['Canada', 'canada'],
  ['new zealand', 'elsewhere'],
  ['atlantis', null],
  ['', null],
] as const)('%s is in %s', (name, place) => {
  expect(jurisdictionOf(name)).toBe(place)
})

test('what is asked differs by place: a birch borer is a quarantine organism in Europe and nothing at home', () => {
  expect(reportingIn('united-states').rule('bronze-birch-borer')).toBeNull()
  expect(reportingIn('european-union').rule('bronze-birch-borer')).toMatch(/quarantine/)
  expect(reportingIn('european-union').isNew('bronze-birch-borer')).toBe(true)
  expect(reportingIn('european-union').isNew('ash-dieback')).toBe(false)
})

test('every rule is of a cause of the almanac, and what most places ask for is asked for somewhere', () => {
  const anywhere = (id: string) => JURISDICTIONS.some((j) => reportingIn(j).rule(id) !== null)
  expect(CAUSES.filter((c) => c.reportable && !anywhere(c.id)).map((c) => c.id)).toEqual([])
  expect(CAUSES.filter((c) => anywhere(c.id)).length).toBeGreaterThanOrEqual(30)
})

test('whatever is reported anywhere says what is done until the answer, in words of its own kind', () => {
  const anywhere = (id: string) => JURISDICTIONS.some((j) => reportingIn(j).rule(id) !== null)
  const asked = CAUSES.filter((c) => c.reportable || anywhere(c.id))
  expect(asked.filter((c) => !c.meanwhile).map((c) => c.id)).toEqual([])
  const says = (id: string) => CAUSES.find((c) => c.id === id)!.meanwhile
  expect(says('oak-wilt')).toMatch(/Paint every wound/)
  expect(says('citrus-greening')).not.toMatch(/wound/)
  for (const id of Object.keys(MEANWHILE)) expect([id, CAUSES.some((c) => c.id === id)]).toEqual([id, true])
})

test('flags follow the place, and proof comes first where a cause is not known yet', () => {
  const seen = { 'exit-hole-d': 'there', 'galleries-s': 'there', 'crown-thin-top': 'there' } as const
  const at = (place: Parameters<typeof weighTree>[4]) => weighTree('ash', 6, seen, undefined, place)
  expect(at(null).judgement.flags).toEqual([])
  expect(at('united-states').judgement.flags.map((f) => f.cause)).toEqual(['emerald-ash-borer'])
  expect(at('united-states').judgement.hold).toBeNull()
  const absent = at('great-britain-and-ireland')
  expect(absent.looks[0]!.finding).toBe('lab-ash-borer-id')
  expect(absent.judgement.hold?.reason).toMatch(/needs proof/)
})
