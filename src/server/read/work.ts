import { showProduct } from '@/core/methods/showProduct'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { sayPlan } from '@/core/methods/say'
import { isGood } from '@/core/card/lot'
import type { AsAgreed } from '@/core/schools/house'
import { withOwn } from '@/almanac/own'
import { causesOf } from '@/core/diagnose/weigh'
import type { Finding } from '@/core/diagnose/almanac'
import { ownOf } from '../almanac'
import type { FirmSql } from '@/db/client'
import { walkOrder } from '@/core/plan/walk'
import { countOpenFollowUps, followUpById, openFollowUps, sameFollowUps } from '@/db/queries/followUp'
import { amountsOf, chainEntry, correctionsOf, lastSeq, recordById, records } from '@/db/queries/record'
import { firstSealed, ledgerCheck, sealOf } from '@/db/queries/seal'
import { crewSubjects, jobById } from '@/db/queries/job'
import { siteById } from '@/db/queries/site'
import { lotCalledBack, lotsOfCodes, usesByIds } from '@/db/queries/card'
import { eventsOfSubjects, plannedSteps } from '@/db/queries/workStep'
import { photosOfApplication, workPhotos } from '@/db/queries/photo'
import { holesOfTrees, marksOfTree, marksOfTrees } from '@/db/queries/ring'
import { checkTail, followChain } from '../ledger/check'
import { spotOf } from '@/db/queries/weather'
import { movesOfCheck, movesOfJob } from '@/db/queries/moved'
import { hoursAhead, HOURS_AHEAD, knownWeather } from '../weather/known'
import { askForCheck } from '../ledger/watch'
import { looksBefore } from '../mayGoOn'
import { isId, reading } from './reader'
import { holesOnRing, plainMarks } from './ring'
import { inOneLine, readRecord } from '../ledger/body'
import { grouped } from '@/core/grouped'
import { dateIn } from '@/core/time/calendar'

/** Trees that are worked and signed together: one product, by one method, for one cause, in one block, out of one tank. */
const workOf = (s: {
  useId: string
  cause: string
  block: string | null
  tank: string | null
  onlyIf: string | null
}) => [s.useId, s.cause, s.block ?? '', s.tank ?? '', s.onlyIf ?? ''].join(' ')

/** What rained in the hours before a press counts for it. */
const HOURS_BEFORE = 6
const BEFORE_MS = HOURS_BEFORE * 3_600_000

/** What was agreed for work that several prescriptions share, each once. */
function agreedByAll(each: readonly AsAgreed[]): AsAgreed {
  const once = <T>(rows: readonly T[]) => [...new Map(rows.map((r) => [JSON.stringify(r), r])).values()]
  return {
    matters: once(each.flatMap((a) => a.matters)),
    notices: once(each.flatMap((a) => a.notices)),
  }
}

