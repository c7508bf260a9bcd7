import { resetAsks } from '@/asks/house'
import { ok } from '@/core/problem'
import { atDoor } from '@/server/house/door'
import { resetPassword } from '@/server/house/doorLink'

/** Sets a new password by a link: `{ token, password }`. Whoever set it signs in with it, second factor and all. */
export function POST(request: Request): Promise<Response> {
  return atDoor(
    request,
    resetAsks,
    async (asked) => {
      const reset = await resetPassword(asked)
      return reset.ok ? ok({ set: true }) : reset
    },
    { refused: (p) => (p.field === 'token' ? 404 : undefined) },
  )
}
