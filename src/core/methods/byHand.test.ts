import { HAND_NAMES, type HandName, isHand } from './names'
import { CARDS } from '../../../demo/cards'
import { WAYS } from '@/almanac/ways'
import { Card, CardUse } from '../card/card'
import { sayTerms } from '../card/say'
import { fromSI, toSI } from '../quantity/units'
import type { HandMethod } from './byHand'
import { checksAfter } from './checks'
import { HAND, handMethod } from './hand'
import { outcomeOfWork } from './outcome'
import type { Method } from '../card/card'
import type { PlanOf, SubjectPlan, UseOf } from './plan'
import { planByHand } from './planByHand'
import { methodOf, planSubject } from './registry'
import { rescueOf } from './save/save'
import { pressStep, type RunningStep, type StepEvent } from './running'
import { sayPlan, sayTask } from './say'

/** Every method without a product, by its demo card. */
const useOfHand = (method: HandName) =>
  CARDS.flatMap((c) => c.card.uses).find((u) => u.method === method) as UseOf<Method>

/** What is said of a tree for each. */
const GIVEN: Record<HandName, Record<string, string>> = {
  collar: { north: '4 in', south: '2 in' },
  trenches: { start: '4 ft', end: '14 ft' },
  water: { emitters: '4', flow: '1 gal' },
  prune: { what: 'blighted shoots', cuts: '6' },
  guard: { animal: 'rabbit', snow: '12 in' },
  repel: { pieces: '2' },
  band: {},
  hands: { work: 'brush with soapy water' },
  release: { prey: '60' },
  save: { lost: '80', height: '6 in', where: 'below the graft' },
  watch: { what: 'live scales', threshold: '5' },
  fence: { off: '4 ft' },
  shelter: { height: '10 ft', width: '8 ft' },
  bag: { fruits: '120' },
  barrier: { line: '80 ft', between: 'Elm 12', utilities: 'marked' },
  fell: { stands: 'lives', how: 'from a lift' },
  wood: { how: 'chipped', loads: '2' },
  sample: { part: 'Three branches', asked: 'wilt fungus' },
}

function planned(method: HandName, given = GIVEN[method], inches = 3, on = '2026-04-12') {
  const r = planSubject({
    use: useOfHand(method),
    tree: {
      host: 'apple',
      wood: 'diffuse-porous',
      stems: [{ diameter: toSI(inches, 'in') }],
      diameter: toSI(inches, 'in'),
      marks: [],
      holes: [],
    },
    day: { on, soil: 'moist', temperature: 21 },
    choice: 0,
    given: { hand: given },
    units: 'us',
    sources: { reading: 'tape', label: 'card', weather: 'fair' },
  })
  return r
}
function plan(method: HandName, given = GIVEN[method], inches = 3) {
  const r = planned(method, given, inches)
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value.plan as PlanOf<HandName>
}

