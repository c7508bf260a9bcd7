import { forgotAsks } from '@/asks/house'
import { atDoor } from '@/server/house/door'
import { askedForReset } from '@/server/house/doorLink'
import { sourceOf } from '@/server/session'

/** Asks for a link to a new password: `{ email }`. The answer is the same whether the address signs in here or not. */
export function POST(request: Request): Promise<Response> {
  return atDoor(request, forgotAsks, async ({ email }) => askedForReset(email, await sourceOf()), {
    refused: (p) => (p.code === 'out-of-range' ? 429 : undefined),
  })
}
