import type { Result } from '@/core/problem'
import type { PersonRow } from '@/db/queries/person'
import { Patience } from './heavy/patience'
import { FOREIGN, HANG_UP, isOwnOrigin, problemResponse, readBytes } from './http'
import { log } from './log'
import { MOST_PHOTO_BYTES } from './photograph'
import { isId } from './id'
import { currentPerson } from './session'

const patience = new Patience()

const SIGNED_OUT = {
  code: 'not-allowed' as const,
  field: 'session',
  message: 'You are signed out. Sign in again; the picture is still on your device.',
}

/** Takes the bytes of a picture from whoever is signed in and hands them on; every way it can go wrong is said. */
export async function takePicture(
  request: Request,
  id: string,
  keep: (person: PersonRow, bytes: Uint8Array) => Promise<Result<unknown>>,
): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  try {
    const person = await currentPerson()
    if (!person) return problemResponse(SIGNED_OUT, 401)
    // Whoever keeps sending what is too large waits longer each time before it is read at all.
    await patience.wait(person.id)
    const read = await readBytes(request, MOST_PHOTO_BYTES)
    if ('over' in read) {
      if (!read.over)
        return problemResponse(
          {
            code: 'bad-quantity',
            field: 'photo',
            message: 'The picture broke off on its way; send it again. It is still on your device.',
          },
          400,
        )
      patience.strike(person.id)
      return problemResponse(
        {
          code: 'out-of-range',
          field: 'photo',
          message: 'The picture is larger than 15 MB; take it smaller.',
        },
        413,
        HANG_UP,
      )
    }
    const kept = await keep(person, read.bytes)
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

/** A kept picture for whoever may see it; it never changes. */
export async function givePicture(
  id: string,
  read: (person: PersonRow, id: string) => Promise<Uint8Array | undefined>,
): Promise<Response> {
  const person = isId(id) ? await currentPerson() : null
  const jpeg = person && (await read(person, id))
  if (!jpeg) return new Response('There is no such picture.', { status: 404 })
  return new Response(new Uint8Array(jpeg), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  })
}
