import { z } from 'zod'
import { problemOf } from './inputProblem'
import { id, line, typed, words } from '@/asks/text'

const Input = z.strictObject({
  id: id('treeId'),
  tag: line('Tag', 10, 2),
  girth: typed('Girth', 20),
  note: words('Notes', 20),
  ports: z.array(z.strictObject({ bearing: z.int() })).max(2),
})
const GOOD = {
  id: '01890a5d-ac96-774b-bcce-b302099a8057',
  tag: 'Ash 1',
  girth: '44 in',
  note: null,
  ports: [{ bearing: 1 }],
}
const problem = (change: object) => {
  const read = Input.safeParse({ ...GOOD, ...change })
  return read.success ? null : problemOf(read.error)
}

test('what is right has no problem, and text comes trimmed', () => {
  expect(problem({})).toBeNull()
  expect(Input.parse({ ...GOOD, tag: '  Ash 2 ' }).tag).toBe('Ash 2')
  expect(Input.parse({ ...GOOD, note: undefined }).note).toBeNull()
})
test.each([
  [{ tag: undefined }, 'tag', '“Tag” is not filled in; type it.'],
  [{ tag: '  ' }, 'tag', '“Tag” is empty; type it.'],
  [{ tag: 'A' }, 'tag', 'Tag is too short; type at least 2 characters.'],
  [{ tag: 'A'.repeat(11) }, 'tag', 'Tag is longer than 10 characters; shorten it.'],
  [{ tag: 'A\nB' }, 'tag', 'Tag has characters that cannot be seen; type it without them.'],
  [{ tag: 'A\u0000' }, 'tag', 'Tag has characters that cannot be seen; type it without them.'],
  [{ girth: 7 }, 'girth', '“Girth” is not filled in; type it.'],
  [{ girth: 'x'.repeat(21) }, 'girth', 'Girth is longer than 20 characters; shorten it.'],
  [{ note: 'x'.repeat(21) }, 'note', 'Notes are longer than 20 characters; shorten them.'],
  [{ id: 'no' }, 'id', 'treeId must be an id.'],
  [{ glitter: 1 }, 'glitter', 'There is no field "glitter" here; leave it out.'],
])('%j is said at its field, in a sentence', (change, field, message) => {
  expect(problem(change)).toMatchObject({ field, message })
})
test('in a list the place is named', () => {
  expect(problem({ ports: [{ bearing: 1 }, { bearing: 1.5 }] })?.field).toBe('ports[1].bearing')
  expect(problem({ ports: [{ bearing: 1, x: 2 }] })?.field).toBe('ports[0].x')
  expect(problem({ ports: undefined })).toMatchObject({
    code: 'missing',
    message: 'Nothing is given for "ports"; fill it in.',
  })
})
test('what is no object at all is said so too', () => {
  for (const body of [null, 7, 'x', []]) {
    const read = Input.safeParse(body)
    expect(read.success ? null : problemOf(read.error)).toMatchObject({ field: 'body' })
  }
})
