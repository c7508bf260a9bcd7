import { STAGES, type Stage } from '@/core/plan/stage'
import { notSignedIn, problemResponse, valueResponse } from '@/server/http'
import { idOf, textOf } from '@/server/read/address'
import { pageOfTrees, siteNamed } from '@/server/read/grounds'
import { isId, reading } from '@/server/read/reader'
import { currentPerson } from '@/server/session'
import { searchable } from '@/asks/text'
import { TREE_ORDERS, type TreeOrder } from '@/core/plan/order'

/** A page of a site's trees: `GET /api/sites/<id>/trees?text=ash&stage=decide&order=girth&key=-0.4&after=<tag>&id=<id>`. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const { id } = await params
  if (!isId(id)) return noSuchSite()
  const query = Object.fromEntries(new URL(request.url).searchParams)
  const order = textOf(query, 'order', 10)
  const key = Number(textOf(query, 'key', 30) ?? 0)
  const [tag, tree, stage] = [textOf(query, 'after', 40), idOf(query, 'id'), textOf(query, 'stage', 20)]
  const page = await reading(async (context) => {
    const site = await siteNamed(context, id)
    return (
      site &&
      pageOfTrees(
        context,
        site,
        tag !== null && tree !== null && Number.isFinite(key) ? { key, tag, id: tree } : null,
        {
          text: searchable(query.text ?? '') || undefined,
          stage: STAGES.includes(stage as Stage) ? (stage as Stage) : undefined,
        },
        TREE_ORDERS.includes(order as TreeOrder) ? (order as TreeOrder) : 'tag',
      )
    )
  })
  return page ? valueResponse(page) : noSuchSite()
}

const noSuchSite = () =>
  problemResponse({ code: 'unknown', field: 'id', message: 'There is no such site.' }, 404)