describe.each(HAND_NAMES)('%s', (method) => {
  const use = useOfHand(method)

  test('its house card is one, and says all its lines', () => {
    expect(CardUse.safeParse(use).error?.issues).toBeUndefined()
    expect(sayTerms(use).length).toBeGreaterThanOrEqual(2)
    // No label says how work without a product is done.
    const label = { ...CARDS[0]!.card, uses: [use] }
    expect(Card.safeParse(label).error?.issues[0]!.message).toMatch(/house card/)
  })

  test('puts nothing on, takes time, and says every step with this tree’s figures', () => {
    const p = plan(method)
    expect(p).toMatchObject({ method, product: 0, most: 0, active: null })
    expect(p.minutes).toBeGreaterThan(0)
    const said = p.steps.map((s) => sayTask(s.kind === 'task' ? s.task : '', p, use, 'us'))
    for (const { name, text } of said) {
      expect(name).toMatch(/^[A-Z]/)
      expect(text.length).toBeGreaterThan(20)
      expect(`${name} ${text}`).not.toMatch(/undefined|NaN|\[object/)
    }
    expect(new Set(said.map((s) => s.name)).size).toBe(said.length)
    for (const units of ['us', 'metric'] as const)
      expect(sayPlan(p, use, units)).not.toMatch(/undefined|NaN|^$/)
  })

  test('what it asks of a tree is missed by name, and nothing odd is taken', () => {
    const asks = handMethod(method).asks
    for (const line of asks) {
      if (!line.optional)
        expect(planned(method, { ...GIVEN[method], [line.name]: ' ' })).toMatchObject({
          ok: false,
          problem: { code: 'missing', field: line.name },
        })
      if (line.kind !== 'words')
        expect(planned(method, { ...GIVEN[method], [line.name]: 'a lot' })).toMatchObject({
          ok: false,
          problem: { field: line.name },
        })
      if (['length', 'reach', 'volume'].includes(line.kind))
        expect(planned(method, { ...GIVEN[method], [line.name]: '-3 ft' }).ok).toBe(false)
    }
  })

  test('is looked at afterwards, and named by the almanac for some cause', () => {
    expect(checksAfter(use, 70).length).toBeGreaterThan(0)
    expect(Object.values(WAYS).some((ways) => ways.some((w) => w.method === method))).toBe(true)
    const repeats = methodOf(use).repeats(use)
    if (repeats) expect(repeats.least).toBeLessThanOrEqual(repeats.most)
  })

  test('its steps are run, noted and judged like any other', () => {
    const p = plan(method)
    const states = p.steps.map((what, i): RunningStep => {
      const events: StepEvent[] = [{ id: `e${i}`, at: i, kind: 'do', noted: noteFor(what) }]
      if (what.kind === 'task' && what.note)
        // What is to be written down is asked for before it counts as done.
        expect(pressStep(i + 1, what, [], [{ id: 'x', at: 1, kind: 'do' }])).toMatchObject({
          ok: false,
          problem: { field: 'noted' },
        })
      const r = pressStep(i + 1, what, [], events)
      if (!r.ok) throw new Error(r.problem.message)
      return r.value
    })
    expect(outcomeOfWork(states)).toBe('treated')
    expect(outcomeOfWork([])).toBe('not treated')
    const none = p.steps.map((what, i) => {
      const r = pressStep(i + 1, what, [], [{ id: 'u', at: 1, kind: 'give-up', reason: 'rain', left: 0 }])
      if (!r.ok) throw new Error(r.problem.message)
      return r.value
    })
    expect(outcomeOfWork(none)).toBe('not treated')
    if (states.length > 1)
      expect(outcomeOfWork([...none.slice(0, 1), ...states.slice(1)])).toBe('partly treated')
  })
})

function noteFor(what: PlanOf<HandName>['steps'][number]): string | undefined {
  if (what.kind !== 'task' || !what.note) return undefined
  const { kind, options } = what.note
  return kind === 'choice' ? options![0]! : kind === 'words' ? 'four hours' : kind === 'count' ? '0' : '3 in'
}

test('the soil over a flare is the ring by its average depth', () => {
  const p = plan('collar', { north: '4 in', south: '2 in' }, 20)
  // π ((10 + 18)² − 10²) × 3 in³
  expect(p.shape['soil']).toBeCloseTo(Math.PI * (28 ** 2 - 10 ** 2) * 3 * 0.0254 ** 3, 9)
  expect(p.shape['deepest']).toBeCloseTo(toSI(4, 'in'), 12)
  expect(sayTask('open', p, useOfHand('collar'), 'us').text).toMatch(/4 in north, 2 in south/)
})

test('what carries a wilt on is felled once its sound neighbours are protected, or with the reason why not', () => {
  const fell = (bareNeighbours: readonly string[] | undefined, neighbours?: string) => {
    const r = HAND.fell.plan({
      tree: {
        host: 'elm',
        wood: 'ring-porous',
        stems: [],
        diameter: 0.5,
        marks: [],
        holes: [],
        ...(bareNeighbours && { bareNeighbours }),
      },
      day: { on: '2026-06-12', soil: 'moist', temperature: 21 },
      terms: {},
      given: { stands: 'lives', how: 'by machine', ...(neighbours !== undefined && { neighbours }) },
      units: 'us',
    })
    return r.ok ? r.value.shape : r.problem
  }
  expect(fell(undefined)).not.toHaveProperty('bare')
  expect(fell([])).not.toHaveProperty('bare')
  expect(fell(['Elm 2'])).toMatchObject({
    code: 'missing',
    field: 'neighbours',
    message: expect.stringMatching(/Elm 2 is not/),
  })
  expect(fell(['a', 'b', 'c', 'd', 'e', 'f'])).toMatchObject({
    message: expect.stringMatching(/a, b, c, d and 2 more are not/),
  })
  expect(fell(['Elm 2'], 'its owner wants none')).toMatchObject({
    bare: 'Elm 2',
    neighbours: 'its owner wants none',
  })
  // What nobody has to explain is not kept.
  expect(fell([], 'whatever')).not.toHaveProperty('neighbours')
})

test('spokes, water and guards come from the calculators of the same name', () => {
  expect(plan('trenches').shape).toMatchObject({
    backfill: expect.closeTo(8 * toSI(10, 'ft') * toSI(4, 'in') * toSI(10, 'in'), 9) as number,
  })
  const w = plan('water')
  expect(fromSI(w.water!, 'gal')).toBeCloseTo(30, 9)
  expect(w.shape['hours']).toBeCloseTo(7.5, 9)
  const poured = planned('water', {})
  if (!poured.ok) throw new Error(poured.problem.message)
  expect(poured.value.plan.shape).not.toHaveProperty('hours')
  expect(poured.value.plan.steps.map((s) => s.kind === 'task' && s.task)).toEqual(['probe', 'basin', 'pour'])
  expect(sayPlan(poured.value.plan as SubjectPlan, useOfHand('water'), 'us')).toBe('30 gal')
  expect(sayTask('pour', poured.value.plan as SubjectPlan, useOfHand('water'), 'us').text).toMatch(
    /^30 gal in all/,
  )
  expect(planned('water', { emitters: '4' })).toMatchObject({
    ok: false,
    problem: { code: 'missing', field: 'flow' },
  })
  expect(planned('water', { flow: '1 gal' })).toMatchObject({ ok: false, problem: { field: 'emitters' } })
  const g = plan('guard').shape
  expect(fromSI(Number(g['height']), 'in')).toBeCloseTo(12 + 24 + 3, 9)
  expect(fromSI(Number(g['length']), 'in')).toBeCloseTo(Math.PI * 6 + 1.5, 9)
  expect(fromSI(Number(plan('guard', { animal: 'vole', snow: '6 in' }).shape['height']), 'in')).toBeCloseTo(
    21,
    9,
  )
})

test.each([
  [20, 3, 'above the graft', 'leave it'],
  [50, 3, 'above the graft', 'tape it'],
  [51, 3, 'above the graft', 'bridge graft'],
  [100, 1.5, 'above the graft', 'cut below and train a shoot'],
  [100, 1.5, 'on its own roots', 'cut below and train a shoot'],
  [100, 1.5, 'below the graft', 'inarch'],
  [100, 8, 'below the graft', 'inarch'],
  [100, 8, 'on its own roots', 'bridge graft'],
] as const)('%s %% of a stem of %s in lost %s: %s', (lost, inches, where, way) => {
  expect(rescueOf({ lost, diameter: toSI(inches, 'in'), where })).toBe(way)
  const p = plan('save', { lost: String(lost), height: '6 in', where }, inches)
  expect(p.shape['way']).toBe(way)
  // A scion every two inches of what is lost, two at the least.
  if (way === 'bridge graft' && inches === 8) expect(p.shape['scions']).toBe(13)
})

test('what is found at the tree sends it back', () => {
  expect(HAND.collar.leads!({ anchors: 'all sound', found: 'girdling root' }, {})).toBeNull()
  expect(HAND.collar.leads!({ anchors: 'one soft' }, {})).toMatch(/qualified risk assessor/)
  expect(HAND.collar.leads!({ anchors: 'all sound', found: 'decay' }, {})).toMatch(/decide anew/)
  expect(HAND.collar.leads!({ roots: '15' }, { room: 15 })).toBeNull()
  expect(HAND.collar.leads!({ roots: '16' }, { room: 15 })).toMatch(/16 % .* at most 15 % was this year’s/)
  expect(HAND.water.leads!({ probe: 'wet, smears' }, {})).toMatch(/Stop the water/)
  expect(HAND.water.leads!({ probe: 'dry, crumbles' }, {})).toBeNull()
  expect(HAND.release.leads!({ free: 'mostly dead' }, {})).toMatch(/Order them again/)
})

test('oaks are not cut in the season of the wilt; it may go over the turn of the year', () => {
  const terms = { closedFrom: 4, closedTo: 7, closedWhy: 'beetles fly' }
  const at = (on: string, more = {}) =>
    HAND.prune.gate!({ terms: { ...terms, ...more }, host: 'oak-red-group', on })
  expect(at('2026-06-12')[0]).toMatchObject({
    why: 'This card does not cut then: beetles fly.',
    wayOut: 'Again from 1 Aug 2026.',
  })
  expect(at('2026-03-31')).toEqual([])
  expect(at('2026-08-01')).toEqual([])
  expect(at('2026-12-05', { closedFrom: 11, closedTo: 2 })[0]!.wayOut).toBe('Again from 1 Mar 2027.')
  expect(at('2026-01-05', { closedFrom: 11, closedTo: 2 })[0]!.wayOut).toBe('Again from 1 Mar 2026.')
  expect(HAND.prune.gate!({ terms: {}, host: 'apple', on: '2026-06-12' })).toEqual([])
})

test('grafts are let in while the bark slips; tape and a cut go on at any time', () => {
  const june = (lost: string, inches: number) =>
    planned('save', { lost, height: '6 in', where: 'above the graft' }, inches, '2026-06-12')
  expect(june('80', 3)).toMatchObject({
    ok: false,
    problem: { field: 'onDate', message: expect.stringMatching(/15 February to 31 May.*15 Feb 2027/) },
  })
  expect(june('40', 3).ok).toBe(true)
  expect(june('80', 1.5).ok).toBe(true)
})

test('a name is one of a method without a product, or it is not', () => {
  expect(isHand('collar')).toBe(true)
  expect(isHand('soil-drench')).toBe(false)
  expect(isHand('toString')).toBe(false)
})

test('a new method is one object: planned, said and run by what is there', () => {
  const whitewash: HandMethod = {
    terms: [{ name: 'coats', label: 'Coats', kind: 'count', least: 1, most: 4 }],
    asks: [{ name: 'up', label: 'Up to', kind: 'reach', hint: '5 ft' }],
    kit: 'brush, bucket',
    plan: ({ terms, given, tree }) => ({
      ok: true,
      value: {
        minutes: 10 * Number(terms['coats']),
        water: null,
        shape: { area: Math.PI * tree.diameter * Number(given['up']) },
        steps: [{ task: 'coat', times: Number(terms['coats']) }],
        working: [],
      },
    }),
    say: (_, { times }) => ({ name: 'Coat', one: 'coat', text: `${times} thin coats, the first dry.` }),
    inOneLine: () => 'whitewash',
    checks: () => [],
  }
  const r = planByHand(whitewash, {
    use: { ...useOfHand('band'), terms: { coats: 2 } } as UseOf<HandName>,
    tree: { host: 'apple', wood: 'diffuse-porous', stems: [], diameter: 0.1, marks: [], holes: [] },
    day: { on: '2026-06-12', soil: 'moist', temperature: 21 },
    choice: 0,
    given: { hand: { up: '5' } },
    units: 'us',
    sources: { reading: 'tape', label: 'card', weather: 'fair' },
  })
  if (!r.ok) throw new Error(r.problem.message)
  // A bare number over the ground is of feet.
  expect(r.value.plan.shape['area']).toBeCloseTo(Math.PI * 0.1 * toSI(5, 'ft'), 9)
  expect(r.value.plan.steps).toEqual([{ kind: 'task', product: 0, task: 'coat', times: 2 }])
})

test('a count above its threshold sends the tree back, one that reaches it does not', () => {
  const shape = { what: 'live scales', threshold: 5, sample: 'ten leaves' }
  expect(HAND.watch.leads!({ count: '6' }, shape)).toMatch(/^6 counted of live scales, more than 5/)
  expect(HAND.watch.leads!({ count: '5' }, shape)).toBeNull()
  expect(HAND.watch.leads!({}, shape)).toBeNull()
})

test('a sample that is sent promises the laboratory’s answer', () => {
  expect(HAND.sample.checks({ pack: 'cool', within: 2, answer: 12 })).toMatchObject([
    { afterDays: 12, expectation: { kind: 'laboratory' } },
  ])
})

test('what was gathered is counted on the ground, what was heated in the nut', () => {
  const check = (work: string) => {
    const p = plan('hands', { work })
    const count = p.steps.find((s) => s.kind === 'task' && s.task === 'count')
    return [
      count?.kind === 'task' && count.note?.label,
      checksAfter(useOfHand('hands'), 70, p)[0]!.what,
    ].join('; ')
  }
  expect(check('gather fallen fruit')).toMatch(/hanging dry; Fruit and nuts under the crown/)
  expect(check('heat the nuts')).toMatch(/larvae in twenty nuts; Live larvae in the store/)
  expect(check('wipe leaves')).toMatch(/alive on ten leaves/)
})

test('roots that are cut where nothing amiss was found lead back to the arborist', () => {
  const { shape } = plan('collar')
  const leads = (found: string, roots: string) =>
    handMethod('collar').leads!({ open: '0.1', found, anchors: 'all sound', roots }, shape)
  expect(leads('nothing amiss', '7')).toMatch(/7 % of the root zone was cut where nothing amiss/)
  expect(leads('nothing amiss', '0')).toBeNull()
  expect(leads('girdling root', '7')).toBeNull()
})
