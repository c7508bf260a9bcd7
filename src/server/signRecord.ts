import { z } from 'zod'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { readInjectionUse } from '@/core/dose/labelCard'
import { deviationsOf, leastDose, outcomeOf, type Outcome } from '@/core/ports/outcome'
import { foldPort, volumeApplied, whyNotFinished, type RunningPort } from '@/core/ports/running'
import { ok, refuse, type Result } from '@/core/problem'
import { showMl } from '@/core/quantity/format'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { readingById } from '@/db/queries/reading'
import { restage, treeForChange } from '@/db/queries/tree'
import { closeJobItem, jobById, jobItemById, jobItemForChange, type JobItemRow } from '@/db/queries/job'
import { lotsOf } from '@/db/queries/card'
import { portsOfItems } from '@/db/queries/port'
import { enterRecord, refusedToSign } from './ledger/enter'
import { promiseChecks, type PromisedCheck } from './promise'
import { eventsOf, plannedPort, supersededCard, whyStopped } from './run'
import { id, line, typed, words } from './text'
import { verb, type Context } from './verb'
import { doubtWeather } from '@/core/weather/said'
import { simulatedWeather } from '@/standins/weather'
import type { Speed, Temperature } from '@/core/quantity/units'

const Input = z.strictObject({
  id: id(),
  jobItemId: id('jobItemId'),
  lot: line('Lot', 60),
  temperature: typed('Temperature', 100),
  wind: typed('Wind', 100),
  windFrom: z.enum(['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm']),
  sky: line('Sky', 60),
  soil: z.enum(['moist', 'dry', 'saturated']),
  counted: z.int({ error: 'Type how many empties you counted in.' }).min(0).max(500),
  notices: line('Notices', 300),
  deviations: words('Deviations'),
  /** What was asked and answered yes: that a tree which got too little goes back to the arborist; weather far off. */
  accepted: z
    .array(z.enum(['partly treated', 'not treated', 'wind', 'temperature']))
    .max(4)
    .default([]),
})

/**
 * Signs the record of a tree: only when everything is out and counted. The body is written here, under a hold on the
 * tree's work, from what was prescribed and from everything that was done at its ports; it closes the tree in the job and
 * puts the promised checks into the calendar. A tree that got less than its label's least goes back to the arborist.
 */
