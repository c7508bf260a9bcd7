import { clientsAfter, clientWhole } from '@/db/queries/client'
import { messagesOfClient } from '@/db/queries/message'
import { clients, sitesOfClient, siteWhole } from '@/db/queries/site'
import { isId, reading } from './reader'

/** Clients of one page of the list. */
const CLIENT_PAGE = 1000

/** The clients of the firm by name. */
export function clientsView(archived: boolean) {
  return reading(async ({ sql }) => {
    const rows = await clientsAfter(sql, null, CLIENT_PAGE + 1, archived)
    return {
      archived,
      more: rows.length > CLIENT_PAGE,
      clients: rows.slice(0, CLIENT_PAGE).map((c) => ({
        id: c.id,
        name: c.name,
        contact: c.contacts[0]?.name ?? c.contact,
        telephone: c.contacts[0]?.telephone ?? null,
        sites: c.sites,
        away: c.archivedAt !== null,
        joined: c.joinedInto !== null,
      })),
    }
  })
}
export type ClientsView = Awaited<ReturnType<typeof clientsView>>

/** A client with their contacts and sites, and the others they could be joined with. */
export function clientWholeView(id: string) {
  return reading(async ({ sql, person }) => {
    const client = isId(id) ? await clientWhole(sql, id) : undefined
    if (!client) return null
    const [sites, others, sent] = await Promise.all([
      sitesOfClient(sql, id),
      clients(sql),
      messagesOfClient(sql, id),
    ])
    return {
      timeZone: person.timeZone,
      /** What they were told of work, the newest first. */
      sent: sent.map(({ id, jobId, name, address, subject, body, by, at }) => ({
        id,
        jobId,
        to: `${name}, ${address}`,
        subject,
        body,
        by,
        at: at.getTime(),
      })),
      client: { ...client, archivedAt: client.archivedAt?.getTime() ?? null },
      joinedInto: client.joinedInto ? (others.find((o) => o.id === client.joinedInto) ?? null) : null,
      sites: sites.map((s) => ({
        id: s.id,
        name: s.name,
        address: s.address,
        trees: s.trees,
        away: s.archivedAt !== null,
      })),
      others: others.filter((o) => o.id !== id),
    }
  })
}
export type ClientWholeView = NonNullable<Awaited<ReturnType<typeof clientWholeView>>>

/** A site with all that is told of it, for whoever keeps it. */
export function siteWholeView(id: string) {
  return reading(async ({ sql, person }) => {
    const site = isId(id) ? await siteWhole(sql, id) : undefined
    if (!site) return null
    return {
      ...site,
      archivedAt: site.archivedAt?.getTime() ?? null,
      // Told to whoever keeps it; the crew reads it on the day, at the job.
      gateCode: person.role === 'arborist' || person.role === 'office' ? site.gateCode : null,
    }
  })
}
export type SiteWholeView = NonNullable<Awaited<ReturnType<typeof siteWholeView>>>