/** A job as the crew runs it: what is done on it, its trees with rings and steps, and what the weather is for the record. */
export function jobView(id: string) {
  return reading(async (context) => {
    const { sql, person, now } = context
    const found = isId(id) ? await jobById(sql, id) : undefined
    if (!found) return null
    const { timeZone } = found
    const today = dateIn(timeZone, now)
    const { gateCode, people, ...about } = found
    // Told to those who have work there that day, and to nobody before or after.
    const goesThere = found.crewId === null || people.includes(person.id)
    const job = { ...about, gateCode: found.onDate === today && goesThere ? gateCode : null }
    const subjects = await crewSubjects(sql, [id])
    const ids = subjects.map((s) => s.id)
    const treeIds = [...new Set(subjects.map((s) => s.treeId))]
    const drilledIds = [...new Set(subjects.flatMap((s) => (isByPorts(s) ? [s.treeId] : [])))]
    // Asked for at once: while the database reads the next, what came is taken apart.
    const [steps, events, ringed, holed, uses, moved, weather, entries, pictures] = await Promise.all([
      plannedSteps(sql, ids),
      eventsOfSubjects(sql, ids),
      marksOfTrees(sql, treeIds),
      holesOfTrees(sql, drilledIds),
      usesByIds(sql, [...new Set(subjects.map((s) => s.useId))]),
      movesOfJob(sql, id),
      knownWeather(context, job.siteId),
      ownOf(sql),
      workPhotos(sql, ids),
    ])
    const photos = grouped(pictures, (f) => f.jobSubjectId)
    const south = weather.place ? spotOf(weather.place).latitude < 0 : false
    const useOf = (s: { useId: string }) => uses.get(s.useId)!
    const marks = grouped(ringed, (m) => m.treeId)
    const drilled = grouped(holed, (h) => h.treeId)
    const lots = grouped(
      await lotsOfCodes(sql, [...new Set([...uses.values()].map((u) => u.product.code))]),
      (l) => l.code,
    )
    // What is the same for all its trees is sent once.
    const items = [...grouped(subjects, workOf)].map(([id, own]) => {
      const s = own[0]!
      const { product, use } = useOf(s)
      return {
        id,
        method: s.method,
        cause: causeName(s.cause),
        block: s.block,
        tank: s.tank,
        onlyIf: s.onlyIf,
        agreed: agreedByAll(own.map((x) => x.agreed)),
        product,
        use,
        /** What is looked at and said before it is begun. */
        looks: looksBefore(useOf(s), {
          cause: s.cause,
          hosts: [...new Set(own.flatMap((x) => (x.confirmedAt === null ? [x.host] : [])))],
          on: today,
          south,
          own: entries,
        }),
        lots: (lots.get(product.code) ?? []).filter((l) => isGood(l, today)),
      }
    })
    const trees = subjects.map((s) => {
      const own = marks.get(s.treeId) ?? []
      const holes = holesOnRing(own, drilled.get(s.treeId) ?? [], today)
      const { plan } = s
      return {
        id: s.id,
        itemId: workOf(s),
        treeId: s.treeId,
        tag: s.tag,
        kind: hostName(s.host),
        eastM: s.eastM,
        northM: s.northM,
        treeNote: s.treeNote,
        status: s.status,
        confirmedAt: s.confirmedAt?.getTime() ?? null,
        anew: s.anew,
        releasedAt: s.releasedAt?.getTime() ?? null,
        found: s.found,
        /** By whoever began it. */
        seen: s.seen,
        recordId: s.recordId,
        /** Of this work. */
        photos: (photos.get(s.id) ?? []).map(({ id, task }) => ({ id, task })),
        plan,
        gets: sayPlan(plan, useOf(s).use, person.units),
        marks: plainMarks(own),
        // The holes of this very job are its ports, not earlier ones.
        holes: s.status === 'recorded' ? holes.filter((h) => h.years > 0.01) : holes,
        steps: (steps.get(s.id) ?? []).map((step) => ({ ...step, events: events.get(step.id) ?? [] })),
      }
    })
    return {
      job,
      items,
      trees,
      /** What was moved from this day to another one, and to this day from another one, with why. */
      moved,
      /** Of this hour, to begin the record with; null where it is not known. */
      weather: weather.at(now),
      /** The hours just before this one and those to come. */
      hours: hoursAhead(
        weather,
        new Date(now.getTime() - BEFORE_MS),
        HOURS_BEFORE + HOURS_AHEAD,
        job.siteHours,
      ),
      now: now.getTime(),
      today,
      units: person.units,
      licence: person.licence,
      timeZone,
    }
  })
}

export type JobView = NonNullable<Awaited<ReturnType<typeof jobView>>>

/** A page of the ledger, with how its chain stands: the end is checked now, the whole in the background. */
export function ledgerView(before: number | null = null) {
  return reading(async ({ sql, person }) => {
    const check = await ledgerCheck(sql)
    const trouble = (await checkTail(sql)) ?? check?.trouble ?? null
    askForCheck(person.firmId, check?.checkedAt ?? null)
    return {
      records: (await records(sql, before, 51))
        .map(readRecord)
        .map((r) => ({ ...r, line: inOneLine(r, person.units) })),
      entries: await lastSeq(sql),
      trouble,
      checkedTo: check?.checkedTo ?? null,
      checkedAt: check?.checkedAt ?? null,
      timeZone: person.timeZone,
      units: person.units,
    }
  })
}

