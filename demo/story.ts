import { createHash } from 'node:crypto'
import { addYears, dateIn, hourIn } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import type { PersonRow, Role } from '@/db/queries/person'
import { verbNamed } from '@/server/verbs'
import type { DemoTree } from './grounds'

export const ZONE = 'America/New_York'
const DAY = 86_400_000

/** The same name always makes the same id. */
export function idFor(name: string): string {
  const h = createHash('sha256').update(`elmhorn demo ${name}`).digest('hex')
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-7${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`
}

/** The demo begins on the last 12 June, 08:40 by the town's clock: the season in which its story makes sense. */
export function demoStart(real: Date): Date {
  let date = `${dateIn(ZONE, real).slice(0, 4)}-06-12`
  if (date > dateIn(ZONE, real)) date = addYears(date, -1)
  const noon = new Date(`${date}T12:40:00Z`)
  return new Date(noon.getTime() + (8 - Math.floor(hourIn(ZONE, noon))) * 3_600_000)
}

export interface DemoPerson {
  name: string
  email: string
  password: string
  role: Role
  licence: string | null
  keepsHouse?: boolean
}

export const FIRM = {
  id: idFor('firm'),
  name: 'Hollin & Quay Tree Health',
  town: 'Tamsin’s Ferry',
  lies: [42.31, -75.22] as const,
}
export const PEOPLE: DemoPerson[] = [
  {
    name: 'Maren Oduya',
    email: 'maren@hollinquay.example',
    password: 'rowan-and-lens',
    role: 'arborist',
    licence: 'DEMO-A-117',
    keepsHouse: true,
  },
  {
    name: 'Teodor Lisk',
    email: 'teodor@hollinquay.example',
    password: 'truck-two-0630',
    role: 'crew lead',
    licence: 'DEMO-C-204',
  },
  {
    name: 'Wren Abara',
    email: 'wren@hollinquay.example',
    password: 'gloves-are-on',
    role: 'technician',
    licence: null,
  },
  {
    name: 'Philippa Quell',
    email: 'philippa@hollinquay.example',
    password: 'week-in-ink',
    role: 'office',
    licence: null,
  },
]
export const OTHER = {
  id: idFor('other firm'),
  name: 'Alder Reach Tree Care',
  town: 'Low Staith',
  lies: [42.61, -75.9] as const,
}
export const OTHER_PERSON: DemoPerson = {
  name: 'Ines Varga',
  email: 'ines@alderreach.example',
  password: 'another-firm',
  role: 'arborist',
  licence: 'DEMO-A-301',
}

/** Plays the steps of the job as people would have taken them, on the day they took them. */
export class Story {
  constructor(private readonly start: Date) {}

  private person(email: string, at: Date): PersonRow {
    const p = PEOPLE.find((x) => x.email.startsWith(email))!
    return {
      id: idFor(p.email),
      firmId: FIRM.id,
      name: p.name,
      email: p.email,
      role: p.role,
      licence: p.licence,
      licenceUntil: null,
      units: 'us',
      firmName: FIRM.name,
      town: FIRM.town,
      timeZone: ZONE,
      clockOffsetMs: at.getTime() - Date.now(),
      keepsHouse: p.keepsHouse ?? false,
      hasFactor: false,
      factorAsked: false,
    }
  }

  async do(
    who: string,
    daysAgo: number,
    name: string,
    input: Record<string, unknown>,
    minutes = 0,
  ): Promise<unknown> {
    const at = new Date(this.start.getTime() - daysAgo * DAY + minutes * 60_000)
    const result = await verbNamed(name)!.perform(name, this.person(who, at), input)
    if (!result.ok) throw new Error(`The demo's ${name} was refused: ${result.problem.message}`)
    return result.value
  }

  async findings(
    tag: string,
    daysAgo: number,
    visit: string,
    states: Record<string, 'there' | 'not-there' | 'unsure'>,
  ) {
    for (const [finding, state] of Object.entries(states))
      await this.do('maren', daysAgo, 'set-finding', {
        treeId: idFor(tag),
        assessmentId: idFor(`${tag} ${visit}`),
        finding,
        state,
      })
  }

  /** The readings of a tree as far as they are wanted now. */
  async readings(t: DemoTree, wanted: (daysAgo: number) => boolean) {
    for (const [inches, daysAgo] of t.girths.filter(([, ago]) => wanted(ago)))
      await this.do('maren', daysAgo, 'add-reading', {
        id: idFor(`${t.tag} reading ${daysAgo}`),
        treeId: idFor(t.tag),
        tape: 'girth',
        bareUnit: 'in',
        stems: [`${inches} in`],
        accepted: [],
      })
  }

  /** Trees as they are listed and measured, up to the day on which a story of their past is told. */
  async trees(site: string, trees: DemoTree[], today: string) {
    for (const t of trees) {
      const treeId = idFor(t.tag)
      await this.do('maren', 800, 'add-tree', {
        id: treeId,
        siteId: idFor(`site ${site}`),
        tag: t.tag,
        host: t.host,
        eastM: t.place[0],
        northM: t.place[1],
        note: t.note,
      })
      await inFirm(FIRM.id, async (sql) => {
        await sql`update tree set listed_as = ${t.listedAs ?? null}, live_crown_percent = ${t.liveCrown} where id = ${treeId}`
      })
      if (t.confirmed) await this.do('maren', 800, 'confirm-identity', { treeId, host: t.host })
      await this.readings(t, (daysAgo) => daysAgo >= (t.pastAgo ?? 0))
      if (t.marks.length === 0) continue
      const marks = t.marks.map(({ yearsAgo, ...m }) => ({
        ...m,
        severity: m.severity ?? null,
        notedOn: addYears(today, -(yearsAgo ?? 0)),
      }))
      await this.do('maren', 0, 'save-ring', { treeId, version: t.confirmed ? 2 : 1, marks })
    }
  }
}
