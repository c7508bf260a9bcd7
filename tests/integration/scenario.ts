import { decidedOfTrees } from '@/db/queries/assessment'
import { beginOf, hoursOf } from '@/core/time/zone'
import { dayWeather, partDays } from '@/core/weather/placeDays'
import { keepWeatherDays } from '@/db/queries/weather'
import { v7 as uuidv7 } from 'uuid'
import postgres from 'postgres'
import { closePool, inFirm } from '@/db/client'
import type { PersonRow, Role } from '@/db/queries/person'
import { subjectsOfJob } from '@/db/queries/job'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { verbNamed } from '@/server/verbs'
import { addCard, addLot } from '@/db/queries/card'
import { CARDS } from '../../demo/cards'
import type { Sent } from '@/server/verb'
import type { Result } from '@/core/problem'

/** A firm made up for one test, with its people and a site. Firms of several tests live side by side in one database. */
export interface TestFirm {
  id: string
  site: string
  label: string
  person: (role: Role, at?: Date) => PersonRow
}

export const NOON = new Date('2026-06-12T16:00:00Z')

export async function makeFirm(name: string): Promise<TestFirm> {
  const id = uuidv7()
  const site = uuidv7()
  const label = uuidv7()
  const roles: Role[] = ['arborist', 'crew lead', 'technician', 'office']
  const ids = Object.fromEntries(roles.map((r) => [r, uuidv7()])) as Record<Role, string>
  await inFirm(id, async (sql) => {
    await sql`insert into firm (id, name, town, time_zone, latitude, longitude)
      values (${id}, ${name}, 'Testham', 'America/New_York', 42.3, -75.2)`
    for (const role of roles)
      await sql`insert into person (id, firm_id, email, name, role, licence, password_hash)
        values (${ids[role]}, ${id}, ${`${role}.${id}@test.example`.replace(' ', '')}, ${role}, ${role}, ${role === 'technician' ? null : 'T-1'}, 'none')`
    const client = uuidv7()
    await sql`insert into client (id, firm_id, name) values (${client}, ${id}, 'Client')`
    // Somebody has looked for water and wells there.
    await sql`insert into site (id, firm_id, client_id, name, place, time_zone, water_said_at, water_said_by)
      values (${site}, ${id}, ${client}, ${`${name} site`}, 'Testham', 'America/New_York', ${NOON}, ${ids.arborist})`
    const { card } = CARDS[0]!
    await addCard(sql, { id: uuidv7(), firmId: id, version: 1, card, useIds: [label], at: NOON, by: null })
    await addLot(sql, { id: uuidv7(), firmId: id, code: card.code, number: 'LOT-1', expiresOn: null })
  })
  return {
    id,
    site,
    label,
    person: (role, at = NOON) => ({
      id: ids[role],
      firmId: id,
      name: role,
      email: '',
      role,
      licence: role === 'technician' ? null : 'T-1',
      licenceUntil: null,
      units: 'us',
      firmName: name,
      town: 'Testham',
      timeZone: 'America/New_York',
      clockOffsetMs: at.getTime() - Date.now(),
      keepsHouse: role === 'office',
      hasFactor: false,
      factorAsked: false,
    }),
  }
}

/** Keeps the same weather for every hour of some days at the firm’s town, as a service told it on the first. °C, m/s, mm. */
export async function keepWeather(
  firm: TestFirm,
  dates: readonly string[],
  hour: { temperature: number; wind: number; rain?: number },
): Promise<void> {
  const timeZone = 'America/New_York'
  const days = dates.flatMap((date) => {
    const column = (v: number) => Array.from({ length: hoursOf(timeZone, date) }, () => v)
    const begins = beginOf(timeZone, date)
    const hours = {
      temperature: column(hour.temperature),
      wind: column(hour.wind),
      gust: column(hour.wind * 1.5),
      windFrom: column(225),
      rain: column(hour.rain ?? 0),
      cloud: column(0.5),
      humidity: column(0.6),
    }
    return partDays(hours, begins, begins, timeZone).map((day) => ({
      ...day,
      ...dayWeather(day, hoursOf(timeZone, date)),
      askedAt: beginOf(timeZone, dates[0]!),
      madeUp: true,
    }))
  })
  await inFirm(firm.id, (sql) => keepWeatherDays(sql, { north: 846, east: -1504, timeZone }, days))
}

/** Does a step as somebody who has just looked: a decision says over which it was made, unless it says so itself. */
export async function act(
  person: PersonRow,
  verb: string,
  input: unknown,
  sent?: Sent,
): Promise<Result<unknown>> {
  const { treeId, over } = (input ?? {}) as { treeId?: string; over?: string | null }
  const looked =
    verb === 'sign-decision' && treeId !== undefined && over === undefined
      ? { ...(input as object), over: await standingDecision(person.firmId, treeId) }
      : input
  return verbNamed(verb)!.perform(verb, person, looked, sent)
}

