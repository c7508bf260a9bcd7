import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { cause as causeOf } from '@/almanac/causes'
import { host as hostOf } from '@/almanac/hosts'
import { planInjection, type InjectionPlanInput } from '@/core/dose/planInjection'
import { yearsBetween } from '@/core/ports/marks'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn, daysBetween, isDate, spokenDate } from '@/core/time/calendar'
import { decisionsOfTree, diagnosesOfTree } from '@/db/queries/assessment'
import { holesOfTree, marksOfTree, readingsOfTree, treeById, type ReadingRow } from '@/db/queries/tree'
import { addJobItem, addPrescription, jobOfDay, labelById, type LabelRow } from '@/db/queries/work'
import { simulatedWeather } from '@/standins/weather'
import { expectationsOf } from './promise'
import { id, verb, type Context } from './verb'

/** A reading older than this is measured again before a dose rests on it. */
export const READING_GOOD_FOR_YEARS = 1

export function labelSource(label: Pick<LabelRow, 'code' | 'version'>): string {
  return `card ${label.code} v${label.version}`
}

/** The part of a plan that rests on the tree and the day; the person adds rate, girth at the ports and moves. */
export async function planBase(
  { sql, person, now, today }: Context,
  treeId: string,
  reading: ReadingRow,
): Promise<Omit<InjectionPlanInput, 'choice' | 'portGirth' | 'card' | 'bearings'>> {
  const tree = (await treeById(sql, treeId))!
  const weather = simulatedWeather(person.timeZone, now)
  const holes = await holesOfTree(sql, treeId)
  const diameter = Math.hypot(...reading.stemsM)
  return {
    diameter,
    breastGirth: diameter * Math.PI,
    host: tree.host,
    wood: hostOf(tree.host)?.wood ?? 'diffuse-porous',
    marks: await marksOfTree(sql, treeId),
    holes: holes.map((h) => ({ bearing: h.bearing, drilledOn: dateIn(person.timeZone, h.drilledAt) })),
    today,
    soil: weather.soil,
    temperature: weather.temperature,
    units: person.units,
    sources: {
      reading: `tape reading, ${spokenDate(dateIn(person.timeZone, reading.readAt))}`,
      label: '',
      weather: 'simulated weather of the hour',
    },
  }
}

/**
 * Signs an injection and hands it to the crew for a day. Everything is computed again here; what the screen showed is
 * only taken where it is the person's choice. A second send of the same prescription changes nothing.
 */
