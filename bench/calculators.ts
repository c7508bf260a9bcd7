import { planRow, type GroupQuestion } from '@/core/methods/group'
import { CARDS, useOf } from '../demo/cards'
import loadHighs from 'highs'
import { ask, CALCULATORS } from '@/calc/calculators'
import { seeded } from '@/core/decide/random'
import { worthSpread } from '@/core/decide/worthSpread'
import { chooseItems, type Item } from '@/core/choice/knapsack'
import { chooseWays } from '@/core/choice/multipleChoice'
import { layoutPorts, type LayoutInput } from '@/core/ports/layout'
import { forbiddenAt, suitability } from '@/core/ports/suitability'
import { toSI } from '@/core/quantity/units'

/** The calculators in Node, and two of them beside an independent solver on the same question in the same run. */
const median = (times: number[]) => [...times].sort((a, b) => a - b)[times.length >> 1]!
const p95 = (times: number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!
const timed = <T>(work: () => T): [number, T] => {
  const began = performance.now()
  const value = work()
  return [performance.now() - began, value]
}

function everyCalculator() {
  console.log('\n| calculator, its example, Node | p50, ms | p95, ms |\n| --- | ---: | ---: |')
  for (const { name, example } of CALCULATORS) {
    for (let i = 0; i < 100; i++) ask(name, example)
    const times = Array.from({ length: 300 }, () => timed(() => ask(name, example))[0])
    console.log(`| ${name} | ${median(times).toFixed(3)} | ${p95(times).toFixed(3)} |`)
  }
}

type Solve = (problem: string, options?: object) => { Status: string; ObjectiveValue: number }

const random = seeded(17)
const INCH = 25_400_000
const trees = (weight: () => number, value: () => number): Item[] =>
  Array.from({ length: 2000 }, () => ({ weight: weight(), value: value() }))

function knapsacks(solve: Solve) {
  console.log(
    '\n| 2,000 trees under a limit | ours, ms | HiGHS, ms | ratio | totals agree |\n| --- | ---: | ---: | ---: | --- |',
  )
  for (const [name, items] of [
    [
      'whole inches, priority 1–5',
      trees(
        () => (4 + Math.floor(37 * random())) * INCH,
        () => 1 + Math.floor(5 * random()),
      ),
    ],
    [
      'tenths of an inch, priority 1–10',
      trees(
        () => ((40 + Math.floor(361 * random())) * INCH) / 10,
        () => 1 + Math.floor(10 * random()),
      ),
    ],
    [
      'any diameter, priority 1–100',
      trees(
        () => Math.floor(1e8 + 9e8 * random()),
        () => 1 + Math.floor(100 * random()),
      ),
    ],
  ] as const) {
    const capacity = Math.floor(items.reduce((s, i) => s + i.weight, 0) * 0.3)
    const times: number[] = []
    let chosen: number[] = []
    for (let i = 0; i < 9; i++) {
      const [ms, set] = timed(() => chooseItems(items, capacity))
      times.push(ms)
      chosen = set
    }
    const sum = (of: (i: Item, n: number) => string) => items.map((i, n) => of(i, n)).join(' + ')
    const problem = `Maximize\n obj: ${sum((i, n) => `${i.value} x${n}`)}\nSubject To\n c: ${sum((i, n) => `${i.weight / INCH} x${n}`)} <= ${capacity / INCH}\nBinary\n ${items.map((_, n) => `x${n}`).join(' ')}\nEnd`
    const [theirs, answer] = timed(() => solve(problem, { mip_rel_gap: 0, mip_abs_gap: 0 }))
    const ours = median(times)
    const total = chosen.reduce((s, i) => s + items[i]!.value, 0)
    console.log(
      `| ${name} | ${ours.toFixed(1)} | ${theirs.toFixed(0)} | ${(theirs / ours).toFixed(1)} | ${Math.abs(total - answer.ObjectiveValue) < 0.5 ? 'yes' : `no: ${total} and ${answer.ObjectiveValue}`} |`,
    )
  }
}

/** One of three ways or none for each of 200 trees, within a limit and hours: values, then minutes, against HiGHS. */
function shares(solve: Solve) {
  console.log(
    '\n| 200 trees, three ways, two bounds | ours, ms | HiGHS (worth alone), ms | ratio | totals agree |\n| --- | ---: | ---: | ---: | --- |',
  )
  const whole = (most: number) => Math.floor(most * random())
  const property = (worth: (priority: number, inches: number) => number) =>
    Array.from({ length: 200 }, () => {
      const inches = (40 + whole(280)) / 10
      const value = worth(1 + whole(5), inches)
      return [
        { value: value * 10, minutes: 8 + Math.round(inches / 3), active: Math.round(inches * 3125) },
        { value: value * 10, minutes: Math.round(20 + inches * 2.2), active: 0 },
        { value: value * 9, minutes: Math.round(10 + inches / 2), active: Math.round(inches * 2500) },
      ]
    })
  for (const [name, trees, limit, hours] of [
    ['priority 1–5, limit and hours for two fifths', property((p) => p), 0.4, 0.4],
    ['priority 1–5, hours enough', property((p) => p), 0.3, 1],
    ['priority by size', property((_, inches) => Math.round(inches)), 0.4, 0.3],
    [
      'any figures',
      Array.from({ length: 200 }, () =>
        [0, 1, 2].map(() => ({ value: 1 + whole(1000), minutes: 1 + whole(100), active: 1 + whole(1e9) })),
      ),
      0.3,
      0.3,
    ],
  ] as const) {
    const total = (of: 'minutes' | 'active') =>
      trees.reduce((sum, ways) => sum + Math.max(...ways.map((w) => w[of])), 0)
    const room = {
      active: Math.floor(total('active') * limit),
      minutes: Math.floor(total('minutes') * hours),
    }
    const times: number[] = []
    let choice: (number | null)[] = []
    for (let i = 0; i < 5; i++) {
      const [ms, chosen] = timed(() => chooseWays(trees, room))
      times.push(ms)
      choice = chosen
    }
    const all = trees.flatMap((ways, i) => ways.map((w, o) => ({ ...w, x: `x${i}_${o}` })))
    const sum = (of: 'value' | 'minutes' | 'active') => all.map((w) => `${w[of]} ${w.x}`).join(' + ')
    const rows = trees.map((ways, i) => `t${i}: ${ways.map((_, o) => `x${i}_${o}`).join(' + ')} <= 1`)
    const problem = `Maximize\n obj: ${sum('value')}\nSubject To\n a: ${sum('active')} <= ${room.active}\n m: ${sum('minutes')} <= ${room.minutes}\n ${rows.join('\n ')}\nBinary\n ${all.map((w) => w.x).join(' ')}\nEnd`
    const [theirs, answer] = timed(() => solve(problem, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: 60 }))
    const ours = median(times)
    const value = choice.reduce<number>((s, o, i) => s + (o === null ? 0 : trees[i]![o]!.value), 0)
    console.log(
      `| ${name} | ${ours.toFixed(0)} | ${theirs.toFixed(0)} | ${(theirs / ours).toFixed(1)} | ${Math.abs(value - answer.ObjectiveValue) < 0.5 ? 'yes' : `no: ${value} and ${answer.ObjectiveValue}, ${answer.Status}`} |`,
    )
  }
}

