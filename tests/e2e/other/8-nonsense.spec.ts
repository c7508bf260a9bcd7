import http from 'node:http'
import { expect, test } from '@playwright/test'
import { enter, idOf, PEOPLE, post } from '../signIn'

/** Whatever is sent, to every step and every address: an answer below 500, and a sentence where it is refused. */

const REQUESTS = 3200

/** The same numbers each time (mulberry32), so that what fails can be sent again. */
function numbers(seed: number) {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const ID = '0197aaaa-bbbb-7ccc-8ddd-eeeeffff0001'

/** What each step is usually sent; the fields are spoilt one or two at a time. */
const STEPS: Record<string, Record<string, unknown>> = {
  'add-tree': { id: ID, siteId: ID, tag: 'x', host: 'ash', eastM: 1, northM: 2, note: null },
  'change-tree': { treeId: ID, version: 1, tag: 'x', host: 'ash', note: 'n', liveCrownPercent: 50 },
  'confirm-identity': { treeId: ID, host: 'ash' },
  'add-reading': { id: ID, treeId: ID, tape: 'girth', bareUnit: 'in', stems: ['50'], accepted: [] },
  'save-ring': {
    treeId: ID,
    version: 1,
    marks: [{ kind: 'flare', from: 1, to: 2, severity: null, notedOn: '2026-06-01' }],
  },
  'set-finding': { treeId: ID, assessmentId: ID, finding: 'exit-hole-d', state: 'there' },
  'set-detail': {
    treeId: ID,
    assessmentId: ID,
    finding: 'exit-hole-d',
    detail: { amount: 'much', bearing: 4, count: 2, sample: { size: 10, of: 'twigs' }, words: 'w' },
  },
  'remove-photo': { id: ID },
  'end-device': { sessionId: ID },
  'sign-diagnosis': {
    id: ID,
    treeId: ID,
    assessmentId: ID,
    cause: 'emerald-ash-borer',
    reason: 'because it is',
  },
  'sign-decision': {
    id: ID,
    treeId: ID,
    diagnosisId: ID,
    action: 'watch',
    words: 'because it is',
    due: '2026-06-20',
    whom: null,
    watch: { count: 'live mites', threshold: 3 },
  },
  'hand-to-crew': {
    id: ID,
    items: [
      {
        useId: ID,
        choice: 0,
        subjects: [{ treeId: ID, decisionId: ID, given: { portGirth: '54 in', bearings: [0, 40] } }],
      },
    ],
    eaten: null,
    onDate: '2026-06-12',
  },
  'withdraw-prescription': { treeId: ID, prescriptionId: ID, words: 'the wrong one' },
  'confirm-tree': { jobSubjectId: ID, tag: 'x', gear: true },
  'note-applied': {
    id: ID,
    siteId: ID,
    active: 'imidacloprid',
    amount: '0.1 lb',
    onDate: '2026-06-01',
    source: 'a receipt',
  },
  'set-area': { siteId: ID, area: '1 acre' },
  'begin-work': { jobSubjectIds: [ID], gear: true },
  'mark-step': { eventId: ID, stepId: ID, kind: 'drill', reason: null, left: null, bearing: null },
  'mark-steps': { id: ID, presses: [{ eventId: ID, stepId: ID, kind: 'do', times: 2, of: null }] },
  'sign-record': {
    id: ID,
    jobSubjectIds: [ID],
    lot: 'l',
    temperature: '70 F',
    wind: '5 mph',
    windFrom: 'N',
    sky: 'clear',
    soil: 'moist',
    counted: 9,
    mark: 'white',
    notices: 'told',
    deviations: null,
    accepted: [],
  },
  'set-block': { siteId: ID, treeIds: [ID], name: 'Bank A' },
  'sign-block': { id: ID, siteId: ID, block: 'Bank A' },
  'put-on-day': { occurrenceId: ID, onDate: '2026-06-20', leaveOut: [] },
  'end-repeats': { occurrenceId: ID, words: 'no more spots' },
  'move-day': { jobSubjectIds: [ID], onDate: '2026-06-20', why: 'rain all day' },
  'move-check': { followUpId: ID, onDate: '2026-06-20', why: 'the client is away' },
  'take-week': {
    id: ID,
    placed: [
      {
        stop: ID,
        trees: 1,
        from: { crewId: null, onDate: '2026-06-15' },
        to: { crewId: ID, onDate: '2026-06-16' },
        pinned: true,
        why: 'rain all day',
      },
    ],
    order: [{ crewId: ID, onDate: '2026-06-16', stops: [ID] }],
  },
  'set-crew': {
    crewId: ID,
    name: 'Bank crew',
    truck: 'truck 4',
    people: [ID],
    methods: ['prune'],
    begins: 420,
    minutes: [480, 480, 480, 480, 480, 0, 0],
  },
  'end-crew': { crewId: ID },
  'note-loaded': {
    id: ID,
    crewId: null,
    onDate: '2026-06-15',
    line: 'water',
    name: 'Water',
    amount: '2 gal',
    state: 'on',
  },
  'tell-client': {
    id: ID,
    jobId: ID,
    kind: 'day',
    messages: [{ name: 'Ann', address: 'a@example.org', language: 'en', subject: 's', text: 't' }],
  },
  'enter-stock': { id: ID, lotId: ID, kind: 'counted', amount: '2 gal', words: null, accepted: [] },
  'set-least': { id: ID, code: 'EB4', least: '1 gal' },
  'put-day-away': {
    id: ID,
    crewId: null,
    onDate: '2026-06-15',
    left: [{ jobSubjectId: ID, words: 'at seven' }],
  },
  'see-away': { ids: [ID] },
  'set-absence': { id: ID, personId: ID, crewId: null, from: '2026-06-15', to: '2026-06-16', why: 'holiday' },
  'end-absence': { absenceId: ID },
  'set-site-hours': { siteId: ID, hours: 'Mon, Tue 05:30 to 07:40' },
  'make-calendar-link': { id: ID, crewId: ID, clientId: null },
  'end-calendar-link': { linkId: ID },
  'hand-back': { jobSubjectIds: [ID], words: 'the gate is locked' },
  'release-line': { jobSubjectIds: [ID], found: 'girdling roots' },
  'enter-answer': {
    id: ID,
    followUpId: ID,
    assessmentId: ID,
    answers: [{ finding: 'lab-verticillium', state: 'there' }],
    words: null,
  },
  'enter-result': { id: ID, followUpId: ID, value: 1, said: null, nextStep: 'wait', words: null },
  'correct-record': { id: ID, recordId: ID, reason: 'because it is', correction: 'so' },
  'set-units': { units: 'us' },
  'move-clock': { seconds: 0.5 },
  'set-own-entry': {
    id: ID,
    entry: {
      kind: 'cause',
      name: 'Quay blight',
      hosts: ['ash'],
      findings: { 'exit-hole-d': 'always' },
      oneLine: 'Something at the quay.',
      act: 'Look at it.',
      doNot: 'Nothing in haste.',
    },
  },
  'withdraw-own-entry': { id: ID },
  'write-note': { id: ID, entry: 'host:ash', words: 'w' },
  'set-house-rule': { id: ID, matter: 'wound-paint', rule: 'one', words: null },
  'set-local-rule': {
    id: ID,
    name: 'A rule',
    text: 'What it says.',
    source: 'where it stands',
    district: null,
    rule: { kind: 'report', causes: ['dutch-elm-disease'], whom: 'the office', days: 2 },
  },
  'decide-many': {
    id: ID,
    siteId: ID,
    decisions: [{ id: ID, treeId: ID, diagnosisId: ID, action: 'treat', words: null }],
    follows: {},
  },
  'screen-safety': {
    id: ID,
    treeId: ID,
    defect: 2,
    defectWords: 'a dead limb',
    target: 2,
    targetWords: 'a bench',
    consequence: 2,
    consequenceWords: 'somebody hurt',
  },
  'set-site-money': {
    id: ID,
    siteId: ID,
    money: {
      years: 10,
      discountPercent: 4,
      visitLeast: 40,
      visitPerInch: 9,
      everyYears: 2,
      removeLeast: 250,
      removePerInch: 45,
      replace: 450,
      replaceYears: 15,
      emergencyTimes: 1.6,
      worthPerInch: 12,
      pressure: 'middle',
      minutesLeast: 12,
      minutesPerInch: 1.2,
    },
  },
  'end-local-rule': { id: ID, words: 'It was repealed.' },
  'set-district': { siteId: ID, district: null },
  'place-site': { siteId: ID, spot: { latitude: 42.3, longitude: -75.2 } },
  'see-stage': { id: ID, siteId: ID, kind: 'apple', stage: 'bloom', on: '2026-05-01' },
  'take-stage-back': { seenId: ID },
  'read-weather': { id: ID, siteId: ID, temperature: '62 F', wind: '5 mph', accepted: [] },
  'take-weather-back': { readingId: ID },
  'take-hours-back': { enteredId: ID },
  'draw-outlines': {
    siteId: ID,
    outlines: [
      { id: ID, kind: 'hive', name: 'n', setback: '60 ft', geometry: { type: 'Point', coordinates: [1, 2] } },
      {
        id: ID,
        kind: 'ground',
        name: null,
        setback: null,
        geometry: {
          type: 'Polygon',
          coordinates: [
            [
              [0, 0],
              [9, 0],
              [9, 9],
            ],
          ],
        },
      },
    ],
  },
  'change-outline': {
    outlineId: ID,
    version: 1,
    kind: 'water',
    name: 'n',
    setback: '30 ft',
    geometry: {
      type: 'LineString',
      coordinates: [
        [0, 0],
        [9, 9],
      ],
    },
  },
  'take-outline': { outlineId: ID, version: 1 },
  'say-water': { siteId: ID, said: true },
  'place-picture': {
    siteId: ID,
    lies: { id: ID, eastM: 1, northM: 2, metresPerPixel: 0.1, turned: 0 },
  },
  'undo-plan-step': { stepId: ID },
  'enter-hours': {
    id: ID,
    siteId: ID,
    from: 1781265600000,
    hours: { temperature: [12.5, null], rain: [0, 1] },
  },
  'finish-practice': {
    id: ID,
    caseId: 'composed:ash-top',
    checks: ['exit-hole-d'],
    answer: 'emerald-ash-borer',
    action: 'protect-systemic',
  },
  'make-token': { id: ID, name: 'n' },
  'revoke-token': { id: ID },
}

const SPOILT: unknown[] = [
  undefined,
  null,
  '',
  ' ',
  0,
  -1,
  1.5,
  1e308,
  -1e308,
  2147483648,
  9007199254740993,
  true,
  [],
  {},
  [[[]]],
  'x'.repeat(5000),
  'a\u0000b',
  '\ud800',
  'a\udfffb',
  '\u202eexe',
  '\u0085',
  '\u2028',
  'ﷺ'.repeat(60),
  '🌳'.repeat(40),
  "'; drop table tree; --",
  '%',
  '\\',
  '{{7*7}}',
  '<script>',
  '__proto__',
  'constructor',
  '2026-02-30',
  '0000-00-00',
  '99999-01-01',
  'NaN',
  'Infinity',
  '1e400',
  '4 gal',
  '-4 in',
  '1/0 in',
  ['a\u0000'],
  [null],
  Array(3000).fill('1'),
  { a: { b: { c: '\u0000' } } },
  ID,
  'not-an-id',
  '00000000-0000-0000-0000-000000000000',
  'ffffffff-ffff-ffff-ffff-ffffffffffff',
]

const ADDRESSES = [
  '/',
  '/grounds',
  '/grounds/:x',
  '/grounds/:x?after=:x&id=:x',
  '/trees/:x',
  '/trees/:x/examine',
  '/trees/:x/weigh',
  '/trees/:x/decide',
  '/trees/:x/prescribe?portGirth=:x&choice=:x',
  '/trees/:x/sample?cause=:x',
  '/waiting/:x',
  '/waiting/decide?site=:x&tag=:x&id=:x',
  '/run',
  '/run/:x',
  '/ledger?before=:x',
  '/ledger/:x',
  '/follow-up?due=:x&id=:x',
  '/follow-up/:x',
  '/almanac',
  '/almanac/:x/:x',
  '/almanac/cause/:x',
  '/practice/:x/:x',
  '/practice/made/:x',
  '/reckon?sheet=:x&a=:x',
  '/settings',
  '/clients/:x',
  '/clients/:x/new-site',
  '/grounds/:x/about',
  '/grounds/:x/plan',
  '/help/:x',
  '/api/plan-pictures/:x',
  '/grounds/:x/trees-from-file',
  '/enter?token=:x',
  '/new-password?token=:x',
  '/api/v1/trees?site=:x',
  '/api/v1/trees.csv?site=:x',
  '/api/v1/limits.csv?year=:x',
  '/sign-in?next=:x',
  '/api/find?text=:x',
  '/api/health',
  '/api/trees/:x',
  '/api/photos/:x',
  '/api/v1/openapi.json',
  '/api/v1/calc/:x',
  '/api/do/:x',
  '/:x',
  '/_next/:x',
  '/api/:x',
]

const PARTS = [
  '%zz',
  '%',
  '%00',
  '%09',
  '%0a',
  '%0d%0aset-cookie:x',
  '%E0%A4%A',
  '%c0%ae',
  '%ed%a0%80',
  '..%2f..%2f',
  '%2e%2e',
  'toString',
  '__proto__',
  '-1',
  '1e9',
  '999999999999',
  '2147483648',
  ID,
  'ffffffff-ffff-ffff-ffff-ffffffffffff',
  '%F0%9F%8C%B3',
  'x'.repeat(3000),
  '%27%22',
  '%3Cscript%3E',
  '',
  '2026-02-30',
  '1&before=2',
  '%e2%80%ae',
  '[]',
  '%5B%5D',
  ':',
  '*',
  '//elsewhere.example',
  '%5c%5celsewhere.example',
]

interface Answer {
  status: number
  type: string
  body: string
}

test(`${REQUESTS} nonsensical requests are all answered below 500`, async ({ page }) => {
  test.setTimeout(600_000)
  await enter(page, 'ines')
  const theirs = await idOf(page, 'nothing of ours').catch(() => null)
  expect(theirs).toBeNull()
  await enter(page, 'maren')
  const mine = await idOf(page, 'Ash 12')
  const cookie = (await page.context().cookies()).map((c) => `${c.name}=${c.value}`).join('; ')
  const base = new URL(process.env.BASE_URL ?? 'http://127.0.0.1:3000')
  const agent = new http.Agent({ keepAlive: true, maxSockets: 8 })
  const send = (method: string, path: string, headers: Record<string, string>, body?: Buffer | string) =>
    new Promise<Answer>((resolve) => {
      const request = http.request(
        { host: base.hostname, port: base.port, method, path, agent, headers, timeout: 30_000 },
        (response) => {
          const parts: Buffer[] = []
          response.on('data', (p: Buffer) => parts.push(p))
          response.on('end', () =>
            resolve({
              status: response.statusCode ?? 0,
              type: response.headers['content-type'] ?? '',
              body: Buffer.concat(parts).toString('utf8'),
            }),
          )
        },
      )
      // A connection that the server closes on nonsense is an answer too, but not one that counts as well said.
      request.on('error', () => resolve({ status: 400, type: '', body: '' }))
      request.on('timeout', () => request.destroy())
      request.end(body)
    })

  const day = (await (await page.request.get('/api/field')).json()) as {
    value: { frame: { person: { id: string } } }
  }
  const own = day.value.frame.person.id
  const random = numbers(20260612)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const names = Object.keys(STEPS)
  const bad: string[] = []
  const seen = new Map<number, number>()
  const jobs: (() => Promise<void>)[] = []
  const check = (what: string, a: Answer, sentence: boolean) => {
    seen.set(a.status, (seen.get(a.status) ?? 0) + 1)
    if (a.status >= 500 || a.status === 0) bad.push(`${a.status} ${what.slice(0, 300)}`)
    if (sentence && a.status >= 400 && a.body !== '' && !/"message":"[^"]{10,}/.test(a.body))
      bad.push(`no sentence: ${a.status} ${what.slice(0, 300)}`)
  }

  for (let i = 0; i < REQUESTS; i++) {
    const kind = random()
    if (kind < 0.6) {
      const name = names[i % names.length]!
      const input: Record<string, unknown> = structuredClone(STEPS[name]!)
      // Half of them name a tree there is, so that the step goes as far as it can.
      if ('treeId' in input && random() < 0.5) input.treeId = mine
      const keys = Object.keys(input)
      for (let n = random() < 0.7 ? 1 : 2; n > 0; n--) {
        const key = pick(keys)
        const inner = input[key]
        if (inner && typeof inner === 'object' && !Array.isArray(inner) && random() < 0.7)
          (inner as Record<string, unknown>)[pick(Object.keys(inner))] = pick(SPOILT)
        else input[key] = pick(SPOILT)
      }
      if (random() < 0.1) input[pick(['extra', '__proto__', 'role', 'firmId'])] = pick(SPOILT)
      let text = JSON.stringify(input) ?? ''
      const how = random()
      if (how < 0.03) text = text.slice(0, Math.floor(random() * text.length))
      else if (how < 0.05) text = `${'['.repeat(2000)}${text}`
      else if (how < 0.07) text = `\ufeff${text}`
      const body = how > 0.97 ? Buffer.concat([Buffer.from(text), Buffer.from([0xff, 0xfe, 0x00])]) : text
      const headers: Record<string, string> = {
        cookie,
        origin: base.origin,
        'content-type':
          random() < 0.95
            ? 'application/json'
            : pick(['text/plain', 'application/x-www-form-urlencoded', 'x']),
      }
      if (random() < 0.3) headers['idempotency-key'] = pick([ID, 'x', '', mine, 'x'.repeat(500)])
      if (random() < 0.3) headers['elmhorn-at'] = pick(['x', '-1', '1e99', String(Date.now()), 'NaN', ''])
      jobs.push(async () =>
        check(`${name} ${text}`, await send('POST', `/api/do/${name}`, headers, body), true),
      )
    } else if (kind < 0.93) {
      const path = pick(ADDRESSES).replace(/:x/g, () => (random() < 0.2 ? mine : pick(PARTS)))
      const safe = path.replace(/[^\x21-\x7e]/g, '')
      const method = pick([
        'GET',
        'GET',
        'GET',
        'GET',
        'HEAD',
        'POST',
        'PUT',
        'DELETE',
        'PATCH',
        'OPTIONS',
        'TRACE',
        'PROPFIND',
      ])
      const headers: Record<string, string> = { origin: base.origin, connection: 'keep-alive' }
      headers.cookie =
        random() < 0.85
          ? cookie
          : pick([
              'elmhorn=%zz',
              'elmhorn=x; elmhorn=y',
              'elmhorn=',
              '%',
              'a=\u00e4'.replace(/[^\x20-\x7e]/g, '?'),
            ])
      jobs.push(async () => check(`${method} ${safe}`, await send(method, safe, headers), false))
    } else {
      // The calculators and the doors, by whoever.
      const path = pick([
        '/api/v1/calc/water',
        '/api/v1/calc/intervals',
        '/api/v1/calc/diagnose',
        '/api/v1/session',
        '/api/field',
        '/api/field',
        '/api/sign-in',
        '/api/sign-in',
      ])
      const body = JSON.stringify(
        pick([
          { email: pick(SPOILT), password: pick(SPOILT) },
          { email: `nobody${i}@test.example`, password: '' },
          { diameter: pick(SPOILT), gallonsPerInch: pick(SPOILT) },
          { plan: pick(SPOILT), history: pick(SPOILT), rules: pick(SPOILT) },
          { device: pick([ID, pick(SPOILT)]), envelopes: pick(SPOILT) },
          {
            device: ID,
            envelopes: [
              {
                id: pick([ID, pick(SPOILT)]),
                step: pick(['mark-step', 'sign-record', pick(SPOILT)]),
                content: pick([{ eventId: ID, stepId: pick(SPOILT), kind: 'drill' }, pick(SPOILT)]),
                at: pick([1781265600000, pick(SPOILT)]),
                away: pick([true, pick(SPOILT)]),
                trees: pick([[ID], pick(SPOILT)]),
              },
            ],
          },
          { host: pick(SPOILT), month: pick(SPOILT), there: pick(SPOILT) },
        ]),
      )
      const headers: Record<string, string> = {
        origin: base.origin,
        'content-type': 'application/json',
        ...((path.includes('calc') || path.includes('field')) && { cookie }),
        ...(path.includes('field') && { 'elmhorn-by': own }),
        // What says that it is packed and is not.
        ...(path.includes('field') && random() < 0.1 && { 'content-encoding': 'gzip' }),
      }
      jobs.push(async () => check(`${path} ${body}`, await send('POST', path, headers, body), true))
    }
  }
  let next = 0
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      while (next < jobs.length) await jobs[next++]!()
    }),
  )
  agent.destroy()
  expect(bad.slice(0, 20)).toEqual([])
  expect([...seen.values()].reduce((a, b) => a + b, 0)).toBe(REQUESTS)
  // It did reach the steps themselves, and some of it was good.
  for (const status of [200, 404, 405, 409, 422])
    expect([status, (seen.get(status) ?? 0) > 0]).toEqual([status, true])
  console.log(
    `answers: ${[...seen]
      .sort(([a], [b]) => a - b)
      .map(([s, n]) => `${s} × ${n}`)
      .join(', ')}`,
  )
  // And the app still serves.
  expect((await page.request.get('/api/health')).status()).toBe(200)
  expect((await post(page, '/api/sign-in', PEOPLE.maren)).status()).toBe(200)
})
