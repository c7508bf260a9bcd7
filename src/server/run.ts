import { z } from 'zod'
import { refusalAt } from '@/core/ports/move'
import { roundOf } from '@/core/ports/marks'
import { foldPort, stageOf, type PortEvent, type PortStage, type RunningPort } from '@/core/ports/running'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn } from '@/core/time/calendar'
import { readInjectionUse } from '@/core/dose/labelCard'
import type { FirmSql } from '@/db/client'
import { decisionsOfTree } from '@/db/queries/assessment'
import { readingById } from '@/db/queries/reading'
import { holesOfTree, marksOfTree } from '@/db/queries/ring'
import { confirmJobItem, jobItemForChange, type JobItemRow } from '@/db/queries/job'
import {
  itemOfPort,
  notePortEvent,
  portEventsOf,
  portsOfItems,
  savePort,
  type PortRow,
} from '@/db/queries/port'
import { newestVersion } from '@/db/queries/card'
import { DECIDED } from './decided'
import { id, line, typed, words } from './text'
import { verb } from './verb'
import type { Length } from '@/core/quantity/units'

/** A port's row in the shape the rules read. */
export function runningPort(row: PortRow): RunningPort {
  const ms = (d: Date | null) => d?.getTime() ?? null
  return {
    number: row.number,
    bearing: row.bearingDeg,
    volume: row.volumeM3,
    drilledAt: ms(row.drilledAt),
    startedAt: ms(row.startedAt),
    stoppedAt: ms(row.stoppedAt),
    outAt: ms(row.outAt),
    left: row.leftM3,
    givenUp: row.givenUp,
  }
}

/** A port as it was planned, before anything was done at it. */
export function plannedPort(row: Pick<PortRow, 'number' | 'plannedDeg' | 'volumeM3'>): RunningPort {
  return {
    number: row.number,
    bearing: row.plannedDeg,
    volume: row.volumeM3,
    drilledAt: null,
    startedAt: null,
    stoppedAt: null,
    outAt: null,
    left: 0,
    givenUp: null,
  }
}

/** The events of a tree's ports in the shape the fold reads, by port. */
export async function eventsOf(sql: FirmSql, jobItemId: string): Promise<Map<string, PortEvent[]>> {
  const byPort = new Map<string, PortEvent[]>()
  for (const e of await portEventsOf(sql, jobItemId)) {
    const base = { id: e.id, at: e.at.getTime() }
    const event: PortEvent =
      e.kind === 'give-up'
        ? { ...base, kind: e.kind, reason: e.detail.reason ?? '', left: e.detail.leftM3 ?? 0 }
        : e.kind === 'move'
          ? { ...base, kind: e.kind, bearing: e.detail.bearing ?? 0 }
          : { ...base, kind: e.kind }
    byPort.set(e.portId, [...(byPort.get(e.portId) ?? []), event])
  }
  return byPort
}

/** Why nothing more may be opened on a tree, or null: the prescription was taken back, or the arborist decided anew. */
export async function whyStopped(sql: FirmSql, item: JobItemRow): Promise<Result<never> | null> {
  if (item.prescriptionStatus === 'withdrawn')
    return refuse(
      'conflict',
      'prescription',
      'The arborist has taken this prescription back. Open nothing more; what is in the tree is pulled and counted.',
    )
  const newest = (await decisionsOfTree(sql, item.treeId))[0]
  if (newest && newest.id !== item.decisionId)
    return refuse(
      'conflict',
      'prescription',
      `${newest.signedBy} has decided anew since this was prescribed: ${DECIDED[newest.action].toLowerCase()}. Open nothing more; what is in the tree is pulled and counted. Ask the arborist.`,
    )
  return null
}

/** Why a card must not be worked by any more, or null: a newer version of it is on the shelf. */
export async function supersededCard(sql: FirmSql, item: JobItemRow): Promise<string | null> {
  const newest = await newestVersion(sql, item.labelCode)
  return newest > item.labelVersion
    ? `Card ${item.labelCode} v${item.labelVersion} was replaced by v${newest}.`
    : null
}

/** The crew lead or technician says: this is the tree, and gear is on. Opens the ports for drilling. */
export const confirmTreeVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.jobItemId,
  input: z.strictObject({
    jobItemId: id('jobItemId'),
    tag: line('Tag', 40),
    gear: z.boolean().refine((g) => g, { error: 'Put the protective gear on first, then tick it.' }),
  }),
  run: async ({ sql, now, at }, input): Promise<Result<{ confirmed: true }>> => {
    const item = await jobItemForChange(sql, input.jobItemId)
    if (!item) return refuse('unknown', 'jobItemId', 'There is no such tree in this job.')
    if (item.tag.toLowerCase() !== input.tag.toLowerCase())
      return refuse(
        'conflict',
        'tag',
        `The tag reads "${input.tag}", but this is the work for "${item.tag}". Check the tree before anything is opened.`,
      )
    const stopped = await whyStopped(sql, item)
    if (stopped) return stopped
    const superseded = await supersededCard(sql, item)
    if (superseded)
      return refuse(
        'conflict',
        'label',
        `${superseded} Open nothing; the arborist prescribes by the new card.`,
      )
    const refusal = await staleReading(sql, item.readingId, now)
    if (refusal) return refusal
    await confirmJobItem(sql, item.id, at)
    return ok({ confirmed: true })
  },
})

