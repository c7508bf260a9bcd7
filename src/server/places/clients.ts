import { z } from 'zod'
import { addClientAsks, changeClientAsks } from '@/asks/places'
import { id } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import {
  addClient,
  archiveClient,
  changeClient,
  clientWhole,
  hangsOnClient,
  joinClient,
  moveSitesOfClient,
} from '@/db/queries/client'
import { changedMeanwhile } from '../standing'
import { verb } from '../verb'

const keepers = ['arborist', 'office'] as const
const noClient = refuse('unknown', 'clientId', 'There is no such client. Load the page again.')

/** Enters a client. */
export const addClientVerb = verb({
  roles: keepers,
  input: addClientAsks,
  about: (i) => i.id,
  makes: (i) => i.id,
  run: async ({ sql, person }, input): Promise<Result<{ id: string }>> => {
    await addClient(sql, { ...input, firmId: person.firmId })
    return ok({ id: input.id })
  },
})

/** Changes a client, unless somebody changed it since. */
export const changeClientVerb = verb({
  roles: keepers,
  input: changeClientAsks,
  about: (i) => i.clientId,
  run: async ({ sql }, { clientId, version, ...fields }): Promise<Result<{ version: number }>> => {
    const client = await clientWhole(sql, clientId)
    if (!client) return noClient
    const next = await changeClient(sql, clientId, version, fields)
    return next === null ? changedMeanwhile('client') : ok({ version: next })
  },
})

/** Puts a client away for whom nothing is worked any more, or takes it back. Its records stay. */
export const archiveClientVerb = verb({
  roles: keepers,
  input: z.strictObject({ clientId: id('clientId'), away: z.boolean() }),
  about: (i) => i.clientId,
  run: async ({ sql, now }, input): Promise<Result<{ away: boolean }>> => {
    const client = await clientWhole(sql, input.clientId)
    if (!client) return noClient
    if (client.joinedInto !== null)
      return refuse('conflict', 'clientId', `${client.name} was joined with another client; it stands there.`)
    if (input.away && client.sites > 0)
      return refuse(
        'conflict',
        'clientId',
        `${client.name} has ${client.sites === 1 ? 'a site' : `${client.sites} sites`} that ${client.sites === 1 ? 'is' : 'are'} worked at; put ${client.sites === 1 ? 'it' : 'them'} away first.`,
      )
    await archiveClient(sql, client.id, input.away ? now : null)
    return ok({ away: input.away })
  },
})

/** Joins a client that was listed twice with the one that stays: its sites, with all their trees and records, become the other’s. */
export const joinClientsVerb = verb({
  roles: keepers,
  input: z.strictObject({ clientId: id('clientId'), intoId: id('intoId') }),
  about: (i) => i.clientId,
  run: async ({ sql, now }, input): Promise<Result<{ sites: number }>> => {
    const [client, into] = [await clientWhole(sql, input.clientId), await clientWhole(sql, input.intoId)]
    if (!client || client.joinedInto !== null) return noClient
    if (!into || into.joinedInto !== null || into.archivedAt !== null)
      return refuse('unknown', 'intoId', 'Choose the client that stays from the list.')
    if (client.id === into.id)
      return refuse('conflict', 'intoId', 'A client is not joined with itself; choose the other one.')
    const hangs = await hangsOnClient(sql, client.id)
    if (hangs.rules > 0)
      return refuse(
        'conflict',
        'clientId',
        `The house has rules of its own for ${client.name}. Set them for ${into.name} and end these first.`,
      )
    if (hangs.links > 0)
      return refuse(
        'conflict',
        'clientId',
        `Somebody reads the calendar of ${client.name} by a link. End it, and give them one of ${into.name}.`,
      )
    const sites = await moveSitesOfClient(sql, client.id, into.id)
    await joinClient(sql, client.id, into.id, now)
    return ok({ sites })
  },
})
