import { problemResponse } from '@/server/http'
import { isId } from '@/server/id'
import { keepPhoto, keepWorkPhoto, readPhoto } from '@/server/photograph'
import { givePicture, takePicture } from '@/server/pictureDoor'

const FOREIGN_PLACE = {
  code: 'unknown',
  field: 'photo',
  message: 'This picture belongs to no examination and no work; load the page again.',
} as const
const TASK = /^[a-z0-9-]{2,60}$/

/**
 * Keeps a photograph, the bytes as they are, by the time in `elmhorn-at`: of an examination, `?tree=…&assessment=…&finding=…`, or of work at
 * a tree of a job, `?job=…&task=…`.
 */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params
  const query = new URL(request.url).searchParams
  const [treeId, assessmentId, jobSubjectId] = ['tree', 'assessment', 'job'].map((q) => query.get(q) ?? '')
  const [finding, task] = [query.get('finding'), query.get('task')]
  const named = (text: string | null) => text === null || TASK.test(text)
  if (isId(id) && isId(jobSubjectId!) && named(task))
    return takePicture(request, id, (person, bytes) =>
      keepWorkPhoto(person, { id, jobSubjectId: jobSubjectId!, task }, takenAt(request), bytes),
    )
  if (![id, treeId!, assessmentId!].every(isId) || !named(finding)) return problemResponse(FOREIGN_PLACE)
  return takePicture(request, id, (person, bytes) =>
    keepPhoto(person, { id, treeId: treeId!, assessmentId: assessmentId!, finding }, takenAt(request), bytes),
  )
}

/** When a picture was taken, by the device, and whether it was kept there since. */
function takenAt({ headers }: Request): { at: number; away: boolean } {
  const at = Number(headers.get('elmhorn-at') ?? NaN)
  return { at, away: headers.get('elmhorn-away') === 'yes' }
}

/** The picture. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return givePicture((await params).id, readPhoto)
}
