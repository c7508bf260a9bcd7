import { z } from 'zod'
import { CALCULATORS } from './calculators'

const CODES = {
  '400': 'The body is not JSON, or not UTF-8.',
  '401': 'There is no token, or it is unknown, expired or revoked.',
  '403': 'The request came from another site’s page.',
  '413': 'The body is larger than 1 MB.',
  '415': 'The body is not application/json.',
  '422':
    'A field is wrong. `field` is its path, `code` what is wrong, `message` a sentence with the way out.',
  '429': 'The token has asked too often; `Retry-After` says how many seconds to wait.',
} as const

const problem = z
  .strictObject({
    error: z.strictObject({
      code: z
        .string()
        .meta({ examples: ['missing', 'bad-quantity', 'out-of-range', 'over-label', 'unknown'] }),
      field: z.string().meta({ examples: ['stems[0].girth'] }),
      message: z.string(),
    }),
  })
  .meta({ description: 'What is wrong, where, and the way out.' })

type Json = Record<string, unknown>

function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' }) as Json
  void $schema
  return rest
}

const json = (schema: Json, example?: unknown) => ({
  'application/json': { schema, ...(example === undefined ? {} : { example }) },
})

const refusals = (codes: readonly (keyof typeof CODES)[]) =>
  Object.fromEntries(
    codes.map((code) => [
      code,
      { description: CODES[code], content: json({ $ref: '#/components/schemas/Problem' }) },
    ]),
  )

let made: Json | undefined

/**
 * The OpenAPI 3.1 document of the calculator API, generated from the schemas that check the requests. Made once.
 * @example openApiDocument().openapi // '3.1.0'
 */
export function openApiDocument(): Json {
  made ??= {
    openapi: '3.1.0',
    info: {
      title: 'Elmhorn calculators',
      version: '1',
      description:
        'The figures of tree care, worked out: stateless, JSON in, JSON out. Quantities are typed as people write them ("14 1/2 in", "37 cm", "1/3 fl oz", "0.4 lb/acre") and answered as {value, unit}, never rounded, in US units or, with "units": "si", in metric. Every answer carries its working. The label in your hand, local law and the licensed person on site come before any figure here.',
    },
    servers: [{ url: '/' }],
    security: [{ token: [] }],
    components: {
      securitySchemes: { token: { type: 'http', scheme: 'bearer' } },
      schemas: { Problem: schemaOf(problem, 'output') },
    },
    paths: {
      '/api/v1/session': {
        post: {
          operationId: 'session',
          summary: 'Sign in',
          description: 'A token for e-mail and password; it lasts twelve hours.',
          security: [],
          requestBody: {
            required: true,
            content: json(schemaOf(z.strictObject({ email: z.string(), password: z.string() }), 'input'), {
              email: 'name@example.test',
              password: '…',
            }),
          },
          responses: {
            '200': {
              description: 'The token.',
              content: json(schemaOf(z.strictObject({ token: z.string() }), 'output')),
            },
            ...refusals(['400', '401', '403', '413', '415', '422', '429']),
          },
        },
      },
      ...Object.fromEntries(
        CALCULATORS.map((c) => [
          `/api/v1/calc/${c.name}`,
          {
            post: {
              operationId: c.name,
              summary: c.title,
              description: c.description,
              requestBody: { required: true, content: json(schemaOf(c.request, 'input'), c.example) },
              responses: {
                '200': {
                  description: 'The answer with its working.',
                  content: json(schemaOf(c.answer, 'output')),
                },
                ...refusals(['400', '401', '403', '413', '415', '422', '429']),
              },
            },
          },
        ]),
      ),
    },
  }
  return made
}
