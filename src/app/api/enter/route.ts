import { enterAsks } from '@/asks/house'
import { ok } from '@/core/problem'
import { atDoor } from '@/server/house/door'
import { enterByInvitation } from '@/server/house/doorLink'
import { openFor } from '@/server/session'

/** Takes an invitation: `{ token, name, password }`. The person is made and signed in; the link opens nothing more. */
export function POST(request: Request): Promise<Response> {
  return atDoor(
    request,
    enterAsks,
    async (asked) => {
      const entered = await enterByInvitation(asked)
      return entered.ok ? ok(await openFor(entered.value.firmId, entered.value.personId)) : entered
    },
    { done: 201, refused: (p) => (p.field === 'token' ? 404 : undefined) },
  )
}
