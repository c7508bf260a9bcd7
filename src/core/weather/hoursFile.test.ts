import { MOST_HOURS, readHoursFile } from './hoursFile'

const ZONE = 'America/New_York'
const readText = (text: string) => {
  const comma = text.includes(';')
  const cells = text
    .trim()
    .split('\n')
    .map((l) => l.split(comma ? ';' : ',').map((c) => c.trim()))
  return readHoursFile(cells, ZONE, comma)
}
const read = (text: string) => {
  const r = readText(text)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const refused = (text: string) => {
  const r = readText(text)
  if (r.ok) throw new Error('it was read')
  expect(r.problem.field).toBe('file')
  return r.problem
}

test('a file in the units of the country, gaps not known', () => {
  const file = read(
    'Time,Temperature (F),Wind (mph),Gust mph,Wind from,Rain (in),Cloud %,Station\n' +
      '2026-06-12 08:00,59,10,15,225,0.1,50,A\n2026-06-12 10:00,68,,—,,0,\n',
  )
  expect(file.from).toBe(Date.parse('2026-06-12T12:00:00Z'))
  expect(file.rows).toBe(2)
  expect(file.leftAside).toEqual(['Station'])
  expect(file.hours.temperature![0]).toBeCloseTo(15, 9)
  expect(file.hours.temperature![1]).toBeNull()
  expect(file.hours.temperature![2]).toBeCloseTo(20, 9)
  expect(file.hours.wind).toEqual([4.4704, null, null])
  expect(file.hours.gust![0]).toBeCloseTo(6.7056, 9)
  expect(file.hours.windFrom).toEqual([225, null, null])
  expect(file.hours.rain![0]).toBeCloseTo(2.54, 9)
  expect(file.hours.cloud).toEqual([0.5, null, null])
})

test('a file of another country: semicolons, commas in numbers, metric', () => {
  const file = read(
    'zeit/time;temp °C\n'.replace('zeit/', '') + '2026-06-12 08:00;15,5\n2026-06-12 09:00;-0,5',
  )
  expect(file.hours.temperature).toEqual([15.5, -0.5])
  expect(read('time,wind (km/h)\n2026-06-12T08:00Z,36').hours.wind).toEqual([10])
  expect(read('time,wind m/s\n2026-06-12T08:00+02:00,3').from).toBe(Date.parse('2026-06-12T06:00:00Z'))
})

test('the hour that the clock shows twice stands twice, the one it leaves out is no gap', () => {
  const autumn = read(
    'time,temp F\n2026-11-01 00:00,50\n2026-11-01 01:00,51\n2026-11-01 01:00,52\n2026-11-01 02:00,53',
  )
  expect(autumn.hours.temperature!.map((c) => Math.round(c! * 1.8 + 32))).toEqual([50, 51, 52, 53])
  expect(autumn.twice).toEqual([Date.parse('2026-11-01T06:00:00Z')])
  // On any other day a line that stands there twice is a slip.
  expect(refused('time,temp F\n2026-11-02 01:00,51\n2026-11-02 01:00,52').message).toMatch(
    /Line 3: 2026-11-02 01:00 stands there twice/,
  )
  const spring = read('time,temp F\n2026-03-08 01:00,40\n2026-03-08 03:00,41')
  expect(spring.hours.temperature).toHaveLength(2)
})

test.each([
  ['', 'missing', /names no column “time”/],
  ['a,b\n1,2', 'missing', /names no column “time”/],
  ['time,colour\n2026-06-12 08:00,red', 'missing', /No column is one of/],
  ['time,temp F', 'missing', /no hour in it/],
  [
    'time,temperature\n2026-06-12 08:00,59',
    'bad-quantity',
    /“temperature” does not say its unit.*temperature \(F\)/,
  ],
  ['time,temp F\n12 June,59', 'bad-quantity', /Line 2: “12 June” is no time/],
  ['time,temp F\n2026-02-30 08:00,59', 'bad-quantity', /Line 2/],
  ['time,temp F\n2026-06-12 08:00,warm', 'bad-quantity', /Line 2: “warm” in the column “temp F”/],
  ['time,temp F\n2026-06-12 08:00,59\n2026-06-12 07:00,59', 'out-of-range', /Line 3.*oldest first/],
  ['time,temp F\n2024-06-12 08:00,59\n2026-06-12 07:00,59', 'out-of-range', /at most 9,600/],
] as const)('%j is refused', (text, code, message) => {
  const problem = refused(text)
  expect(problem.code).toBe(code)
  expect(problem.message).toMatch(message)
})

test('as many hours as a file may hold are read at once', () => {
  const lines = Array.from(
    { length: MOST_HOURS },
    (_, i) => `${new Date(Date.UTC(2025, 0, 1) + i * 3_600_000).toISOString().slice(0, 16)}Z,${i % 30}`,
  )
  expect(read(`time,temp C\n${lines.join('\n')}`).hours.temperature).toHaveLength(MOST_HOURS)
})

test('what is called like weather and is none of the hour outside is left aside', () => {
  const others = [
    'dew point temperature (F)',
    'soil temperature (F)',
    'indoor temp (F)',
    'wind chill (F)',
    'rain rate (in)',
    'rain total (in)',
    'daily rain (in)',
  ]
  for (const other of others) {
    const file = read(`time,${other},temperature (F),rain (in)\n2026-06-12 08:00,1,59,0.1\n`)
    expect(file.leftAside).toEqual([other])
    expect(file.hours.temperature![0]).toBeCloseTo(15, 9)
    expect(file.hours.rain![0]).toBeCloseTo(2.54, 9)
  }
})

test('what was never measured in an hour is told with its line, its bounds are read', () => {
  const one = (name: string, cell: string) => `time,${name}\n2026-06-12 08:00,${cell}\n`
  for (const [name, cell] of [
    ['temperature (C)', '60'],
    ['temperature (F)', '-95'],
    ['rain (mm)', '400'],
    ['rain (in)', '-5'],
    ['wind (mph)', '1e308'],
    ['humidity (%)', '101'],
    ['wind from', '361'],
  ] as const)
    expect(refused(one(name, cell))).toMatchObject({
      code: 'out-of-range',
      message: expect.stringMatching(/^Line 2: .* was never measured in an hour/),
    })
  for (const [name, cell] of [
    ['temperature (C)', '55'],
    ['temperature (F)', '-94'],
    ['humidity (%)', '100'],
    ['wind from', '360'],
    ['rain (mm)', '0'],
  ] as const)
    expect(read(one(name, cell)).rows).toBe(1)
})

test('a first line that goes on and on is no line of names, and is told at once', () => {
  const began = performance.now()
  expect(refused(`time,${'x'.repeat(3_000_000)}\n2026-06-12 08:00,1\n`)).toMatchObject({
    code: 'out-of-range',
  })
  expect(refused(`time,${'rain,'.repeat(300)}\n2026-06-12 08:00,1\n`)).toMatchObject({ code: 'out-of-range' })
  expect(performance.now() - began).toBeLessThan(1000)
})

test('each column says what it was taken for and how far its figures reach; hours that are missing are counted', () => {
  const file = read(
    'time,Temp (F),Gusts mph,Dew point (F)\n2026-06-12 08:00,50,,44\n2026-06-12 11:00,68,10,\n',
  )
  expect(file.columns).toEqual([
    {
      name: 'Temp (F)',
      told: 'temperature',
      hours: 2,
      least: expect.closeTo(10, 9),
      most: expect.closeTo(20, 9),
    },
    { name: 'Gusts mph', told: 'gust', hours: 1, least: 4.4704, most: 4.4704 },
  ])
  expect(file).toMatchObject({ leftAside: ['Dew point (F)'], rows: 2, missing: 2, twice: [] })
})