export const signRecordVerb = verb({
  roles: ['crew lead', 'arborist'],
  about: (i) => i.jobItemId,
  makes: (i) => i.id,
  input: Input,
  run: async (context, input): Promise<Result<{ recordId: string }>> => {
    const { sql, person, now, today } = context
    const found = await jobItemById(sql, input.jobItemId)
    const tree = found && (await treeForChange(sql, found.treeId))
    const item = found && (await jobItemForChange(sql, found.id))
    if (!item || !tree) return refuse('unknown', 'jobItemId', 'There is no such tree in this job.')
    if (item.status === 'recorded')
      return refuse(
        'conflict',
        'jobItemId',
        'This tree is signed and recorded already. Load the page again to open its record; a mistake is put right by a correction.',
      )
    const refused = refusedToSign(person, today)
    if (refused) return refused
    const ports = await portsNow(context, item)
    const unfinished = whyNotFinished(ports)
    if (unfinished) return refuse('not-allowed', 'ports', unfinished)
    const set = ports.filter((p) => p.startedAt !== null)
    // What is in a tree is recorded, whatever was decided since; nothing is begun or called treated on it.
    const stopped = await whyStopped(sql, item)
    if (stopped && set.length === 0) return stopped
    const superseded = await supersededCard(sql, item)
    if (superseded && (person.role !== 'arborist' || (input.deviations ?? '').length < 8))
      return refuse(
        'not-allowed',
        'label',
        `${superseded} The arborist signs this record and writes under “otherwise than planned” how the new card bears on it.`,
      )
    if (input.counted !== set.length)
      return refuse(
        'conflict',
        'counted',
        `You counted ${input.counted} empties, but ${set.length} were set. Find the difference before you sign.`,
      )
    const lot = await lotOnShelf(context, item, input.lot)
    if (!lot.ok) return lot
    const weather = readWeather(context, tree.timeZone, input)
    if (!weather.ok) return weather

    const terms = readInjectionUse(item.label.use)
    if (!terms.ok) return terms
    const least = leastDose(terms.value, item.dose.diameterM, item.dose.volumeM3)
    const outcome = outcomeOf(ports, least)
    const applied = volumeApplied(ports)
    if (outcome !== 'treated' && !input.accepted.includes(outcome))
      return refuse(
        'doubt',
        outcome,
        outcome === 'not treated'
          ? 'Nothing went into this tree. It is recorded as not treated and goes back to the arborist. Is that so?'
          : `${showMl(applied)} went in, less than the label’s least of ${showMl(least)}. The tree is recorded as partly treated and goes back to the arborist. Is that so?`,
      )

    const job = (await jobById(sql, item.jobId))!
    const day = dateIn(tree.timeZone, now)
    const reading = await readingById(sql, item.readingId)
    const starts = ports.map((p) => p.drilledAt).filter((t): t is number => t !== null)
    const deviations = [
      ...deviationsOf(
        item.dose.ports.map((p, i) => ({ number: i + 1, bearing: p.bearing })),
        ports,
        item.dose.volumeM3,
        item.dose.uptake.to,
      ),
      ...(stopped && !stopped.ok ? [stopped.problem.message] : []),
      ...(superseded ? [superseded] : []),
    ]
    await enterRecord(
      sql,
      {
        id: input.id,
        firmId: person.firmId,
        kind: 'application',
        corrects: null,
        treeId: item.treeId,
        siteId: tree.siteId,
        jobItemId: item.id,
        signedAt: now,
        signedBy: person.id,
        body: {
          version: 2,
          outcome,
          applicator: { name: person.name, licence: person.licence! },
          firm: person.firmName,
          place: { site: job.siteName, town: person.town },
          tree: {
            tag: item.tag,
            kind: hostName(item.host),
            diameterM: item.dose.diameterM,
            readOn: reading ? dateIn(tree.timeZone, reading.readAt) : null,
            portGirthM: item.dose.portGirthM,
          },
          target: causeName(item.cause),
          method: 'trunk injection',
          hardware: item.label.use.hardware,
          product: {
            name: item.labelName,
            registration: item.registration,
            code: item.labelCode,
            card: `${item.labelCode} v${item.labelVersion}`,
            lot: lot.value,
            actives: item.label.actives,
          },
          rate: rateWords(item.dose.choice),
          volumeM3: applied,
          leastM3: least,
          planned: { volumeM3: item.dose.volumeM3, ports: item.dose.ports.length },
          ports: ports.map((p) => ({
            number: p.number,
            bearing: p.bearing,
            volumeM3: p.startedAt === null ? 0 : p.volume - p.left,
            leftM3: p.left,
            drilledAt: iso(p.drilledAt),
            startedAt: iso(p.startedAt),
            stoppedAt: iso(p.stoppedAt),
            outAt: iso(p.outAt),
            givenUp: p.givenUp,
          })),
          hole: item.label.use.hole,
          startedAt: new Date(starts.length > 0 ? Math.min(...starts) : now.getTime()).toISOString(),
          endedAt: now.toISOString(),
          countedIn: input.counted,
          weather: {
            ...weather.value,
            windFrom: input.windFrom,
            sky: input.sky,
            soil: input.soil,
            typed: { temperature: input.temperature, wind: input.wind },
          },
          // Nothing was opened where nothing went in.
          reentryUntil:
            outcome === 'not treated'
              ? null
              : new Date(now.getTime() + item.label.reentryHours * 3_600_000).toISOString(),
          notices: input.notices,
          deviations,
          deviationWords: input.deviations,
          working: item.working,
        },
      },
      context.afterwards,
    )
    await closeJobItem(sql, item, CAME[outcome])
    await promiseChecks(
      { sql, person },
      {
        treeId: item.treeId,
        prescriptionId: item.prescriptionId,
        on: day,
        checks: promisedAfter(outcome, item.expectations as PromisedCheck[]),
      },
    )
    await restage(
      sql,
      item.treeId,
      outcome === 'treated'
        ? null
        : `${outcome === 'not treated' ? 'Not treated' : 'Partly treated'} on ${spokenDate(day)}: ${deviations.join(' ')}`,
    )
    return ok({ recordId: input.id })
  },
})

