import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ask, calculatorNamed } from './calculators'

const FOLDER = join(process.cwd(), 'tests/cases')

/** Everything expected is there, numbers to a relative error of 1e-9. */
function expectWithin(actual: unknown, expected: unknown, path = ''): void {
  if (typeof expected === 'number') {
    if (typeof actual !== 'number') throw new Error(`${path}: ${String(actual)} is no number`)
    const off = Math.abs(actual - expected) / Math.max(1e-9, Math.abs(expected))
    if (off > 1e-9) throw new Error(`${path}: ${actual} for ${expected}`)
  } else if (Array.isArray(expected)) {
    expect(Array.isArray(actual) && actual.length).toBe(expected.length)
    expected.forEach((e, i) => expectWithin((actual as unknown[])[i], e, `${path}[${i}]`))
  } else if (typeof expected === 'object' && expected !== null)
    for (const [key, e] of Object.entries(expected))
      expectWithin((actual as Record<string, unknown>)?.[key], e, `${path}.${key}`)
  else if (actual !== expected) throw new Error(`${path}: ${String(actual)} for ${String(expected)}`)
}

describe.each(readdirSync(FOLDER).map((file) => file.replace('.json', '')))('worked cases of %s', (name) => {
  const cases = JSON.parse(readFileSync(join(FOLDER, `${name}.json`), 'utf8')) as {
    request: Record<string, unknown>
    response: unknown
  }[]

  test.each(cases.map((c, i) => [i + 1, c] as const))('case %d', (_, { request, response }) => {
    const answer = ask(name, request)
    if (!answer.ok) throw new Error(`${answer.problem.field}: ${answer.problem.message}`)
    expectWithin(answer.value, response)
    expect(answer.value.working.length).toBeGreaterThan(0)
    expect(calculatorNamed(name)!.answer.safeParse(answer.value).error).toBeUndefined()
  })
})