function portSets(solve: Solve) {
  console.log('\n| ports | ours, ms | HiGHS, ms | ratio | totals agree |\n| --- | ---: | ---: | ---: | --- |')
  const inch = (n: number) => toSI(n, 'in')
  const trunk = (count: number, maxGap?: number): LayoutInput => ({
    portGirth: inch(120),
    count,
    minSpacing: inch(2),
    maxGap: maxGap === undefined ? undefined : inch(maxGap),
    flares: [10, 75, 140, 205, 280].map((bearing) => ({ bearing, halfWidth: 24 })),
    exclusions: [{ from: 95, to: 118 }],
    thinSectors: [{ from: 300, to: 40, severity: 0.6 }],
    earlierHoles: [10, 140, 280].map((bearing) => ({ bearing, years: 1 })),
  })
  for (const [name, input] of [
    ['9 of 360, gap 16 in', trunk(9, 16)],
    ['32 of 360, gap 11 in', trunk(32, 11)],
    ['32 of 360, no gap rule', trunk(32)],
  ] as const) {
    for (let i = 0; i < 10; i++) layoutPorts(input)
    const times = Array.from({ length: 40 }, () => timed(() => layoutPorts(input))[0])
    const layout = layoutPorts(input)
    const degrees = (l: number) => (l / input.portGirth) * 360
    const round = Array.from({ length: 360 }, (_, b) => b)
    const open = round.filter((b) => forbiddenAt(b, input) === null)
    const window = (from: number, width: number) =>
      round
        .slice(0, width)
        .map((k) => (from + k) % 360)
        .filter((b) => open.includes(b))
        .map((b) => `x${b}`)
        .join(' + ')
    const rows = [`n: ${open.map((b) => `x${b}`).join(' + ')} = ${input.count}`]
    for (const b of round) {
      const near = window(b, Math.ceil(degrees(input.minSpacing) - 1e-9))
      if (near.includes('+')) rows.push(`s${b}: ${near} <= 1`)
      if (input.maxGap !== undefined)
        rows.push(`g${b}: ${window(b, Math.floor(degrees(input.maxGap) + 1e-9))} >= 1`)
    }
    const problem = `Maximize\n obj: ${open.map((b) => `${suitability(b, input).toFixed(12)} x${b}`).join(' + ')}\nSubject To\n ${rows.join('\n ')}\nBinary\n ${open.map((b) => `x${b}`).join(' ')}\nEnd`
    const [theirs, answer] = timed(() => solve(problem, { mip_rel_gap: 0, mip_abs_gap: 1e-9 }))
    const ours = median(times)
    console.log(
      `| ${name} | ${ours.toFixed(1)} | ${theirs.toFixed(0)} | ${(theirs / ours).toFixed(1)} | ${Math.abs(layout.total - answer.ObjectiveValue) < 1e-6 ? 'yes' : `no: ${layout.total} and ${answer.ObjectiveValue}`} |`,
    )
  }
}

