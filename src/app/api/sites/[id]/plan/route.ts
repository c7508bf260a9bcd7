import { notSignedIn, problemResponse, valueResponse } from '@/server/http'
import { planOf, siteNamed } from '@/server/read/grounds'
import { isId, reading } from '@/server/read/reader'
import { currentPerson } from '@/server/session'

/** What is in a stretch of a site's plan: `GET /api/sites/<id>/plan?box=west,south,east,north`, metres. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const { id } = await params
  if (!isId(id)) return noSuchSite()
  const numbers = (new URL(request.url).searchParams.get('box') ?? '').split(',').map(Number)
  const good = numbers.length === 4 && numbers.every((n) => Number.isFinite(n) && Math.abs(n) <= 1e6)
  const box = good ? { west: numbers[0]!, south: numbers[1]!, east: numbers[2]!, north: numbers[3]! } : null
  const plan = await reading(async (context) => {
    const site = await siteNamed(context, id)
    return site && planOf(context, site, box)
  })
  return plan ? valueResponse(plan) : noSuchSite()
}

const noSuchSite = () =>
  problemResponse({ code: 'unknown', field: 'id', message: 'There is no such site.' }, 404)
