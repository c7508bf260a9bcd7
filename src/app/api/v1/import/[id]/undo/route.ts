import { problemResponse } from '@/server/http'
import { isId } from '@/server/id'
import { answering, mayNot, refusedResponse } from '@/server/v1/door'
import { undoImport } from '@/server/trees/importTrees'

/** Takes a list of trees back within seven days: `POST /api/v1/import/ID/undo`. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answering(request, async (person) => {
    const no = mayNot(person, 'add-tree')
    if (no) return no
    const { id } = await params
    if (!isId(id))
      return problemResponse({ code: 'unknown', field: 'import', message: 'There is no such list.' }, 404)
    const done = await undoImport(person, id.toLowerCase())
    return done.ok
      ? Response.json(done.value, { headers: { 'cache-control': 'no-store' } })
      : refusedResponse(done.problem)
  })
}
