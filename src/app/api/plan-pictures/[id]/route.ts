import { problemResponse } from '@/server/http'
import { isId } from '@/server/id'
import { givePicture, takePicture } from '@/server/pictureDoor'
import { keepPlanPicture, readPlanPicture } from '@/server/plan/picture'

/** Keeps a picture that is to lie under the plan of a site: the bytes as they are, `?site=…`. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params
  const siteId = new URL(request.url).searchParams.get('site') ?? ''
  if (![id, siteId].every(isId))
    return problemResponse({
      code: 'unknown',
      field: 'photo',
      message: 'This picture belongs to no site; load the page again.',
    })
  return takePicture(request, id, (person, bytes) => keepPlanPicture(person, { id, siteId }, bytes))
}

/** The picture. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return givePicture((await params).id, readPlanPicture)
}