export const handToCrewVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    decisionId: id('decisionId'),
    labelId: id('labelId'),
    choice: z
      .number()
      .min(0, { error: 'The rate lies below the label’s low rate.' })
      .max(1, { error: 'The rate lies above the label’s high rate.' }),
    portGirth: z.string().max(200),
    bearings: z.array(z.int().min(0).max(359)).max(500),
    onDate: z
      .string()
      .refine(isDate, { error: 'The day is not a calendar date; choose it from the calendar.' }),
  }),
  run: async (context, input): Promise<Result<{ jobId: string }>> => {
    const { sql, person, today, now } = context
    const tree = await treeById(sql, input.treeId)
    if (!tree) return refuse('unknown', 'treeId', 'There is no such tree.')
    const decision = (await decisionsOfTree(sql, tree.id))[0]
    const diagnosis = (await diagnosesOfTree(sql, tree.id))[0]
    if (!decision || !diagnosis || decision.id !== input.decisionId || decision.diagnosisId !== diagnosis.id)
      return refuse(
        'conflict',
        'decisionId',
        'The decision has changed since this page was opened; load it again.',
      )
    if (decision.action !== 'treat')
      return refuse(
        'not-allowed',
        'decisionId',
        `The decision is to ${decision.action}, not to treat. Decide anew first.`,
      )
    const refused = causeOf(diagnosis.cause)?.refuses
    if (refused?.injection)
      return refuse('not-allowed', 'label', `No injection for this cause: ${refused.injection}`)
    if (!tree.identityConfirmedAt && hostOf(tree.host)?.confusedWith)
      return refuse(
        'missing',
        'identity',
        'Confirm what kind of tree it is first: it has look-alikes that this treatment does nothing for.',
      )
    if (input.onDate < today)
      return refuse('out-of-range', 'onDate', 'The day lies in the past; choose today or later.')
    if (daysBetween(today, input.onDate) > 366)
      return refuse(
        'out-of-range',
        'onDate',
        'The day is more than a year away; the reading would be too old. Choose a nearer day.',
      )
    const label = await labelById(sql, input.labelId)
    if (!label) return refuse('unknown', 'labelId', 'There is no such label card.')
    if (!label.body.targets.includes(diagnosis.cause))
      return refuse(
        'not-allowed',
        'labelId',
        `${label.name} does not name this cause. Choose a card that does.`,
      )
    const girth = readQuantity(input.portGirth, 'length', 'portGirth', {
      bareUnit: person.units === 'us' ? 'in' : 'cm',
      name: 'Girth at the ports',
    })
    if (!girth.ok) return girth
    const reading = (await readingsOfTree(sql, tree.id))[0]
    if (!reading)
      return refuse('missing', 'reading', 'The trunk has not been measured; take a reading first.')
    const age = yearsBetween(reading.readAt.toISOString(), now.toISOString())
    if (age > READING_GOOD_FOR_YEARS + 0.01)
      return refuse(
        'out-of-range',
        'reading',
        'The reading is more than a year old; measure the trunk again before dosing.',
      )
    const base = await planBase(context, tree.id, reading)
    const plan = planInjection({
      ...base,
      card: label.body,
      choice: input.choice,
      portGirth: girth.value.si,
      bearings: input.bearings,
      sources: { ...base.sources, label: labelSource(label) },
    })
    if (!plan.ok) return plan
    if (!plan.value.uptake.ok) return plan.value.uptake
    const { dose, layout, bestBearings, uptake } = plan.value
    if (layout.missing > 0)
      return refuse(
        'not-allowed',
        'bearings',
        `${layout.missing} of ${dose.ports} ports cannot be placed on sound wood. Choose another method or let the trunk rest.`,
      )
    const itemId = uuidv7()
    const added = await addPrescription(sql, {
      id: input.id,
      firmId: person.firmId,
      treeId: tree.id,
      decisionId: decision.id,
      cause: diagnosis.cause,
      at: now,
      by: person.id,
      itemId,
      labelCardId: label.id,
      readingId: reading.id,
      dose: {
        choice: input.choice,
        portGirthM: girth.value.si,
        diameterM: base.diameter,
        volumeM3: dose.volume,
        perPortM3: dose.perPort,
        uptake: { from: uptake.value.from, to: uptake.value.to },
        ports: layout.ports.map((p) => ({ ...p, moved: !bestBearings.includes(p.bearing) })),
        largestGapM: layout.largestGap,
      },
      working: plan.value.working,
      expectations: expectationsOf(tree.liveCrownPercent ?? 70, label.body.use.retreatYears),
    })
    if (added === 'repeated') {
      const rows = await sql<{ jobId: string }[]>`
        select ji.job_id as "jobId" from job_item ji join prescription_item i on i.id = ji.prescription_item_id where i.prescription_id = ${input.id}`
      return rows[0]
        ? ok({ jobId: rows[0].jobId })
        : refuse('conflict', 'id', 'This prescription was sent already.')
    }
    const jobId = await jobOfDay(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      siteId: tree.siteId,
      onDate: input.onDate,
      title: 'Trunk injection',
    })
    await addJobItem(
      sql,
      { id: uuidv7(), firmId: person.firmId, jobId, itemId, treeId: tree.id },
      layout.ports.map((p, i) => ({
        id: uuidv7(),
        number: i + 1,
        bearing: p.bearing,
        volumeM3: dose.perPort,
      })),
    )
    return ok({ jobId })
  },
})
