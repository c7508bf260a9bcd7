import { CARDS, useOf } from '../../../../demo/cards'
import { toSI } from '../../quantity/units'
import { readGiven } from '../given'
import type { Question } from '../plan'
import { sayPlan } from '../say'
import { pressStep } from '../running'
import { planTrunkInjection } from './plan'

const inch = (n: number) => toSI(n, 'in')
const use = useOf(CARDS.find((c) => c.card.code === 'EB4')!.card, 'trunk-injection')
const GIRTHS = [22, 26, 27.5, 34]

const question = (more: Partial<Question<'trunk-injection'>> = {}): Question<'trunk-injection'> => ({
  use,
  tree: {
    host: 'ash',
    wood: 'ring-porous',
    stems: GIRTHS.map((g) => ({ girth: inch(g) })),
    diameter: Math.hypot(...GIRTHS.map((g) => inch(g) / Math.PI)),
    marks: [{ kind: 'dead', from: 0, to: 359, notedOn: '2026-06-01' }],
    holes: [],
  },
  day: { on: '2026-06-12', soil: 'moist', temperature: toSI(70, 'F') },
  choice: 0,
  given: { portGirths: GIRTHS.map((g) => inch(g * 1.04)) },
  units: 'us',
  sources: { reading: 'tape reading', label: 'card', weather: 'fair' },
  ...more,
})
const plan = (more: Partial<Question<'trunk-injection'>> = {}) => {
  const r = planTrunkInjection(question(more))
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
/** The same on one round trunk. */
const one = (girth: number) =>
  plan({
    tree: {
      ...question().tree,
      marks: [],
      stems: [{ girth: inch(girth) }],
      diameter: inch(girth) / Math.PI,
    },
    given: { portGirth: inch(girth * 1.04) },
  }).plan

test('each stem is a trunk: the dose of the tree is the sum of theirs, not that of one of the same wood', () => {
  const { plan: four } = plan()
  const each = GIRTHS.map((g) => one(g))
  expect(four.product).toBeCloseTo(
    each.reduce((n, p) => n + p.product, 0),
    12,
  )
  expect(four.steps).toHaveLength(each.reduce((n, p) => n + p.steps.length, 0))
  // One round trunk of the same wood would get less by far.
  const whole = one((four.diameter * Math.PI) / inch(1))
  expect(four.product).toBeGreaterThan(whole.product * 1.5)
  expect(four.shape.stems!.map((s) => s.product)).toEqual(each.map((p) => p.product))
  expect([four.least, four.most]).toEqual([
    expect.closeTo(
      each.reduce((n, p) => n + p.least, 0),
      12,
    ),
    expect.closeTo(
      each.reduce((n, p) => n + p.most, 0),
      12,
    ),
  ])
})

test('every port says its stem, keeps its spacing there, and carries it to the crew and the record', () => {
  const { plan: four } = plan()
  for (const [i, stem] of four.shape.stems!.entries()) {
    const ports = four.shape.ports.filter((p) => p.stem === i + 1)
    expect(ports).toHaveLength(stem.ports)
    expect(new Set(ports.map((p) => p.bearing)).size).toBe(ports.length)
  }
  const step = four.steps.at(-1)!
  const state = pressStep(9, step, [], [])
  expect(state).toMatchObject({ ok: true, value: { kind: 'port', stem: 4 } })
  expect(sayPlan(four, use, 'us')).toMatch(/mL in \d+ ports of 4 stems$/)
})

test('no figure of the working is of a trunk that nobody measured', () => {
  const { working } = plan()
  const girth = `${((Math.hypot(...GIRTHS) * 8) | 0) / 8}`
  expect(working.map((s) => s.expression).join(' ')).not.toContain(girth.slice(0, 2) + ' ')
  expect(working.at(-1)).toMatchObject({
    label: 'All 4 stems',
    expression: expect.stringMatching(/mL \+ .*mL \+ .*mL \+ .*mL$/),
  })
  expect(working.filter((s) => s.label.endsWith('Diameter')).map((s) => s.label)).toEqual(
    [1, 2, 3, 4].map((n) => `Stem ${n}: Diameter`),
  )
})

test('holes of an earlier visit are in their stem; one of which nobody knows is kept off in all', () => {
  const bearings = (holes: Question<'trunk-injection'>['tree']['holes'], stem: number) =>
    plan({ tree: { ...question().tree, holes } })
      .plan.shape.ports.filter((p) => p.stem === stem)
      .map((p) => p.bearing)
  const clear = bearings([], 1)
  const hole = { bearing: clear[0]!, drilledOn: '2026-05-01' }
  expect(bearings([{ ...hole, stem: 2 }], 1)).toEqual(clear)
  expect(bearings([{ ...hole, stem: 1 }], 1)).not.toEqual(clear)
  expect(bearings([hole], 1)).not.toEqual(clear)
  expect(bearings([hole], 2)).not.toEqual(bearings([], 2))
})

test('nothing is planned while a stem is not measured where its ports go, and a slip names its stem', () => {
  const problem = (given: Question<'trunk-injection'>['given']) => {
    const r = planTrunkInjection(question({ given }))
    return r.ok ? null : r.problem
  }
  expect(problem({})).toMatchObject({
    code: 'missing',
    field: 'portGirth',
    message: expect.stringMatching(/4 stems, each a trunk/),
  })
  expect(problem({ portGirth: inch(55) })).toMatchObject({ code: 'missing' })
  expect(problem({ portGirths: [22, 26, 27].map(inch) })).toMatchObject({ code: 'missing' })
  expect(problem({ portGirths: [22, 26, 27, 340].map(inch) })).toMatchObject({
    message: expect.stringMatching(/^Stem 4: /),
  })
})

test('girths of stems are typed with semicolons between', () => {
  expect(readGiven({ portGirth: '22; 26 1/2 in' }, 'us')).toMatchObject({
    ok: true,
    value: { portGirths: [inch(22), inch(26.5)] },
  })
  expect(readGiven({ portGirth: '22; ' }, 'us')).toMatchObject({
    ok: false,
    problem: { field: 'portGirth', message: expect.stringMatching(/stem 2/i) },
  })
})

test('each stem has its own ring: dead wood and earlier holes of one keep off its ports and nobody else’s', () => {
  const marks = [
    { kind: 'dead' as const, from: 340, to: 20, notedOn: '2026-06-01', stem: 2 },
    { kind: 'hole' as const, from: 180, to: 180, notedOn: '2025-06-12', stem: 3 },
    // Of the foot, nobody knows of which stem.
    { kind: 'hole' as const, from: 90, to: 90, notedOn: '2025-06-12' },
  ]
  const drawn = plan({ tree: { ...question().tree, marks } }).plan.shape.ports
  const bare = plan({ tree: { ...question().tree, marks: [] } }).plan.shape.ports
  const on = (ports: typeof drawn, stem: number) => ports.flatMap((p) => (p.stem === stem ? [p.bearing] : []))
  const dead = (b: number) => b >= 340 || b <= 20
  expect(on(bare, 2).some(dead)).toBe(true)
  expect(on(drawn, 2).some(dead)).toBe(false)
  const near = (b: number, hole: number) => Math.abs(b - hole) < 8
  for (const stem of [1, 2, 3, 4]) expect(on(drawn, stem).some((b) => near(b, 90))).toBe(false)
  expect(on(drawn, 3).some((b) => near(b, 180))).toBe(false)
  // Dead wood all round one stem is told with its number.
  const shut = planTrunkInjection(
    question({
      tree: {
        ...question().tree,
        marks: [{ kind: 'dead', from: 0, to: 359, notedOn: '2026-06-01', stem: 2 }],
      },
    }),
  )
  expect(!shut.ok && shut.problem.message).toMatch(/^Stem 2: .*sound wood/)
})

test('not even one port is left out: where sound wood has no room for all, nothing is planned', () => {
  const withDead = (to: number) =>
    planTrunkInjection(
      question({
        tree: {
          ...question().tree,
          marks: [{ kind: 'dead', from: 0, to, notedOn: '2026-06-01' }],
          stems: [{ girth: inch(52) }],
          diameter: inch(52) / Math.PI,
        },
        given: { portGirth: inch(54) },
      }),
    )
  const answers = Array.from({ length: 70 }, (_, i) => withDead(5 + i * 5))
  const missing = answers.map((a) => (a.ok ? 0 : Number(/^(\d+) of 9 ports/.exec(a.problem.message)?.[1])))
  // Room for all at first; then one has none, then more.
  expect(missing[0]).toBe(0)
  expect(missing).toContain(1)
  expect(missing.every((m, i) => i === 0 || m >= missing[i - 1]!)).toBe(true)
  for (const a of answers) if (a.ok) expect(a.value.plan.shape.ports).toHaveLength(9)
})
