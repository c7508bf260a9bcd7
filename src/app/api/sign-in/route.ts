import { signInAsks } from '@/asks/house'
import { atDoor } from '@/server/house/door'
import { signIn } from '@/server/session'

/** Signs in: `{ email, password }`, and `code` where a second factor is asked. */
export function POST(request: Request): Promise<Response> {
  return atDoor(request, signInAsks, ({ email, password, code }) => signIn(email, password, code), {
    refused: (p) => (p.field === 'email' ? 429 : p.code === 'not-allowed' ? 403 : undefined),
  })
}
