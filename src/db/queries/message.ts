import type { MessageKind } from '@/core/texts/messageKinds'
import type { FirmSql } from '../client'

export interface MessageRow {
  id: string
  jobId: string
  kind: MessageKind
  about: string
  language: string
  name: string
  address: string
  subject: string
  body: string
  by: string
  at: Date
}

const columns = (sql: FirmSql) => sql`
  m.id, m.job_id as "jobId", m.kind, m.about::text as about, m.language, m.name, m.address, m.subject, m.body, p.name as by, m.at
  from message m join person p on p.firm_id = m.firm_id and p.id = m.by_person`

/** What was sent about a job, the newest first. */
export async function messagesOfJob(sql: FirmSql, jobId: string): Promise<MessageRow[]> {
  return sql<
    MessageRow[]
  >`select ${columns(sql)} where m.job_id = ${jobId} order by m.at desc, m.id limit 200`
}

/** What was sent to a client, and to those that were joined into it, the newest first. */
export async function messagesOfClient(sql: FirmSql, clientId: string): Promise<MessageRow[]> {
  return sql<MessageRow[]>`
    select ${columns(sql)} where m.client_id = any(
      select id from client where id = ${clientId} or joined_into = ${clientId}) order by m.at desc, m.id limit 50`
}

/** Keeps what is sent; false where the same was told to the same address before. */
export async function addMessage(
  sql: FirmSql,
  m: Omit<MessageRow, 'by'> & { firmId: string; clientId: string; by: string },
): Promise<boolean> {
  const rows = await sql`
    insert into message (id, firm_id, client_id, job_id, kind, about, language, name, address, subject, body, by_person, at)
    values (${m.id}, ${m.firmId}, ${m.clientId}, ${m.jobId}, ${m.kind}, ${m.about}, ${m.language}, ${m.name}, ${m.address},
      ${m.subject}, ${m.body}, ${m.by}, ${m.at})
    on conflict (firm_id, job_id, kind, about, address) do nothing returning 1`
  return rows.length > 0
}
