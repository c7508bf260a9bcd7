import type { MessageKind } from '@/core/texts/messageKinds'
import { messagesOfJob } from '@/db/queries/message'
import { aboutJob } from '../messages/aboutJob'
import { composed, kindsNow } from '../messages/compose'
import { canPost } from '../outbox'
import { isId, reading } from './reader'

/** What a client may be told of a job now, in words that can be changed before they go, and what was told. */
export function tellView(jobId: string, kind: MessageKind | null) {
  return reading(async (context) => {
    const { sql, today, person } = context
    const found = isId(jobId) ? await aboutJob(context, jobId) : null
    if (!found) return null
    const { job, client, work } = found
    const kinds = kindsNow(work, today)
    const now = kind !== null && kinds.includes(kind) ? kind : (kinds[0] ?? null)
    const told = await messagesOfJob(sql, jobId)
    const all = now === null ? [] : composed(now, work, client.contacts)
    const isTold = (address: string) =>
      told.some((m) => m.kind === now && m.about === work.onDate && m.address === address)
    return {
      job: { id: job.id, siteName: work.site, onDate: work.onDate },
      client: { id: client.id, name: client.name, notices: client.notices, contacts: client.contacts },
      kinds,
      kind: now,
      messages: all.filter((m) => !isTold(m.address)),
      told: told.map(({ at, ...m }) => ({ ...m, at: at.getTime() })),
      /** Whether messages leave the house: else they are only kept here. */
      goesOut: canPost(),
      timeZone: person.timeZone,
    }
  })
}

export type TellView = NonNullable<Awaited<ReturnType<typeof tellView>>>