function draws() {
  const { example } = CALCULATORS.find((c) => c.name === 'worth')!
  const times = Array.from(
    { length: 9 },
    () =>
      timed(() => {
        const steps = worthSpread(example as Parameters<typeof worthSpread>[0], 10_000, random)
        while (!steps.next().done);
      })[0],
  )
  console.log(
    `\n10,000 drawn lives in Node: p50 ${median(times).toFixed(0)} ms, p95 ${p95(times).toFixed(0)} ms`,
  )
}

/** A table of 200 trees worked out anew, as it is when the rate for all is changed. */
function table() {
  console.log('\n| 200 trees worked out anew | p50, ms | p95, ms |\n| --- | ---: | ---: |')
  for (const [code, method, given] of [
    ['SD2', 'soil-drench', {}],
    ['SD2', 'soil-injection', {}],
    ['DN7', 'bark-spray', {}],
    ['EB4', 'trunk-injection', { portGirth: '70 in' }],
  ] as const) {
    const use = useOf(CARDS.find((c) => c.card.code === code)!.card, method)
    const host = use.hosts === 'any' ? 'ash' : use.hosts[0]!
    const trees = Array.from({ length: 200 }, (_, i) => {
      const diameter = toSI(15 + 10 * random(), 'in')
      return {
        id: `${i}`,
        tag: `${i}`,
        facts: { host, wood: 'ring-porous' as const, stems: [{ diameter }], diameter, marks: [], holes: [] },
        reading: '',
        closed: {},
      }
    })
    const q: GroupQuestion = {
      uses: [{ id: 'use', use, source: '' }],
      choices: { use: 0.5 },
      day: { on: '2026-06-12', soil: 'moist', temperature: 21, source: '' },
      units: 'us',
    }
    const times = Array.from({ length: 20 }, () => {
      const [ms, rows] = timed(() => trees.map((t) => planRow(t, { useId: 'use', given }, q)))
      if (rows.some((r) => r.plan === null))
        throw new Error(`${code} ${method}: ${rows.find((r) => !r.plan)!.why}`)
      return ms
    })
    console.log(`| ${method} | ${median(times).toFixed(1)} | ${p95(times).toFixed(1)} |`)
  }
}

async function main() {
  everyCalculator()
  table()
  const highs = await loadHighs()
  const solve: Solve = (problem, options) => highs.solve(problem, options)
  knapsacks(solve)
  shares(solve)
  portSets(solve)
  draws()
}

void main()
