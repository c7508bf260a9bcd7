import { problemResponse } from '@/server/http'
import { makeTags, tagsAsked } from '@/server/tags/makeTags'
import { answering, refusedResponse, siteAsked } from '@/server/v1/door'

/** Tags to print: `GET /api/v1/tags.pdf?site=ID&size=letter-30&skip=0&block=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, async (person) => {
    const siteId = siteAsked(request, true)
    if (siteId instanceof Response) return siteId
    const url = new URL(request.url)
    const asked = tagsAsked(url.searchParams)
    if (!asked.ok) return problemResponse(asked.problem)
    const host = request.headers.get('host')
    const proto = request.headers.get('x-forwarded-proto') === 'https' ? 'https' : 'http'
    const made = await makeTags(person, {
      ...asked.value,
      siteId: siteId!,
      origin: host ? `${proto}://${host}` : url.origin,
    })
    if (!made.ok) return refusedResponse(made.problem)
    return new Response(Buffer.from(made.value), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': 'inline; filename="tags.pdf"',
        'cache-control': 'no-store',
      },
    })
  })
}
