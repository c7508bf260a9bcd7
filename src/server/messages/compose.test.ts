import { composed, kindsNow, type AboutWork } from './compose'

const work: AboutWork = {
  site: 'Ropewalk School',
  firm: 'Hollin Quay Tree Care',
  person: 'Philippa Quell',
  onDate: '2026-06-16',
  timeZone: 'America/New_York',
  methods: ['trunk-injection', 'prune'],
  trees: 3,
  recorded: 0,
  closedUntil: null,
}
const contact = (name: string, email: string | null, language = 'en') => ({
  name,
  email,
  language,
  role: null,
  telephone: null,
})

test('each contact with an address is told in their language, the others not', () => {
  const all = [
    contact('Ann Pell', 'ann@example.org'),
    contact('Luis Mora', 'luis@example.org', 'es'),
    contact('No Mail', null),
  ]
  const [english, spanish, ...none] = composed('day', work, all)
  expect(none).toEqual([])
  expect(english).toMatchObject({
    subject: 'Ropewalk School: we come on Tuesday, June 16',
    address: 'ann@example.org',
  })
  expect(english!.text).toBe(
    'Ann Pell,\n\nwe come to Ropewalk School on Tuesday, June 16: trunk injection and pruning at 3 trees.\nIf something speaks against it, tell us before we come.\n\nPhilippa Quell, Hollin Quay Tree Care',
  )
  expect(spanish!.text).toContain('inyección al tronco y poda en 3 árboles')
  expect(spanish!.subject).toContain('martes, 16 de junio')
})

test('what is done says until when it is closed, and counts what is recorded', () => {
  const until = new Date('2026-06-16T20:00:00Z')
  const [open] = composed('done', { ...work, recorded: 1 }, [contact('Ann', 'a@example.org')])
  expect(open!.text).toMatch(/at 1 tree of Ropewalk School on Tuesday, June 16\.\nNothing is closed\./)
  const [closed] = composed('done', { ...work, recorded: 2, closedUntil: until }, [
    contact('Ann', 'a@example.org'),
  ])
  expect(closed!.text).toMatch(/Keep people and animals off until Tuesday, June 16.*16:00\./)
})

test('nobody is told of tomorrow on another day, of what is done before it is, or of a day that is over', () => {
  expect(kindsNow(work, '2026-06-12')).toEqual(['day'])
  expect(kindsNow(work, '2026-06-15')).toEqual(['tomorrow', 'day'])
  expect(kindsNow(work, '2026-06-16')).toEqual(['day'])
  expect(kindsNow(work, '2026-06-17')).toEqual([])
  expect(kindsNow({ ...work, recorded: 1 }, '2026-06-17')).toEqual(['done'])
})
