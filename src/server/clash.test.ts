import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { clashOf } from './clash'

const MIGRATIONS = join(__dirname, '../db/migrations')
const sql = readdirSync(MIGRATIONS)
  .map((file) => readFileSync(join(MIGRATIONS, file), 'utf8'))
  .join('\n')

const refused = (code: string, constraint?: string) =>
  clashOf(Object.assign(new Error('refused'), { code, constraint_name: constraint }))

test.each([
  ['tree_tag', 'tag', /taken on the site/],
  ['assessment_open', 'assessmentId', /begun an examination/],
  ['diagnosis_once', 'assessmentId', /was signed/],
  ['item_subject_once', 'decisionId', /handed to the crew/],
  ['job_of_day', 'onDate', /was opened/],
  ['application_subject_once', 'jobSubjectId', /was signed/],
  ['almanac_own_about', 'entry', /set the same entry/],
])('two hands at %s: the second is told at the field %s', (constraint, field, says) => {
  const clash = refused('23505', constraint)
  expect(clash).toMatchObject({ code: 'conflict', field, message: expect.stringMatching(says) as string })
  // The database has a constraint of this name; a sentence for one it has not would never be said.
  expect(sql).toMatch(new RegExp(`\\b${constraint}\\b`))
})

test('any other id that is in use is said to be', () => {
  expect(refused('23505', 'reading_pkey')).toMatchObject({ code: 'conflict', field: 'id' })
  expect(refused('23505')).toMatchObject({ code: 'conflict', field: 'id' })
})

test.each([
  ['23503', 'unknown'],
  ['23514', 'out-of-range'],
  ['22003', 'out-of-range'],
  ['22021', 'out-of-range'],
  ['22P02', 'out-of-range'],
  ['22P05', 'out-of-range'],
  ['40001', 'conflict'],
  ['40P01', 'conflict'],
  ['55P03', 'conflict'],
])('%s is what somebody sent or did at the same moment', (code, as) => {
  const clash = refused(code)
  expect(clash?.code).toBe(as)
  expect(clash?.message).toMatch(/\.$/)
})

test('what is our own error is none of theirs', () => {
  for (const error of [
    refused('42703'),
    refused('57014'),
    clashOf(new Error('x')),
    clashOf(null),
    clashOf(undefined),
  ])
    expect(error).toBeNull()
})
