import { problemResponse } from '@/server/http'
import { isId } from '@/server/id'
import { keepPhoto, readPhoto } from '@/server/photograph'
import { givePicture, takePicture } from '@/server/pictureDoor'

/** Keeps a photograph: the bytes as they are, `?tree=…&assessment=…&finding=…`. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params
  const query = new URL(request.url).searchParams
  const [treeId, assessmentId, finding] = [
    query.get('tree') ?? '',
    query.get('assessment') ?? '',
    query.get('finding'),
  ]
  if (![id, treeId, assessmentId].every(isId) || (finding !== null && !/^[a-z0-9-]{2,60}$/.test(finding)))
    return problemResponse({
      code: 'unknown',
      field: 'photo',
      message: 'This picture belongs to no examination; load the page again.',
    })
  return takePicture(request, id, (person, bytes) =>
    keepPhoto(person, { id, treeId, assessmentId, finding }, bytes),
  )
}

/** The picture. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return givePicture((await params).id, readPhoto)
}
