import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ask } from './calculators'

const FOLDER = join(process.cwd(), 'tests/cases')
/** So many of each calculator are printed whole. */
const PRINTED = 4

/** What a person reads under a figure, line by line, in both systems: a word or a digit that changes is changed on purpose. */
describe.each(readdirSync(FOLDER).map((file) => file.replace('.json', '')))('the working of %s', (name) => {
  const cases = JSON.parse(readFileSync(join(FOLDER, `${name}.json`), 'utf8')) as {
    request: Record<string, unknown>
  }[]
  const step = Math.max(1, Math.floor(cases.length / PRINTED))
  const some = cases.filter((_, i) => i % step === 0).slice(0, PRINTED)

  test.each(['us', 'si'])('reads the same, %s', (units) => {
    const printed = some.map(({ request }) => {
      const answer = ask(name, { ...request, units })
      if (!answer.ok) return `${answer.problem.field}: ${answer.problem.message}`
      return answer.value.working.map((s) => [s.label, s.expression, s.result].join(' | ')).join('\n')
    })
    expect(printed.join('\n\n')).toMatchSnapshot()
  })
})