const CAME: Record<Outcome, 'done' | 'partly' | 'not treated'> = {
  treated: 'done',
  'partly treated': 'partly',
  'not treated': 'not treated',
}

/** What is promised after an outcome: a tree that got too little is promised no success, only what its wounds need. */
function promisedAfter(outcome: Outcome, checks: readonly PromisedCheck[]): PromisedCheck[] {
  if (outcome === 'treated') return [...checks]
  return outcome === 'partly treated' ? checks.filter((c) => c.afterDays !== undefined) : []
}

/** The tree's ports as everything that was done at them makes them, read under the hold. */
async function portsNow({ sql }: Pick<Context, 'sql'>, item: JobItemRow): Promise<RunningPort[]> {
  const events = await eventsOf(sql, item.id)
  return (await portsOfItems(sql, [item.id])).map((row) => {
    const port = foldPort(plannedPort(row), events.get(row.id) ?? [])
    if (!port.ok) throw new Error(`port ${row.id}: ${port.problem.message}`)
    return port.value
  })
}

/** The lot as it stands on the shelf, by its number off the package; an expired one is refused. */
async function lotOnShelf(
  { sql, today }: Context,
  item: JobItemRow,
  number: string,
): Promise<Result<string>> {
  const lots = await lotsOf(sql, item.labelCode)
  const good = lots.filter((l) => l.expiresOn === null || l.expiresOn >= today)
  const others = good.map((l) => l.number).join(', ') || 'no lot that is still good'
  const lot = lots.find((l) => l.number.toLowerCase() === number.toLowerCase())
  if (!lot)
    return refuse(
      'unknown',
      'lot',
      `Lot "${number}" is not on the shelf for ${item.labelName}. Read it off the package: ${others}.`,
    )
  return good.includes(lot)
    ? ok(lot.number)
    : refuse(
        'not-allowed',
        'lot',
        `Lot ${lot.number} expired on ${spokenDate(lot.expiresOn!)}. Use another: ${others}.`,
      )
}

function readWeather(
  { person, at }: Context,
  timeZone: string,
  input: z.infer<typeof Input>,
): Result<{ temperatureC: Temperature; windMs: Speed }> {
  const temperature = readQuantity(input.temperature, 'temperature', 'temperature', {
    bareUnit: person.units === 'us' ? 'F' : 'C',
    name: 'Temperature',
  })
  if (!temperature.ok) return temperature
  if (temperature.value.si < -40 || temperature.value.si > 55)
    return refuse(
      'out-of-range',
      'temperature',
      'The temperature is not one for working outdoors; check the number and the unit.',
    )
  const wind = readQuantity(input.wind, 'speed', 'wind', {
    bareUnit: person.units === 'us' ? 'mph' : 'm/s',
    name: 'Wind',
  })
  if (!wind.ok) return wind
  if (wind.value.si < 0 || wind.value.si > 60)
    return refuse('out-of-range', 'wind', 'The wind speed cannot be; check the number and the unit.')
  const asked = doubtWeather(
    { temperature: temperature.value.si, wind: wind.value.si },
    simulatedWeather(timeZone, at),
    person.units,
    input.accepted,
  )
  if (!asked.ok) return asked
  return ok({ temperatureC: temperature.value.si, windMs: wind.value.si })
}

function rateWords(choice: number): string {
  if (choice === 0) return 'low'
  return choice === 1 ? 'high' : `${Math.round(choice * 100)} % from low to high`
}

function iso(ms: number | null): string | null {
  return ms === null ? null : new Date(ms).toISOString()
}