/** The reading the dose rests on, not the newest one, must be of this year. */
async function staleReading(sql: FirmSql, readingId: string, now: Date) {
  const reading = await readingById(sql, readingId)
  const years = reading ? (now.getTime() - reading.readAt.getTime()) / (365.25 * 86_400_000) : Infinity
  return years > 1.01
    ? refuse(
        'out-of-range',
        'reading',
        'The reading is more than a year old; measure the trunk again and have it prescribed anew.',
      )
    : null
}

/** Devices in reach show each other's presses some seconds late; so far apart they still count in order of arrival. */
const SLACK_MS = 120_000

/** One step at a port, with the device's time. */
export const markPortVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.portId,
  makes: (i) => i.eventId,
  input: z.strictObject({
    eventId: id('eventId'),
    portId: id('portId'),
    kind: z.enum(['drill', 'start', 'stop', 'out', 'give-up', 'undo', 'move']),
    reason: words('Reasons', 200),
    /** Typed, such as `4 mL`. */
    left: typed('What is left', 100).nullable().default(null),
    bearing: z.int().min(0).max(359).nullable().default(null),
  }),
  run: async ({ sql, person, now, at }, input): Promise<Result<{ stage: PortStage }>> => {
    const itemId = await itemOfPort(sql, input.portId)
    const item = itemId === undefined ? undefined : await jobItemForChange(sql, itemId)
    if (!item) return refuse('unknown', 'portId', 'There is no such port.')
    if (item.status === 'recorded')
      return refuse(
        'conflict',
        'portId',
        'This tree is signed and recorded; add a correction to the record instead.',
      )
    if (!item.confirmedAt)
      return refuse('not-allowed', 'portId', 'Confirm the tag and the protective gear first.')
    // What opens something is stopped; what closes it never is.
    if (['drill', 'start', 'move'].includes(input.kind)) {
      const stopped = await whyStopped(sql, item)
      if (stopped) return stopped
    }
    const row = (await portsOfItems(sql, [item.id])).find((p) => p.id === input.portId)!
    const before = (await eventsOf(sql, item.id)).get(row.id) ?? []
    let left = 0
    if (input.kind === 'give-up') {
      const read = readQuantity(input.left ?? '0', 'volume', 'left', { bareUnit: 'mL', name: 'What is left' })
      if (!read.ok) return read
      left = read.value.si
    }
    if (input.kind === 'move') {
      if (input.bearing === null) return refuse('missing', 'bearing', 'Say where the port goes.')
      if (row.drilledAt)
        return refuse('not-allowed', 'kind', `Port ${row.number} is drilled; a hole cannot be moved.`)
      const refusal = await refusalForMove(sql, item.timeZone, now, row, item, input.bearing)
      if (refusal) return refusal
    }
    const last = before.at(-1)?.at ?? 0
    const when = last >= at.getTime() && last - at.getTime() < SLACK_MS ? last + 1 : at.getTime()
    const base = { id: input.eventId, at: when }
    const event: PortEvent =
      input.kind === 'give-up'
        ? { ...base, kind: 'give-up', reason: input.reason ?? '', left }
        : input.kind === 'move'
          ? { ...base, kind: 'move', bearing: input.bearing! }
          : { ...base, kind: input.kind }
    const next = foldPort(plannedPort(row), [...before, event])
    if (!next.ok) return next
    await notePortEvent(sql, {
      id: input.eventId,
      firmId: person.firmId,
      portId: row.id,
      kind: input.kind,
      at: new Date(when),
      by: person.id,
      detail: {
        ...(input.reason !== null && { reason: input.reason }),
        ...(input.kind === 'give-up' && { leftM3: left }),
        ...(input.kind === 'move' && { bearing: input.bearing }),
      },
    })
    const date = (ms: number | null) => (ms === null ? null : new Date(ms))
    await savePort(sql, {
      ...row,
      bearingDeg: next.value.bearing,
      drilledAt: date(next.value.drilledAt),
      startedAt: date(next.value.startedAt),
      stoppedAt: date(next.value.stoppedAt),
      outAt: date(next.value.outAt),
      leftM3: next.value.left,
      givenUp: next.value.givenUp,
    })
    return ok({ stage: stageOf(next.value) })
  },
})

async function refusalForMove(
  sql: FirmSql,
  timeZone: string,
  now: Date,
  row: PortRow,
  item: {
    treeId: string
    dose: { portGirthM: Length }
    label: { use: Parameters<typeof readInjectionUse>[0] }
  },
  bearing: number,
): Promise<Result<never> | null> {
  const terms = readInjectionUse(item.label.use)
  if (!terms.ok) return terms
  const holes = (await holesOfTree(sql, item.treeId)).map((h) => ({
    bearing: h.bearing,
    drilledOn: dateIn(timeZone, h.drilledAt),
  }))
  const round = roundOf(
    await marksOfTree(sql, item.treeId),
    holes,
    item.dose.portGirthM,
    dateIn(timeZone, now),
  )
  const others = (await portsOfItems(sql, [row.jobItemId]))
    .filter((p) => p.id !== row.id)
    .map((p) => p.bearingDeg)
  const why = refusalAt(bearing, others, {
    ...round,
    count: others.length + 1,
    minSpacing: terms.value.minSpacing,
  })
  return why ? refuse('not-allowed', 'bearing', why) : null
}
