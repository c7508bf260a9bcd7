import { Patience } from '@/server/heavy/patience'
import { FOREIGN, HANG_UP, isOwnOrigin, problemResponse, readBytes } from '@/server/http'
import { log } from '@/server/log'
import { keepPhoto, MOST_PHOTO_BYTES, readPhoto } from '@/server/photograph'
import { isId } from '@/server/read/reader'
import { currentPerson } from '@/server/session'

const patience = new Patience()

const SIGNED_OUT = {
  code: 'not-allowed' as const,
  field: 'session',
  message: 'You are signed out. Sign in again; the picture is still on your device.',
}

/** Keeps a photograph: the bytes as they are, `?tree=…&assessment=…&finding=…`. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
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
  try {
    const person = await currentPerson()
    if (!person) return problemResponse(SIGNED_OUT, 401)
    const large = () =>
      problemResponse(
        {
          code: 'out-of-range',
          field: 'photo',
          message: 'The picture is larger than 15 MB; take it smaller.',
        },
        413,
        HANG_UP,
      )
    // Whoever keeps sending what is too large waits longer each time before it is read at all.
    await patience.wait(person.id)
    const read = await readBytes(request, MOST_PHOTO_BYTES)
    if ('over' in read && read.over) patience.strike(person.id)
    if ('over' in read)
      return read.over
        ? large()
        : problemResponse(
            {
              code: 'bad-quantity',
              field: 'photo',
              message: 'The picture broke off on its way; send it again. It is still on your device.',
            },
            400,
          )
    const kept = await keepPhoto(person, { id, treeId, assessmentId, finding }, read.bytes)
    return kept.ok ? Response.json({ value: kept.value }) : problemResponse(kept.problem)
  } catch (error) {
    log.error({ photo: id, error: (error as Error).message })
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'The picture could not be kept just now. Try again in a moment.',
      },
      503,
    )
  }
}

/** The picture. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  const person = isId(id) ? await currentPerson() : null
  const jpeg = person && (await readPhoto(person, id))
  if (!jpeg) return new Response('There is no such picture.', { status: 404 })
  return new Response(new Uint8Array(jpeg), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  })
}
