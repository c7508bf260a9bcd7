import { isHand } from '@/core/methods/names'
import type { recordPart } from '@/asks/record'
import { ACCEPTED, signRecordAsks } from '@/asks/record'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { activeKey } from '@/core/actives/actives'
import { capital } from '@/core/capital'
import type { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { causeName } from '@/almanac/causes'
import { handMethod } from '@/core/methods/hand'
import type { Values } from '@/core/methods/lines'
import { sayOutcome, type Outcome } from '@/core/methods/outcome'
import { begunAt } from '@/core/methods/running'
import { sayEquipment, sayRate } from '@/core/methods/say'
import { lessAsked, lotOf, miscounted, shortAsked } from '@/core/methods/signing'
import { farUnder, lastPress, watchedMinutes } from '@/core/methods/stretch'
import { isMarked, whyNotMarked } from '@/core/methods/yearMark'
import { weatherDeviations } from '@/core/methods/outside'
import { leastLooked, spreadOver } from '@/core/plan/sample'
import { ok, refuse, refusing, type Result } from '@/core/problem'
import { clockIn, dateIn, spokenDate } from '@/core/time/calendar'
import { instantOf } from '@/core/time/zone'
import { lotsOf } from '@/db/queries/card'
import {
  closeJobSubject,
  jobById,
  jobSubjects,
  jobSubjectsForChange,
  tankMates,
  type JobSubjectRow,
} from '@/db/queries/job'
import { doneAwayAt } from '@/db/queries/doneAway'
import { readingById } from '@/db/queries/reading'
import { waitingFor, withdrawSubjects } from '@/db/queries/prescription'
import { addApplication } from '@/db/queries/record'
import { restage, treesForChange } from '@/db/queries/tree'
import { enterRecord, refusedToSign } from './ledger/enter'
import { handsOf } from './handsOf'
import { outsideOfWork } from './outsideOfWork'
import { promiseChecks, promisedAfter } from './promise'
import { dueNext } from './repeat'
import { stepsNow } from './run'
import { supersededCard, whyStopped } from './whyNotBegun'
import { verb, type Context } from './verb'
import { backOnJob, unlessAway } from './away'
import { typedWeather } from './weather/typed'
import { activeOf, entryOf, workedAt, type Worked } from './worked'

type Part = z.output<typeof recordPart>

/**
 * Signs the record of one application, and of what else came out of its tank: what was put on by one method from one lot, at one or many trees of a job, only when
 * nothing is left to be done or counted at any of them. The body is written here, under a hold on the trees' work, from what
 * was prescribed and from everything that was done; it closes the trees in the job and puts the promised checks into the
 * calendar. A tree that got less than its label's least goes back to the arborist.
 */
export const signRecordVerb = verb({
  roles: ['crew lead', 'arborist'],
  signs: true,
  about: (i) => i.jobSubjectIds[0]!,
  makes: (i) => i.id,
  input: signRecordAsks,
  run: async (context, typed): Promise<Result<{ recordId: string }>> => {
    const { sql, person, today } = context
    // What was asked was asked on the device, by the same rule; what only the server knows is written beside the work.
    const input = context.away ? { ...typed, accepted: [...ACCEPTED] } : typed
    const parts = [input, ...input.also]
    const ids = [...new Set(parts.flatMap((p) => p.jobSubjectIds))]
    const found = await jobSubjects(sql, ids)
    await treesForChange(sql, [...new Set(found.map((s) => s.treeId))])
    const rows = await jobSubjectsForChange(sql, ids)
    const subjects = await backOnJob(context, rows)
    if (subjects.length < ids.length)
      return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
    if (
      parts.reduce((n, p) => n + new Set(p.jobSubjectIds).size, 0) > ids.length ||
      (parts.length > 1 && new Set(subjects.map((s) => s.tank ?? s.id)).size > 1)
    )
      return refuse(
        'not-allowed',
        'also',
        'Only what came out of one tank is signed together; sign the others by themselves.',
      )
    // A licence is for what is put on.
    const refused = subjects.every((s) => isHand(s.method))
      ? null
      : await unlessAway(context, subjects[0]!, () => refusedToSign(person, today))
    if (refused) return refused
    for (const [n, part] of parts.entries()) {
      const own = subjects.filter((s) => part.jobSubjectIds.includes(s.id))
      const signed = await signOne(context, input, part, own)
      if (!signed.ok)
        return n > 0 && signed.problem.field === 'lot'
          ? { ok: false, problem: { ...signed.problem, field: `also[${n - 1}].lot` } }
          : signed
    }
    return ok({ recordId: input.id })
  },
})

/** The record of one product at its trees, which are held. */
async function signOne(
  context: Context,
  input: z.output<typeof signRecordAsks>,
  part: Part,
  subjects: readonly JobSubjectRow[],
): Promise<Result<null>> {
  const { sql, person, now } = context
  const one = subjects[0]!
  // Away, what the office moved to another day was done on this one.
  if (
    subjects.some(
      (s) => (s.jobId !== one.jobId && !context.away) || s.useId !== one.useId || s.cause !== one.cause,
    )
  )
    return refuse(
      'not-allowed',
      'jobSubjectIds',
      'A record is of one product put on by one method for one cause; sign the others by themselves.',
    )
  const recorded = subjects.find((s) => s.status === 'recorded')
  if (recorded)
    return refuse(
      'conflict',
      'jobSubjectId',
      `${subjects.length > 1 ? recorded.tag : 'This tree'} is signed and recorded already. Load the page again to open its record; a mistake is put right by a correction.`,
    )

  const worked: Worked[] = []
  const stops: string[] = []
  for (const subject of subjects) {
    const steps = (await stepsNow(context, subject.id)).map((s) => s.state)
    const done = workedAt(subject, steps, person.units)
    if (!done.ok) return named(subject, subjects.length, done)
    // What is in a tree is recorded, whatever was decided since; nothing is begun or called treated on it.
    const stopped = await whyStopped(sql, subject)
    if (stopped && !stopped.ok) {
      if (steps.every((s) => begunAt(s) === null)) return named(subject, subjects.length, stopped)
      stops.push(stopped.problem.message)
    }
    worked.push(done.value)
  }
  const superseded = await supersededCard(sql, one)
  if (superseded && !context.away && (person.role !== 'arborist' || (input.deviations ?? '').length < 8))
    return refuse(
      'not-allowed',
      'label',
      `${superseded} The arborist signs this record and writes under “otherwise than planned” how the new card bears on it.`,
    )
  const set = worked.flatMap((w) => w.steps).filter((s) => s.kind === 'port' && s.startedAt !== null).length
  const counts = isByPorts(one)
  const onShelf = await lotOnShelf(context, one, part.lot)
  const wrong = await unlessAway(
    context,
    one,
    () => refusing(counts ? miscounted(input.counted, set) : null),
    () =>
      refusing(
        whyNotMarked(one.method, {
          mark: input.mark,
          treated: worked.some((w) => w.applied > 0),
          on: context.today,
        }),
      ),
    () => (onShelf.ok ? null : onShelf),
  )
  if (wrong) return wrong
  const lot = onShelf.ok ? onShelf.value : part.lot
  const weather = await typedWeather(context, one.siteId, input)
  if (!weather.ok) return weather
  const typedOutside = weatherDeviations(
    one.use,
    { wind: weather.value.windMs, temperature: weather.value.temperatureC },
    person.units,
  ).map((said) => `As noted at the signature: ${said.charAt(0).toLowerCase()}${said.slice(1)}`)
  const less = lessAsked(worked.map(gotOf), input.accepted, person.units)
  if (less) return { ok: false, problem: less }

  const job = (await jobById(sql, one.jobId))!
  const hands = await handsOf(context, subjects)
  const outside = await outsideOfWork(context, worked, { hands, siteHours: job.siteHours })
  const told = [...new Set([...[...outside.values()].flat(), ...typedOutside])]
  if (told.length > 0 && !input.accepted.includes('outside'))
    return refuse(
      'doubt',
      'outside',
      `This lay outside the card and the rules, and is written so: ${told.join(' ')} Is that what happened?`,
    )

  const stretch = stretchOf(context, worked, input)
  if (!stretch.ok) return stretch
  const outsideOf = (w: Worked) => [
    ...new Set([...(outside.get(w.subject.id) ?? []), ...typedOutside, ...stretch.value.said]),
  ]
  /** Where all trees of it are in one. */
  const block = subjects.every((s) => s.block === one.block) ? one.block : null
  const { startedAt, endedAt, watched } = stretch.value
  // What was done counts from the day it was done, however late it is signed.
  const pressed = lastPress(worked.flatMap((w) => w.steps))
  const day = dateIn(one.timeZone, pressed === null ? endedAt : new Date(pressed))
  const treated = worked.some((w) => w.outcome !== 'not treated')
  const readings = new Map(
    await Promise.all(subjects.map(async (s) => [s.id, await readingById(sql, s.readingId)] as const)),
  )
  const away = await doneAwayAt(
    sql,
    subjects.map((s) => s.id),
  )
  const signedAway = context.away
    ? [`Signed on the device at ${clockIn(one.timeZone, context.at)} without a signal, entered later.`]
    : []
  const beside = (s: JobSubjectRow) => [...(away.get(s.id) ?? []).map((d) => d.words), ...signedAway]
  const applicationId = uuidv7()
  const { product } = one
  const mates = one.tank === null ? [] : await tankMates(sql, one)
  await addApplication(sql, {
    id: applicationId,
    firmId: person.firmId,
    jobId: one.jobId,
    siteId: one.siteId,
    method: one.method,
    useId: one.useId,
    lot,
    startedAt,
    endedAt,
    watchedMinutes: watched,
    signedAt: now,
    signedBy: person.id,
    subjects: worked.map(({ subject, applied, outcome }) => {
      const activeKg = activeOf(subject.plan, applied)
      return {
        subjectId: subject.subjectId,
        jobSubjectId: subject.id,
        treeId: subject.treeId,
        onDate: day,
        amount: applied,
        outcome,
        active: activeKg === null || !product.actives[0] ? null : activeKey(product.actives[0].name),
        activeKg,
      }
    }),
  })
  await enterRecord(
    sql,
    {
      id: part.id,
      firmId: person.firmId,
      kind: 'application',
      corrects: null,
      treeId: subjects.length === 1 ? one.treeId : null,
      siteId: one.siteId,
      applicationId,
      signedAt: now,
      signedBy: person.id,
      body: {
        version: 3,
        applicator: { name: person.name, licence: person.licence ?? 'none on file' },
        firm: person.firmName,
        place: {
          site: job.siteName,
          town: person.town,
          ...(block !== null && { block }),
        },
        target: causeName(one.cause),
        method: one.method,
        ...(mates.length > 0 && { tankWith: mates }),
        equipment: sayEquipment(one.use),
        product: {
          name: product.name,
          registration: product.registration ?? 'house card',
          code: product.code,
          card: `${product.code} v${product.version}`,
          lot,
          actives: product.actives,
        },
        rate: sayRate(one.plan.choice),
        kind: one.plan.kind,
        subjects: worked.map((w) => {
          const reading = readings.get(w.subject.id)
          return entryOf(
            w,
            reading ? dateIn(w.subject.timeZone, reading.readAt) : null,
            [
              ...w.deviations,
              ...outsideOf(w),
              ...stops,
              ...(superseded ? [superseded] : []),
              ...beside(w.subject),
            ],
            person.units,
          )
        }),
        hole: isByPorts(one.use) ? one.use.terms.hole : null,
        startedAt: startedAt.toISOString(),
        endedAt: endedAt.toISOString(),
        countedIn: counts ? input.counted : null,
        ...(treated && isMarked(one.method) && input.mark && { mark: input.mark }),
        weather: {
          ...weather.value,
          windFrom: input.windFrom,
          sky: input.sky,
          soil: input.soil,
          typed: { temperature: input.temperature, wind: input.wind },
        },
        // Nothing was opened where nothing went on.
        reentryUntil:
          treated && one.use.reentryHours > 0
            ? new Date(now.getTime() + one.use.reentryHours * 3_600_000).toISOString()
            : null,
        notices: input.notices,
        deviationWords: input.deviations,
      },
    },
    context.afterwards,
  )
  // A block is looked at by sample afterwards too; only what must all come back is counted at every tree.
  const looked = new Set(
    (block !== null ? spreadOver(subjects, leastLooked(subjects.length)) : subjects).map((s) => s.id),
  )
  for (const w of worked) {
    const { subject, outcome } = w
    const back = outcome === 'treated' ? ledBack(w) : null
    // What was found stops it: the arborist decides before anything more is done.
    await closeJobSubject(sql, subject, back === null ? CAME[outcome] : 'partly')
    const said = `${capital(sayOutcome(outcome, subject.method))} on ${spokenDate(day)}: ${[...w.deviations, ...outsideOf(w), ...stops].join(' ')}`
    // What waited for a step that was not done at this tree has nothing to wait for.
    if (outcome === 'not treated') {
      const after = await waitingFor(sql, [subject.subjectId])
      if (after.length > 0)
        await withdrawSubjects(
          sql,
          subject.prescriptionId,
          after.map((a) => a.subjectId),
          said,
        )
    }
    await promiseChecks(
      { sql, person },
      {
        treeId: subject.treeId,
        prescriptionId: subject.prescriptionId,
        on: day,
        checks: promisedAfter(outcome, subject.checks).filter(
          (c) => looked.has(subject.id) || c.expectation.kind === 'all-back',
        ),
      },
    )
    await restage(sql, subject.treeId, outcome === 'treated' ? back : said)
  }
  const { south } = hands.get(one.treeId)!
  for (const occurrenceId of new Set(subjects.map((s) => s.occurrenceId)))
    await dueNext(context, { occurrenceId, use: one.use }, day, south)
  return ok(null)
}

/**
 * When the work began and ended: by its presses, or as it is told where those are far too near each other for what was done, which is asked
 * about. `said` is what the record says of it.
 */
function stretchOf(
  { now }: Context,
  worked: readonly Worked[],
  { began, ended, accepted }: Pick<z.output<typeof signRecordAsks>, 'began' | 'ended' | 'accepted'>,
): Result<{ startedAt: Date; endedAt: Date; watched: number | null; said: string[] }> {
  const steps = worked.flatMap((w) => w.steps)
  const starts = steps.map(begunAt).filter((t) => t !== null)
  const pressed = { startedAt: starts.length > 0 ? new Date(Math.min(...starts)) : now, endedAt: now }
  const { timeZone } = worked[0]!.subject
  const begun = worked.flatMap(({ subject: { confirmedAt } }) => confirmedAt?.getTime() ?? [])
  const first = begun.length > 0 ? Math.min(...begun) : null
  const planned = worked.reduce(
    (sum, w) => sum + (w.outcome === 'not treated' ? 0 : w.subject.plan.minutes),
    0,
  )
  const short = farUnder(steps, first, planned)
  const said = short ? [`Steps were ${short.words}.`] : []
  if (began === null && ended === null)
    return short && !accepted.includes('short')
      ? { ok: false, problem: shortAsked(short.words) }
      : ok({ ...pressed, watched: watchedMinutes(steps, first, planned), said })
  if (began === null || ended === null)
    return refuse('missing', began === null ? 'began' : 'ended', 'Say both, when it began and when it ended.')
  // By the clock of the day on which it was pressed.
  const day = dateIn(timeZone, pressed.startedAt)
  const at = (clock: string) =>
    new Date(instantOf(timeZone, day, Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3))))
  const told = { startedAt: at(began), endedAt: at(ended) }
  if (told.endedAt <= told.startedAt)
    return refuse('out-of-range', 'ended', 'It ended after it began; check the two times.')
  if (told.endedAt.getTime() > now.getTime() + 60_000)
    return refuse('out-of-range', 'ended', 'That is later than now; check the time.')
  return ok({ ...told, watched: null, said: [...said, 'Began and ended as told at the signature.'] })
}