/** A record as it was signed, with its seal and whether it is still what was sealed. */
export function recordView(id: string) {
  return reading(async ({ sql, person }) => {
    const record = isId(id) ? await recordById(sql, id) : undefined
    if (!record) return null
    const seal = (await sealOf(sql, record.seq)) ?? null
    const entry = (await chainEntry(sql, id))!
    // The record itself is looked at on every opening; its neighbours are the check's.
    const own = followChain(
      { seq: record.seq - 1, hash: record.prevHash },
      [entry],
      new Map(seal ? [[record.seq, seal]] : []),
      await firstSealed(sql),
    )
    const read = readRecord(record)
    return {
      record: read,
      /** Its lot was called back since. */
      calledBack:
        read.kind === 'application' && read.body !== null && read.body.product.code !== undefined
          ? ((await lotCalledBack(sql, read.body.product.code, read.body.product.lot)) ?? null)
          : null,
      seal,
      trouble: 'trouble' in own ? own.trouble : ((await ledgerCheck(sql))?.trouble ?? null),
      photos:
        record.applicationId === null
          ? []
          : (await photosOfApplication(sql, record.applicationId)).map(({ takenAt, ...f }) => ({
              ...f,
              takenAt: takenAt.getTime(),
            })),
      corrections: (await correctionsOf(sql, id)).map(readRecord),
      /** What each tree got as it is known now, to be corrected. */
      amounts: (record.applicationId === null ? [] : await amountsOf(sql, record.applicationId)).map((a) => ({
        subjectId: a.subjectId,
        tag: a.tag,
        got: showProduct(a.amount, a.kind, a.method, person.units),
      })),
      corrected: record.corrects ? ((await recordById(sql, record.corrects)) ?? null) : null,
      marks: record.treeId === null ? [] : plainMarks(await marksOfTree(sql, record.treeId)),
      timeZone: record.timeZone,
      units: person.units,
    }
  })
}

export type RecordView = NonNullable<Awaited<ReturnType<typeof recordView>>>

/** As many as one walk is for. */
const MOST_ON_A_WALK = 400

/** Promised checks of one page of the list. */
export const FOLLOW_UP_PAGE = 100

/** Promised checks without a result, a page at a time, with how many are due and how many there are in all. */
export function followUpsView(
  after: { dueOn: string; id: string } | null = null,
  siteId: string | null = null,
) {
  return reading(async ({ sql, today, person }) => ({
    today,
    timeZone: person.timeZone,
    site: siteId ? ((await siteById(sql, siteId)) ?? null) : null,
    due: await countOpenFollowUps(sql, today, siteId),
    open: await countOpenFollowUps(sql, null, siteId),
    checks: await openFollowUps(sql, null, after, FOLLOW_UP_PAGE, siteId),
  }))
}

/** What a laboratory can be asked of a kind of tree. */
async function laboratoryFindings(sql: FirmSql, host: string): Promise<Pick<Finding, 'id' | 'question'>[]> {
  const { causes, findings } = withOwn(await ownOf(sql))
  const own = new Set(causesOf(host, causes).map((c) => c.id))
  return [...findings.values()]
    .filter((f) => f.settles?.some((id) => own.has(id)))
    .map(({ id, question }) => ({ id, question }))
}

/** Promised checks of a group that ask the same on the same day, in the order of one walk; null where there are none. */
export function followUpWalkView(of: { siteId: string; dueOn: string; what: string }) {
  return reading(async ({ sql, now }) => {
    const checks = await sameFollowUps(sql, of, MOST_ON_A_WALK)
    const [first] = checks
    if (!first) return null
    return {
      ...of,
      siteName: first.siteName,
      today: dateIn(first.timeZone, now),
      checks: walkOrder(checks).order.map(({ id, tag, treeId, host, expectation }) => ({
        id,
        tag,
        treeId,
        kind: hostName(host),
        expectation,
      })),
    }
  })
}

export type FollowUpWalkView = NonNullable<Awaited<ReturnType<typeof followUpWalkView>>>

export function followUpView(id: string) {
  return reading(async ({ sql, now }) => {
    const check = isId(id) ? await followUpById(sql, id) : undefined
    if (!check) return null
    return {
      check,
      moved: await movesOfCheck(sql, check.id),
      kind: hostName(check.host),
      /** What a laboratory can answer of its kind. */
      laboratory: check.expectation.kind === 'laboratory' ? await laboratoryFindings(sql, check.host) : [],
      today: dateIn(check.timeZone, now),
      timeZone: check.timeZone,
    }
  })
}

export type FollowUpView = NonNullable<Awaited<ReturnType<typeof followUpView>>>
