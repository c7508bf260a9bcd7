/** A field of a request or an answer, as the guide lists it. */
export interface GuideField {
  path: string
  type: string
  required: boolean
  says: string
}

export interface GuideEntry {
  path: string
  name: string
  title: string
  says: string
  request: GuideField[]
  answer: GuideField[]
  example: string
}

export interface Guide {
  title: string
  says: string
  entries: GuideEntry[]
  refusals: { status: string; says: string }[]
}

interface Schema {
  type?: string
  description?: string
  examples?: unknown[]
  enum?: unknown[]
  const?: unknown
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema
  prefixItems?: Schema[]
  oneOf?: Schema[]
  anyOf?: Schema[]
  additionalProperties?: Schema | boolean
}

/** Flattens a schema into lines: `stems[].girth`, `ports.rule`. Of alternatives each field is listed once. */
function fieldsOf(schema: Schema, path = '', required = true): GuideField[] {
  const own: GuideField[] =
    path === ''
      ? []
      : [
          {
            path,
            type: typeOf(schema),
            required,
            says: [schema.description, exampleOf(schema)].filter(Boolean).join(' '),
          },
        ]
  const inner = new Map<string, GuideField>()
  const add = (fields: GuideField[]) => {
    for (const f of fields) if (!inner.has(f.path)) inner.set(f.path, f)
  }
  for (const option of schema.oneOf ?? [])
    add(fieldsOf(option, path, required).filter((f) => f.path !== path))
  for (const [key, value] of Object.entries(schema.properties ?? {})) {
    const at = path === '' ? key : `${path}.${key}`
    if (value.type === 'object' && value.properties && Object.keys(value.properties).join() === 'value,unit')
      add([
        {
          path: at,
          type: 'figure',
          required: schema.required?.includes(key) ?? false,
          says: value.description ?? '',
        },
      ])
    else add(fieldsOf(value, at, schema.required?.includes(key) ?? false))
  }
  if (schema.items) add(fieldsOf(schema.items, `${path}[]`, true).filter((f) => f.path !== `${path}[]`))
  return [...own, ...inner.values()]
}

function typeOf(schema: Schema): string {
  if (schema.const !== undefined) return JSON.stringify(schema.const)
  if (schema.enum) return schema.enum.map((v) => String(v)).join(' | ')
  if (schema.anyOf) return [...new Set(schema.anyOf.map(typeOf))].join(' | ')
  if (schema.oneOf) return 'one of'
  if (schema.type === 'array') return schema.items?.type ? `list of ${schema.items.type}s` : 'list'
  if (typeof schema.additionalProperties === 'object') return `${typeOf(schema.additionalProperties)} by name`
  return schema.type ?? 'any'
}

function exampleOf(schema: Schema): string {
  return schema.examples?.length ? `As ${schema.examples.map((e) => JSON.stringify(e)).join(', ')}.` : ''
}

/** The OpenAPI document as the page shows it. */
export function readGuide(document: Record<string, unknown>): Guide {
  const doc = document as {
    info: { title: string; description: string }
    paths: Record<
      string,
      {
        post: {
          operationId: string
          summary: string
          description: string
          requestBody: { content: { 'application/json': { schema: Schema; example: unknown } } }
          responses: Record<
            string,
            { description: string; content: { 'application/json': { schema: Schema } } }
          >
        }
      }
    >
  }
  const entries = Object.entries(doc.paths).map(([path, { post }]): GuideEntry => {
    const request = post.requestBody.content['application/json']
    return {
      path,
      name: post.operationId,
      title: post.summary,
      says: post.description,
      request: fieldsOf(request.schema),
      answer: fieldsOf(post.responses['200']!.content['application/json'].schema),
      example: JSON.stringify(request.example, null, 2),
    }
  })
  const [first] = Object.values(doc.paths)
  return {
    title: doc.info.title,
    says: doc.info.description,
    entries,
    refusals: Object.entries(first!.post.responses)
      .filter(([status]) => status !== '200')
      .map(([status, r]) => ({ status, says: r.description })),
  }
}