/** Why a tree goes back to the arborist after work by hand, by what was written down at its steps. */
function ledBack({ subject, steps }: Worked): string | null {
  const { plan } = subject
  if (!isHand(plan.method)) return null
  const noted = steps.flatMap((s) =>
    s.kind === 'task' && s.noted !== null ? [[s.task, s.noted] as const] : [],
  )
  return handMethod(plan.method).leads?.(Object.fromEntries(noted), plan.shape as Values) ?? null
}

const CAME: Record<Outcome, 'done' | 'partly' | 'not treated'> = {
  treated: 'done',
  'partly treated': 'partly',
  'not treated': 'not treated',
}

const gotOf = ({ subject, outcome, applied, least }: Worked) => ({
  tag: subject.tag,
  outcome,
  applied,
  least,
  kind: subject.plan.kind,
  method: subject.method,
})

/** A refusal that says at which of several trees. */
function named(subject: JobSubjectRow, of: number, refused: Result<never>): Result<never> {
  return of === 1 || refused.ok
    ? refused
    : { ok: false, problem: { ...refused.problem, message: `${subject.tag}: ${refused.problem.message}` } }
}

/** The lot as it stands on the shelf, by its number off the package. */
async function lotOnShelf(
  { sql, today }: Context,
  { product }: JobSubjectRow,
  number: string,
): Promise<Result<string>> {
  return product.registration === null
    ? ok('none, a house card')
    : lotOf(await lotsOf(sql, product.code), number, { name: product.name, today })
}
