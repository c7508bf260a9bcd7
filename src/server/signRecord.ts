import { z } from 'zod'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { volumeApplied, whyNotFinished } from '@/core/ports/running'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn } from '@/core/time/calendar'
import { addRecord } from '@/db/queries/record'
import { readingsOfTree, treeById } from '@/db/queries/tree'
import { closeJobItem, jobById, jobItemById, lotsOf, portsOfItems } from '@/db/queries/work'
import { promiseChecks, type PromisedCheck } from './promise'
import { runningPort } from './run'
import { id, line, verb, words } from './verb'

/**
 * Signs the record of a tree: only when everything is out and counted. The body is written here from what was
 * prescribed and what was done, closes the tree in the job and puts the promised checks into the calendar.
 */
export const signRecordVerb = verb({
  roles: ['crew lead', 'arborist'],
  about: (i) => i.jobItemId,
  input: z.strictObject({
    id: id(),
    jobItemId: id('jobItemId'),
    lot: line('Lot', 60),
    temperature: z.string().max(100),
    wind: z.string().max(100),
    windFrom: z.enum(['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm']),
    sky: line('Sky', 60),
    soil: z.enum(['moist', 'dry', 'saturated']),
    counted: z.int({ error: 'Type how many empties you counted in.' }).min(0).max(500),
    notices: line('Notices', 300),
    deviations: words('Deviations'),
  }),
  run: async ({ sql, person, now, today }, input): Promise<Result<{ recordId: string }>> => {
    const item = await jobItemById(sql, input.jobItemId)
    if (!item) return refuse('unknown', 'jobItemId', 'There is no such tree in this job.')
    if (item.recordId) return ok({ recordId: item.recordId })
    if (!person.licence)
      return refuse(
        'not-allowed',
        'role',
        'Your licence is not on file; the office enters it before you can sign.',
      )
    const rows = await portsOfItems(sql, [item.id])
    const ports = rows.map(runningPort)
    const unfinished = whyNotFinished(ports)
    if (unfinished) return refuse('not-allowed', 'ports', unfinished)
    const set = ports.filter((p) => p.startedAt !== null)
    if (input.counted !== set.length)
      return refuse(
        'conflict',
        'counted',
        `You counted ${input.counted} empties, but ${set.length} were set. Find the difference before you sign.`,
      )
    const lots = await lotsOf(sql, item.labelCode)
    const lot = lots.find((l) => l.number.toLowerCase() === input.lot.toLowerCase())
    if (!lot)
      return refuse(
        'unknown',
        'lot',
        `Lot "${input.lot}" is not on the shelf for ${item.labelName}. Read it off the package: ${lots.map((l) => l.number).join(', ') || 'no lots on file'}.`,
      )
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
    const tree = (await treeById(sql, item.treeId))!
    const job = (await jobById(sql, item.jobId))!
    const reading = (await readingsOfTree(sql, item.treeId))[0]
    const starts = ports.map((p) => p.drilledAt).filter((t): t is number => t !== null)
    const body = {
      applicator: { name: person.name, licence: person.licence },
      firm: person.firmName,
      place: { site: job.siteName, town: person.town },
      tree: {
        tag: item.tag,
        kind: hostName(item.host),
        diameterM: item.dose.diameterM,
        readOn: reading ? dateIn(person.timeZone, reading.readAt) : null,
        portGirthM: item.dose.portGirthM,
      },
      target: causeName(item.cause),
      method: 'trunk injection',
      hardware: item.label.use.hardware,
      product: {
        name: item.labelName,
        registration: item.registration,
        card: `${item.labelCode} v${item.labelVersion}`,
        lot: lot.number,
        actives: item.label.actives,
      },
      rate:
        item.dose.choice === 0
          ? 'low'
          : item.dose.choice === 1
            ? 'high'
            : `${Math.round(item.dose.choice * 100)} % from low to high`,
      volumeM3: volumeApplied(ports),
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
      startedAt: iso(starts.length > 0 ? Math.min(...starts) : now.getTime()),
      endedAt: now.toISOString(),
      countedIn: input.counted,
      weather: {
        temperatureC: temperature.value.si,
        windMs: wind.value.si,
        windFrom: input.windFrom,
        sky: input.sky,
        soil: input.soil,
        typed: { temperature: input.temperature, wind: input.wind },
      },
      reentryUntil: new Date(now.getTime() + item.label.reentryHours * 3_600_000).toISOString(),
      notices: input.notices,
      deviations: input.deviations,
      working: item.working,
    }
    await addRecord(sql, {
      id: input.id,
      firmId: person.firmId,
      kind: 'application',
      corrects: null,
      treeId: item.treeId,
      siteId: tree.siteId,
      jobItemId: item.id,
      signedAt: now,
      signedBy: person.id,
      body,
    })
    await closeJobItem(sql, item.id)
    const promised = await sql<
      { expectations: PromisedCheck[] }[]
    >`select expectations from prescription_item where id = ${item.itemId}`
    await promiseChecks(
      { sql, person },
      {
        treeId: item.treeId,
        prescriptionId: item.prescriptionId,
        on: today,
        checks: promised[0]!.expectations,
      },
    )
    return ok({ recordId: input.id })
  },
})

function iso(ms: number | null): string | null {
  return ms === null ? null : new Date(ms).toISOString()
}
