import { ask, CALCULATORS } from './calculators'
import { readGuide } from './guide'
import { openApiDocument } from './openapi'

type Json = Record<string, unknown>
const document = openApiDocument() as Json & { paths: Record<string, { post: Json }> }
const posts = Object.entries(document.paths)

/** Everything that stands under a name, however deep. */
function all(value: unknown, name: string): unknown[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, v]) => [...(key === name ? [v] : []), ...all(v, name)])
}

test('every calculator is described once, and nothing that is not there', () => {
  expect(posts.map(([path]) => path).filter((p) => p.includes('/calc/'))).toEqual(
    CALCULATORS.map((c) => `/api/v1/calc/${c.name}`),
  )
  const ids = posts.map(([, { post }]) => post['operationId'])
  expect(new Set(ids).size).toBe(ids.length)
})
test.each(CALCULATORS.map((c) => [c.name, c] as const))(
  'the example of %s works and is answered as described',
  (name, c) => {
    const answer = ask(name, c.example)
    if (!answer.ok) throw new Error(answer.problem.message)
    expect(c.answer.safeParse(answer.value).error).toBeUndefined()
    expect(c.request.safeParse(c.example).error).toBeUndefined()
  },
)
test('what it refers to is there, and no schema names another’s draft', () => {
  const names = Object.keys((document['components'] as { schemas: Json }).schemas)
  for (const ref of all(document, '$ref'))
    expect(names.map((n) => `#/components/schemas/${n}`)).toContain(ref)
  expect(all(document, '$schema')).toEqual([])
})
test('each says what is refused, from no token to too many', () => {
  for (const [, { post }] of posts)
    expect(Object.keys(post['responses'] as Json)).toEqual(
      expect.arrayContaining(['200', '400', '401', '403', '413', '415', '422', '429']),
    )
})
test('every field of a request has words or examples', () => {
  for (const [path, { post }] of posts.filter(([p]) => p.includes('/calc/'))) {
    const schema = (
      post['requestBody'] as { content: Record<string, { schema: { properties: Record<string, Json> } }> }
    ).content['application/json']!.schema
    for (const [field, said] of Object.entries(schema.properties))
      expect([path, field, JSON.stringify(said).length > 12]).toEqual([path, field, true])
  }
})
test('the guide made from it names each calculator with its fields', () => {
  const guide = readGuide(document)
  const text = JSON.stringify(guide)
  for (const c of CALCULATORS) expect(text).toContain(c.name)
  expect(text).not.toMatch(/undefined|\[object/)
})
test('it is made once', () => {
  expect(openApiDocument()).toBe(openApiDocument())
})