/** The decision that stands on the newest diagnosis of a tree, or null. */
async function standingDecision(firmId: string, treeId: string): Promise<string | null> {
  const [decided] = await inFirm(firmId, (sql) => decidedOfTrees(sql, [treeId]))
  return decided && decided.decidedOn === decided.diagnosisId ? decided.decisionId : null
}

/** Does a step that must work. */
export async function done<T = Record<string, never>>(
  person: PersonRow,
  verb: string,
  input: unknown,
  sent?: Sent,
): Promise<T> {
  const r = await act(person, verb, input, sent)
  if (!r.ok) throw new Error(`${verb}: ${r.problem.field}: ${r.problem.message}`)
  return r.value as T
}

/** The problem a step is refused with, or null when it was done. */
export async function problemOf(...args: Parameters<typeof act>) {
  const r = await act(...args)
  return r.ok ? null : r.problem
}

/** A measured and confirmed ash. */
export async function makeAsh(firm: TestFirm, tag: string, at = NOON): Promise<string> {
  const treeId = uuidv7()
  const arborist = firm.person('arborist', at)
  await done(arborist, 'add-tree', {
    id: treeId,
    siteId: firm.site,
    tag,
    host: 'ash',
    eastM: 1,
    northM: 2,
    note: null,
  })
  await done(arborist, 'confirm-identity', { treeId, host: 'ash' })
  await done(arborist, 'add-reading', { id: uuidv7(), treeId, tape: 'girth', bareUnit: 'in', stems: ['52'] })
  await done(arborist, 'change-tree', {
    treeId,
    version: 2,
    tag,
    host: 'ash',
    note: null,
    liveCrownPercent: 80,
  })
  return treeId
}

/** A tree as it is listed and measured, `inches` round; what is wrong with it is each test's own. */
export async function measuredTree(
  firm: TestFirm,
  { tag, host, inches, eastM }: { tag: string; host: string; inches: string; eastM: number },
): Promise<string> {
  const arborist = firm.person('arborist')
  const treeId = uuidv7()
  await done(arborist, 'add-tree', {
    id: treeId,
    siteId: firm.site,
    tag,
    host,
    eastM,
    northM: 0,
    note: null,
    accepted: ['far'],
  })
  await done(arborist, 'add-reading', {
    id: uuidv7(),
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: [inches],
  })
  return treeId
}

/** Examines a tree, and signs what explains what was seen; answers the diagnosis. */
export async function signCause(
  arborist: PersonRow,
  treeId: string,
  q: { seen: Readonly<Record<string, string>>; cause: string; reason?: string },
): Promise<string> {
  const assessmentId = uuidv7()
  for (const [finding, state] of Object.entries(q.seen))
    await done(arborist, 'set-finding', { treeId, assessmentId, finding, state })
  const id = uuidv7()
  await done(arborist, 'sign-diagnosis', { id, treeId, assessmentId, cause: q.cause, reason: q.reason })
  return id
}

/** Examines a tree, signs its cause and what is done; answers the decision. */
export async function decideTree(
  arborist: PersonRow,
  treeId: string,
  {
    seen,
    cause,
    reason,
    ...decision
  }: Parameters<typeof signCause>[2] & {
    action: string
    words?: string
    due?: string
  },
): Promise<string> {
  const diagnosisId = await signCause(arborist, treeId, { seen, cause, reason })
  const id = uuidv7()
  await done(arborist, 'sign-decision', { id, treeId, diagnosisId, ...decision })
  return id
}

/** Puts cards of the demo on a firm's shelf with their lots, each by its first use. */
export async function putOnShelf(firm: TestFirm, uses: Readonly<Record<string, string>>): Promise<void> {
  for (const [code, useId] of Object.entries(uses)) {
    const { card, lots } = CARDS.find((c) => c.card.code === code)!
    await inFirm(firm.id, async (sql) => {
      await addCard(sql, {
        id: uuidv7(),
        firmId: firm.id,
        version: 1,
        card,
        useIds: card.uses.map((_, n) => (n === 0 ? useId : uuidv7())),
        at: NOON,
        by: null,
      })
      for (const [number, expiresOn] of lots)
        await addLot(sql, { id: uuidv7(), firmId: firm.id, code, number, expiresOn })
    })
  }
}

export interface Treated {
  treeId: string
  decisionId: string
  prescription: Prescribed
}

