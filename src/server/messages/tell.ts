import { v7 as uuidv7 } from 'uuid'
import { tellClientAsks } from '@/asks/work'
import { ok, refuse, type Result } from '@/core/problem'
import { addMessage } from '@/db/queries/message'
import { post } from '../outbox'
import { verb } from '../verb'
import { aboutJob } from './aboutJob'
import { kindsNow } from './compose'

/**
 * Sends a client what is told of work, in the words that were seen. Refused where the client wants to be told otherwise, where an address is
 * none of theirs, and where it is not the time for it; whoever was told before is left out.
 */
export const tellClientVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.jobId,
  makes: (i) => i.id,
  input: tellClientAsks,
  run: async (context, input): Promise<Result<{ told: number }>> => {
    const { sql, person, today, at } = context
    const job = await aboutJob(context, input.jobId)
    if (!job) return refuse('unknown', 'jobId', 'There is no such work. Load the page again.')
    if (job.client.notices !== 'e-mail')
      return refuse(
        'not-allowed',
        'kind',
        job.client.notices === 'none'
          ? `${job.client.name} wants to be told nothing.`
          : `${job.client.name} wants to be told by ${job.client.notices}.`,
      )
    if (!kindsNow(job.work, today).includes(input.kind))
      return refuse('not-allowed', 'kind', 'It is not the time to tell this. Load the page again.')
    const known = new Set(job.client.contacts.flatMap((c) => (c.email ? [c.email] : [])))
    const foreign = input.messages.findIndex((m) => !known.has(m.address))
    if (foreign >= 0)
      return refuse(
        'unknown',
        `messages[${foreign}].address`,
        'This is no address of the client any more. Load the page again.',
      )
    let told = 0
    for (const { text, ...m } of input.messages) {
      const kept = await addMessage(sql, {
        ...m,
        id: uuidv7(),
        firmId: person.firmId,
        clientId: job.client.id,
        jobId: input.jobId,
        kind: input.kind,
        about: job.work.onDate,
        body: text,
        by: person.id,
        at,
      })
      if (!kept) continue
      told++
      context.afterwards(async () => {
        await post({ to: { name: m.name, address: m.address }, subject: m.subject, text })
      })
    }
    if (told === 0)
      return refuse('conflict', 'kind', 'All of them were told this already; nothing was sent twice.')
    return ok({ told })
  },
})
