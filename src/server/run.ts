import { z } from 'zod'
import { refusalAt } from '@/core/ports/move'
import { roundOf } from '@/core/ports/marks'
import { stepPort, type RunningPort } from '@/core/ports/running'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn } from '@/core/time/calendar'
import { readInjectionUse } from '@/core/dose/labelCard'
import { holesOfTree, marksOfTree, readingsOfTree } from '@/db/queries/tree'
import {
  confirmJobItem,
  jobItemById,
  notePortEvent,
  portForChange,
  portsOfItems,
  savePort,
  type PortRow,
} from '@/db/queries/work'
import { id, line, verb, words } from './verb'

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

/** The crew lead or technician says: this is the tree, and gear is on. Opens the ports for drilling. */
export const confirmTreeVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.jobItemId,
  input: z.strictObject({
    jobItemId: id('jobItemId'),
    tag: line('Tag', 40),
    gear: z.boolean().refine((g) => g, { error: 'Put the protective gear on first, then tick it.' }),
  }),
  run: async ({ sql, now }, input): Promise<Result<{ confirmed: true }>> => {
    const item = await jobItemById(sql, input.jobItemId)
    if (!item) return refuse('unknown', 'jobItemId', 'There is no such tree in this job.')
    if (item.tag.toLowerCase() !== input.tag.toLowerCase())
      return refuse(
        'conflict',
        'tag',
        `The tag reads "${input.tag}", but this is the work for "${item.tag}". Check the tree before anything is opened.`,
      )
    const refusal = await staleReading(sql, item.treeId, now)
    if (refusal) return refusal
    await confirmJobItem(sql, item.id, now)
    return ok({ confirmed: true })
  },
})

async function staleReading(sql: Parameters<typeof readingsOfTree>[0], treeId: string, now: Date) {
  const reading = (await readingsOfTree(sql, treeId))[0]
  const years = reading ? (now.getTime() - reading.readAt.getTime()) / (365.25 * 86_400_000) : Infinity
  return years > 1.01
    ? refuse(
        'out-of-range',
        'reading',
        'The reading is more than a year old; measure the trunk again and have it prescribed anew.',
      )
    : null
}

/** One step at a port. The event's id makes a repeat from the device harmless. */
export const markPortVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.portId,
  input: z.strictObject({
    eventId: id('eventId'),
    portId: id('portId'),
    kind: z.enum(['drill', 'start', 'stop', 'out', 'give-up', 'undo', 'move']),
    reason: words('Reasons', 200),
    /** Typed, such as `4 mL`. */
    left: z.string().max(100).nullable().default(null),
    bearing: z.int().min(0).max(359).nullable().default(null),
  }),
  run: async ({ sql, person, now }, input): Promise<Result<{ repeated: boolean }>> => {
    const row = await portForChange(sql, input.portId)
    if (!row) return refuse('unknown', 'portId', 'There is no such port.')
    const item = (await jobItemById(sql, row.jobItemId))!
    const fresh = await notePortEvent(sql, {
      id: input.eventId,
      firmId: person.firmId,
      portId: row.id,
      kind: input.kind,
      at: now,
      by: person.id,
      detail: { reason: input.reason, left: input.left, bearing: input.bearing, before: row.bearingDeg },
    })
    if (!fresh) return ok({ repeated: true })
    if (item.status === 'recorded')
      return refuse(
        'conflict',
        'portId',
        'This tree is signed and recorded; add a correction to the record instead.',
      )
    if (!item.confirmedAt)
      return refuse('not-allowed', 'portId', 'Confirm the tag and the protective gear first.')
    if (input.kind === 'move') {
      if (row.drilledAt)
        return refuse('not-allowed', 'kind', `Port ${row.number} is drilled; a hole cannot be moved.`)
      const refusal = await refusalForMove(sql, person.timeZone, now, row, item, input.bearing)
      if (refusal) return refusal
      await savePort(sql, { ...row, bearingDeg: input.bearing! })
      return ok({ repeated: false })
    }
    let left = 0
    if (input.kind === 'give-up') {
      const read = readQuantity(input.left ?? '0', 'volume', 'left', { bareUnit: 'mL', name: 'What is left' })
      if (!read.ok) return read
      left = read.value.si
    }
    const at = now.getTime()
    const next = stepPort(
      runningPort(row),
      input.kind === 'give-up'
        ? { kind: 'give-up', at, reason: input.reason ?? '', left }
        : { kind: input.kind, at },
    )
    if (!next.ok) return next
    const date = (ms: number | null) => (ms === null ? null : new Date(ms))
    await savePort(sql, {
      ...row,
      drilledAt: date(next.value.drilledAt),
      startedAt: date(next.value.startedAt),
      stoppedAt: date(next.value.stoppedAt),
      outAt: date(next.value.outAt),
      leftM3: next.value.left,
      givenUp: next.value.givenUp,
    })
    return ok({ repeated: false })
  },
})

async function refusalForMove(
  sql: Parameters<typeof readingsOfTree>[0],
  timeZone: string,
  now: Date,
  row: PortRow,
  item: {
    treeId: string
    dose: { portGirthM: number }
    label: { use: Parameters<typeof readInjectionUse>[0] }
  },
  bearing: number | null,
): Promise<Result<never> | null> {
  if (bearing === null) return refuse('missing', 'bearing', 'Say where the port goes.')
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
