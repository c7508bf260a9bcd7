import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { UNITS } from '@/core/quantity/units'
import { ask, CALCULATORS } from './calculators'

/**
 * Every working can be redone on paper: this reads its lines as a person with a pocket calculator would — numbers with
 * their units, the four operations, powers, roots, "per", "rounded up" — and compares what comes out with what stands
 * there. It knows nothing of how the calculators work.
 */

const SPELLED = new Map<string, number>(
  UNITS.filter((u) => u.offset === undefined).flatMap((u) => [
    [u.symbol, u.factor] as const,
    // As the workings write them.
    [u.symbol.replace(/2$/, '²').replace(/3$/, '³'), u.factor] as const,
  ]),
)
SPELLED.set('%', 0.01)
const SYMBOLS = [...SPELLED.keys()].sort((a, b) => b.length - a.length)

class Words extends Error {}

/** Works out an expression in SI; throws where it is words and not arithmetic. */
function workOut(text: string): number {
  let at = 0
  const skip = () => {
    while (text[at] === ' ') at++
  }
  const take = (...tokens: string[]): string | null => {
    skip()
    const found = tokens.find((t) => text.startsWith(t, at))
    if (found) at += found.length
    return found ?? null
  }
  function unit(): number | null {
    skip()
    const found = SYMBOLS.find((s) => text.startsWith(s, at) && !/[a-z²³]/i.test(text[at + s.length] ?? ''))
    if (!found) return null
    at += found.length
    return SPELLED.get(found)!
  }
  function number(): number | null {
    skip()
    const m = /^[\d,]*\.?\d+/.exec(text.slice(at))
    if (!m) return null
    at += m[0].length
    return Number(m[0].replace(/,/g, ''))
  }
  function quantity(): number {
    const n = number()
    if (n === null) throw new Words(text.slice(at))
    const own = n * (unit() ?? 1)
    if (take('an hour')) return own / 3600
    if (take('a minute')) return own / 60
    if (!take('per ')) return own
    const below = number() ?? 1
    const of = unit()
    if (of === null) throw new Words(text)
    return own / (below * of)
  }
  function factor(): number {
    if (take('√')) return Math.sqrt(factor())
    if (take('π')) return Math.PI
    if (take('(')) {
      const inner = sum()
      if (!take(')')) throw new Words(text)
      return take('²') ? inner ** 2 : take('³') ? inner ** 3 : inner
    }
    return quantity()
  }
  function product(): number {
    let value = factor()
    for (;;) {
      const sign = take('×', '÷')
      if (!sign) return value
      value = sign === '×' ? value * factor() : value / factor()
    }
  }
  function sum(): number {
    let value = product()
    for (;;) {
      const sign = take('+', '−')
      if (!sign) return value
      value = sign === '+' ? value + product() : value - product()
    }
  }
  const value = sum()
  skip()
  if (at < text.length) throw new Words(text.slice(at))
  return value
}

/** A line of a working, redone: what it came to and what stands there; null where it is words. */
function redone(
  expression: string,
  result: string,
): { found: number; stands: number; whole: boolean } | null {
  const up = / ?, rounded up$/.test(expression)
  const down = / ?, whole ones$/.test(expression)
  // "girth at ports 52 in ÷ 6 in" and "18 in of diameter": what a number is of stands beside it.
  const bare = expression
    .replace(/ ?, (rounded up|whole ones)$/, '')
    .replace(/^girth at ports /, '')
    .replace(/ of (diameter|crown)/g, '')
  try {
    const value = workOut(bare)
    // What a count counts stands behind it: "9 ports".
    const stands = workOut(result.replace(/^([\d,.]+) (ports?|holes?|pieces?)$/, '$1'))
    const found = up ? Math.ceil(value - 1e-9) : down ? Math.floor(value + 1e-9) : value
    return { found, stands, whole: up || down }
  } catch (error) {
    if (error instanceof Words) return null
    throw error
  }
}

/** What the digits on the slip leave open: a figure that is shown with two or three of them is off by so much. */
const ROUNDING = 0.012

interface Step {
  label: string
  expression: string
  result: string
}
const FOLDER = join(process.cwd(), 'tests/cases')

function requestsOf(name: string): Record<string, unknown>[] {
  const example = CALCULATORS.find((c) => c.name === name)!.example as Record<string, unknown>
  const cases = readdirSync(FOLDER).includes(`${name}.json`)
    ? (JSON.parse(readFileSync(join(FOLDER, `${name}.json`), 'utf8')) as {
        request: Record<string, unknown>
      }[])
    : []
  return [example, ...cases.map((c) => c.request)].flatMap((r) => [
    { ...r, units: 'us' },
    { ...r, units: 'si' },
  ])
}

/** How many kinds of lines of each calculator are arithmetic; the others are words, lists or choices. */
const LEAST: Record<string, number> = {
  trunk: 5,
  injection: 3,
  drench: 3,
  cap: 4,
  stock: 3,
  spray: 4,
  feed: 4,
  soilwork: 3,
  water: 1,
  guard: 2,
  bark: 4,
  'soil-injection': 5,
  share: 2,
  price: 7,
  loadout: 4,
  response: 4,
}

describe.each(Object.entries(LEAST))('the working of %s', (name, least) => {
  const steps: Step[] = requestsOf(name).flatMap((request) => {
    const answer = ask(name, request)
    return answer.ok ? answer.value.working : []
  })
  test('comes to what stands there, line by line', () => {
    const kinds = new Set<string>()
    for (const step of steps) {
      const line = redone(step.expression, step.result)
      if (!line) continue
      kinds.add(step.label.replace(/\d+/g, 'n'))
      const { found, stands, whole } = line
      // A whole number hangs on digits that are not shown; it may be the neighbour where it is just at the edge.
      const off = whole ? Math.max(0, Math.abs(found - stands) - 1) : Math.abs(found - stands)
      if (off > ROUNDING * Math.max(Math.abs(stands), 1e-12))
        throw new Error(`${step.label}: ${step.expression} comes to ${found}, not to ${step.result}`)
    }
    expect([...kinds].length).toBeGreaterThanOrEqual(least)
  })
})

test('the redoing itself notices a slip', () => {
  expect(redone('44 in ÷ 3.1416', '14.01 in')!.found).toBeCloseTo(0.35574, 4)
  expect(redone('44 in × 3.1416', '14.01 in')!.found).not.toBeCloseTo(0.3558, 2)
  expect(redone('52 in ÷ 6 in, rounded up', '9 ports')).toMatchObject({ found: 9, stands: 9 })
  expect(redone('742.2 ft² × 3 lb per 1,000 ft²', '2.23 lb')!.found).toBeCloseTo(1.00995, 3)
  expect(redone('label row for 56.55 in of girth', '2 gal')).toBeNull()
  expect(redone('√((3 in)² + (4 in)²)', '5 in')!.found).toBeCloseTo(0.127, 9)
})