/** An ash examined, weighed and decided for treatment, with a prescription ready to be sent. */
export async function decideAsh(firm: TestFirm, tag: string, at = NOON): Promise<Treated> {
  const treeId = await makeAsh(firm, tag, at)
  const arborist = firm.person('arborist', at)
  const decisionId = await decideTree(arborist, treeId, {
    seen: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
    cause: 'emerald-ash-borer',
    action: 'treat',
  })
  return { treeId, decisionId, prescription: prescriptionFor(firm, treeId, decisionId) }
}

/** A prescription ready to be sent, for a tree of 52 in girth with nothing on its ring. */
export const prescriptionFor = (firm: TestFirm, treeId: string, decisionId: string) => ({
  id: uuidv7(),
  items: [
    {
      useId: firm.label,
      choice: 0,
      subjects: [
        {
          treeId,
          decisionId,
          given: {
            portGirth: '54 in',
            // Ties go to the smallest bearings that keep 4 in and leave no gap over 9 in.
            bearings: [0, 40, 80, 120, 160, 200, 240, 280, 320],
          } as Record<string, unknown>,
        },
      ],
    },
  ],
  onDate: '2026-06-12',
})
export type Prescribed = ReturnType<typeof prescriptionFor>

/** The same prescription with something else chosen or given for its one tree. */
export function otherwise(
  p: Prescribed,
  change: {
    useId?: unknown
    choice?: unknown
    given?: Record<string, unknown>
    decisionId?: string
    treeId?: string
  },
) {
  const { given, treeId, decisionId, ...rest } = change
  const item = p.items[0]!
  const subject = item.subjects[0]!
  return {
    ...p,
    items: [
      {
        ...item,
        ...rest,
        subjects: [
          {
            treeId: treeId ?? subject.treeId,
            decisionId: decisionId ?? subject.decisionId,
            given: { ...subject.given, ...given },
          },
        ],
      },
    ],
  }
}

/** An ash with the crew: prescribed, handed over, its tag read and the gear on. */
export async function runAsh(firm: TestFirm, tag: string, at = NOON) {
  const treated = await decideAsh(firm, tag, at)
  const { jobId } = await done<{ jobId: string }>(
    firm.person('arborist', at),
    'hand-to-crew',
    treated.prescription,
  )
  const found = await inFirm(firm.id, async (sql) => {
    const subject = (await subjectsOfJob(sql, jobId)).find((i) => i.tag === tag)!
    return { subject, ports: await stepsOfSubjects(sql, [subject.id]) }
  })
  await done(firm.person('technician', at), 'confirm-tree', {
    jobSubjectId: found.subject.id,
    tag,
    gear: true,
    seen: { soil: 'moist' as const },
  })
  return { ...treated, jobId, ...found }
}

/** Takes ports through steps, a minute apart. */
export async function stepPorts(firm: TestFirm, portIds: string[], kinds: string[], at = NOON) {
  for (const stepId of portIds)
    for (const [i, kind] of kinds.entries())
      await done(firm.person('technician', new Date(at.getTime() + i * 60_000)), 'mark-step', {
        eventId: uuidv7(),
        stepId,
        kind,
      })
}

/** What is typed to sign a record of trees. */
export const typedRecord = (jobSubjectIds: string[], lot: string) => ({
  id: uuidv7(),
  jobSubjectIds,
  lot,
  temperature: '70 F',
  wind: '5 mph',
  windFrom: 'SW',
  sky: 'clear',
  soil: 'moist',
  notices: 'office told',
  // A test works in no time, in whatever weather there is.
  accepted: ['outside', 'short'],
})

/** What is typed to sign the record of one injected tree. */
export const recordInput = (jobSubjectId: string, counted: number) => ({
  ...typedRecord([jobSubjectId], 'LOT-1'),
  counted,
  mark: 'white',
})

/** An ash with the crew whose ports are all empty and out again: what is left is the record. */
export async function emptiedAsh(firm: TestFirm, tag: string, at = NOON) {
  const run = await runAsh(firm, tag, at)
  await stepPorts(
    firm,
    run.ports.map((p) => p.id),
    ['drill', 'start', 'stop', 'out'],
    at,
  )
  return run
}

/** An ash treated as planned and recorded. */
export async function recordedAsh(firm: TestFirm, tag: string, at = NOON) {
  const run = await emptiedAsh(firm, tag, at)
  const lead = firm.person('crew lead', new Date(at.getTime() + 3_600_000))
  const { recordId } = await done<{ recordId: string }>(
    lead,
    'sign-record',
    recordInput(run.subject.id, run.ports.length),
  )
  return { ...run, recordId }
}

/** The tables' owner, for looking past the fences. */
export function ownerSql() {
  return postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
}

export { closePool, uuidv7 }
