import { openApiDocument } from '@/calc/openapi'
import { describedAddresses } from '@/server/v1/addresses'

/** The API described: OpenAPI 3.1; the calculators from the schemas that check their requests, then lists and files. */
export function GET(): Response {
  const document = openApiDocument()
  return Response.json({ ...document, paths: { ...(document.paths as object), ...describedAddresses() } })
}
