import { notSignedIn, problemResponse, valueResponse } from '@/server/http'
import { isId, reading } from '@/server/read/reader'
import { currentPerson } from '@/server/session'
import { treeAsItIs } from '@/server/survey'

/** A tree as it stands now, for showing both when two people changed it. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const { id } = await params
  const tree = isId(id) ? await reading((context) => treeAsItIs(context, id)) : null
  return tree
    ? valueResponse(tree)
    : problemResponse({ code: 'unknown', field: 'id', message: 'There is no such tree.' }, 404)
}
