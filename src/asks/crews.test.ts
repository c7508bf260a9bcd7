import { readHours, setCrewAsks } from './crews'
import { latitude, longitude } from './house'

test.each([
  ['8', 480],
  ['7.5', 450],
  ['7,5', 450],
  ['7:30', 450],
  [' 10:05 ', 605],
  ['', 0],
  ['none', null],
  ['0x8', null],
  ['7:60', null],
  ['-1', null],
])('%s hours', (typed, minutes) => expect(readHours(typed)).toBe(minutes))

test('a crew may be told in minutes or as it is typed', () => {
  const crew = {
    crewId: '018f0000-0000-7000-8000-000000000001',
    name: 'Tansy',
    truck: '',
    people: [],
    methods: [],
  }
  const minutes = [480, 480, 480, 480, 480, 270, 0]
  const typed = { ...crew, begins: '6:30', minutes: ['8', '8', '8', '8', '8', '4:30', ''] }
  expect(setCrewAsks.parse(typed)).toEqual({ ...crew, truck: null, begins: 390, minutes })
  expect(setCrewAsks.parse({ ...crew, truck: null, begins: 390, minutes })).toEqual(setCrewAsks.parse(typed))
  const refused = setCrewAsks.safeParse({
    ...typed,
    begins: '25:00',
    minutes: [...typed.minutes.slice(1), '25'],
  })
  expect(refused.error!.issues.map((i) => i.path.join('.'))).toEqual(['begins', 'minutes.6'])
})

test.each([
  ['75.22 W', -75.22],
  ['75,22 w', -75.22],
  ['−75.22', -75.22],
  ['−75.22 W', -75.22],
  ['75.22° E', 75.22],
  [-75.22, -75.22],
])('%s of longitude', (typed, read) => expect(longitude().parse(typed)).toBe(read))

test.each(['75.22 N', '181', '', 'west', '0x46'])('“%s” is no longitude', (typed) =>
  expect(longitude().safeParse(typed).success).toBe(false),
)

test('the side of the globe goes with the axis', () => {
  expect(latitude().parse('42.31 S')).toBe(-42.31)
  expect(latitude().safeParse('42.31 W').success).toBe(false)
})
