import { openApiDocument } from '@/calc/openapi'

/** The API described: OpenAPI 3.1, made from the schemas that check the requests. */
export function GET(): Response {
  return Response.json(openApiDocument())
}
