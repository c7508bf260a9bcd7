import { createHash } from 'node:crypto'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { compare } from '@/core/respond/compare'
import { followUpById, openFollowUps } from '@/db/queries/followUp'
import { correctionsOf, recordById, recordChain, records, type ChainRow } from '@/db/queries/record'
import { itemsOfJob, jobById, lotsOf, portsOfItems } from '@/db/queries/work'
import { marksOfTree, holesOfTree } from '@/db/queries/tree'
import { simulatedWeather } from '@/standins/weather'
import { runningPort } from '../run'
import { isId, reading } from './reader'
import { holesOnRing, plainMarks } from './ring'

/** A job as the crew runs it: its trees with rings and ports, and what the weather is for the record. */
export function jobView(id: string) {
  return reading(async ({ sql, person, now, today }) => {
    const job = isId(id) ? await jobById(sql, id) : undefined
    if (!job) return null
    const items = await itemsOfJob(sql, id)
    const ports = await portsOfItems(
      sql,
      items.map((i) => i.id),
    )
    const weather = simulatedWeather(person.timeZone, now)
    const trees = []
    for (const item of items) {
      const marks = await marksOfTree(sql, item.treeId)
      const own = ports.filter((p) => p.jobItemId === item.id)
      const holes = holesOnRing(marks, await holesOfTree(sql, item.treeId), person, today)
      trees.push({
        ...item,
        kind: hostName(item.host),
        cause: causeName(item.cause),
        marks: plainMarks(marks),
        // The holes of this very job are its ports, not earlier ones.
        holes: item.status === 'recorded' ? holes.filter((h) => h.years > 0.01) : holes,
        ports: own.map((p) => ({ id: p.id, planned: p.plannedDeg, ...runningPort(p) })),
        lots: await lotsOf(sql, item.labelCode),
      })
    }
    return {
      job,
      trees,
      weather,
      now: now.getTime(),
      today,
      units: person.units,
      role: person.role,
      licence: person.licence,
      timeZone: person.timeZone,
    }
  })
}

export type JobView = NonNullable<Awaited<ReturnType<typeof jobView>>>

/** Looks whether every record still carries the hash of the one before: the first broken entry, or null. */
export function firstBroken(chain: readonly ChainRow[]): number | null {
  let before = '0'.repeat(64)
  let expected = 1
  for (const entry of chain) {
    const hash = createHash('sha256').update(entry.covered, 'utf8').digest('hex')
    if (entry.seq !== expected || entry.prevHash !== before || entry.hash !== hash) return entry.seq
    before = entry.hash
    expected++
  }
  return null
}

export function ledgerView(before: number | null = null) {
  return reading(async ({ sql, person }) => {
    const chain = await recordChain(sql)
    return {
      records: await records(sql, before, 51),
      entries: chain.length,
      broken: firstBroken(chain),
      timeZone: person.timeZone,
      units: person.units,
    }
  })
}

export function recordView(id: string) {
  return reading(async ({ sql, person }) => {
    const record = isId(id) ? await recordById(sql, id) : undefined
    if (!record) return null
    return {
      record,
      kind: hostName(record.host),
      corrections: await correctionsOf(sql, id),
      corrected: record.corrects ? await recordById(sql, record.corrects) : null,
      marks: plainMarks(await marksOfTree(sql, record.treeId)),
      timeZone: person.timeZone,
      units: person.units,
      role: person.role,
    }
  })
}

export type RecordView = NonNullable<Awaited<ReturnType<typeof recordView>>>

export function followUpsView() {
  return reading(async ({ sql, today, person }) => ({
    today,
    timeZone: person.timeZone,
    checks: await openFollowUps(sql),
  }))
}

export function followUpView(id: string) {
  return reading(async ({ sql, today, person }) => {
    const check = isId(id) ? await followUpById(sql, id) : undefined
    if (!check) return null
    return {
      check,
      kind: hostName(check.host),
      options: check.value === null ? [] : compare(check.expectation, check.value).options,
      today,
      timeZone: person.timeZone,
    }
  })
}

export type FollowUpView = NonNullable<Awaited<ReturnType<typeof followUpView>>>
