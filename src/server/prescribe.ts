import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { cause as causeOf } from '@/almanac/causes'
import { host as hostOf } from '@/almanac/hosts'
import { readInjectionUse } from '@/core/dose/labelCard'
import { refusedForBees } from '@/core/limits/bees'
import { refusedOnFood } from '@/core/limits/food'
import { mostDose } from '@/core/ports/outcome'
import { showMl } from '@/core/quantity/format'
import { planInjection, type InjectionPlanInput } from '@/core/dose/planInjection'
import { yearsBetween } from '@/core/ports/marks'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn, daysBetween, isDate, spokenDate } from '@/core/time/calendar'
import { recordsOfTree } from '@/db/queries/record'
import { decisionsOfTree, diagnosesOfTree, findingsOf } from '@/db/queries/assessment'
import { readingsOfTree, type ReadingRow } from '@/db/queries/reading'
import { holesOfTree, marksOfTree } from '@/db/queries/ring'
import { listingsOf, restage, treeForChange, type TreeRow } from '@/db/queries/tree'
import { addJobItem, jobItemForChange, jobOfDay } from '@/db/queries/job'
import {
  addPrescription,
  prescriptionOn,
  prescriptionsOfTree,
  withdrawPrescription,
} from '@/db/queries/prescription'
import { labelById, newestVersion, type LabelRow } from '@/db/queries/card'
import { portsOfItems } from '@/db/queries/port'
import { simulatedWeather } from '@/standins/weather'
import { kindOf, ownHosts } from './almanac'
import { seenOf, signsOfDanger } from './seen'
import { expectationsOf } from './promise'
import { standingTree } from './standing'
import { id, line, typed } from './text'
import { verb, type Context, type Reading } from './verb'
import { productOf, readRecord } from './ledger/body'
import { KIND_OPEN, NOT_MEASURED } from '@/core/plan/blocked'

/** A reading older than this is measured again before a dose rests on it. */
export const READING_GOOD_FOR_YEARS = 1

export function labelSource(label: Pick<LabelRow, 'code' | 'version'>): string {
  return `card ${label.code} v${label.version}`
}

/** The part of a plan that rests on the tree and the day; the person adds rate, girth at the ports and moves. */
export async function planBase(
  { sql, person, now }: Reading,
  tree: TreeRow,
  reading: ReadingRow,
): Promise<Omit<InjectionPlanInput, 'choice' | 'portGirth' | 'card' | 'bearings'>> {
  const { timeZone } = tree
  const weather = simulatedWeather(timeZone, now)
  const holes = await holesOfTree(sql, tree.id)
  const diameter = Math.hypot(...reading.stemsM)
  return {
    diameter,
    breastGirth: diameter * Math.PI,
    host: tree.host,
    wood: hostOf(tree.host)?.wood ?? 'diffuse-porous',
    marks: await marksOfTree(sql, tree.id),
    holes: holes.map((h) => ({ bearing: h.bearing, drilledOn: dateIn(timeZone, h.drilledAt) })),
    today: dateIn(timeZone, now),
    soil: weather.soil,
    temperature: weather.temperature,
    units: person.units,
    sources: {
      reading: `tape reading, ${spokenDate(dateIn(timeZone, reading.readAt))}`,
      label: '',
      weather: 'simulated weather of the hour',
    },
  }
}

/**
 * Signs an injection and hands it to the crew for a day. Everything is computed again here; what the screen showed is
 * only taken where it is the person's choice. A decision is handed over once.
 */
export const handToCrewVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    decisionId: id('decisionId'),
    labelId: id('labelId'),
    choice: z
      .number()
      .min(0, { error: 'The rate lies below the label’s low rate.' })
      .max(1, { error: 'The rate lies above the label’s high rate.' }),
    portGirth: typed('Girth at the ports'),
    bearings: z.array(z.int().min(0).max(359)).max(500),
    /** Whether people eat of this tree or from beneath it, where the almanac asks. */
    eaten: z.boolean().nullable().default(null),
    onDate: z
      .string()
      .refine(isDate, { error: 'The day is not a calendar date; choose it from the calendar.' }),
  }),
  run: async (context, input): Promise<Result<{ jobId: string }>> => {
    const { sql, person, now } = context
    const standing = await standingTree(context, input.treeId)
    if (!standing.ok) return standing
    const tree = standing.value
    // The day of the place where it will be done.
    const today = dateIn(tree.timeZone, now)
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
    const first = await prescriptionOn(sql, decision.id)
    if (first)
      return refuse(
        'conflict',
        'decisionId',
        `${first.signedBy} has handed this decision to the crew already${first.onDate ? `, for ${spokenDate(first.onDate)}` : ''}. Open that work under Run; to plan it anew, take that prescription back first.`,
      )
    const refused = causeOf(diagnosis.cause)?.refuses
    if (refused?.injection)
      return refuse('not-allowed', 'label', `No injection for this cause: ${refused.injection}`)
    if (!tree.identityConfirmedAt && hostOf(tree.host)?.confusedWith)
      return refuse('missing', 'identity', KIND_OPEN)
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
    const newest = await newestVersion(sql, label.code)
    if (newest > label.version)
      return refuse(
        'conflict',
        'labelId',
        `${label.name} v${label.version} was replaced by v${newest} since this page was opened; load it again and work the dose out by the new card.`,
      )
    if (!label.body.targets.includes(diagnosis.cause))
      return refuse(
        'not-allowed',
        'labelId',
        `${label.name} does not name this cause. Choose a card that does.`,
      )
    const kind = kindOf(tree.host, await ownHosts(sql))
    const kept =
      refusedForBees(kind?.noNeonicotinoid, label.body.actives) ??
      refusedOnFood({
        host: tree.host,
        edible: kind?.edible ?? false,
        askFood: kind?.askFood,
        eaten: input.eaten,
        forbiddenOnFood: label.body.forbiddenOnFood,
        foodCrops: label.body.foodCrops?.map((c) => c.host),
      })
    if (kept) return kept
    const unsafe = signsOfDanger(seenOf(await findingsOf(sql, diagnosis.assessmentId)))
    if (unsafe.length > 0)
      return refuse(
        'not-allowed',
        'action',
        `${unsafe.join(', ')}: nothing is drilled until a qualified risk assessor has looked. Decide anew and refer it.`,
      )
    const girth = readQuantity(input.portGirth, 'length', 'portGirth', {
      bareUnit: person.units === 'us' ? 'in' : 'cm',
      name: 'Girth at the ports',
    })
    if (!girth.ok) return girth
    const reading = (await readingsOfTree(sql, tree.id))[0]
    if (!reading) return refuse('missing', 'reading', NOT_MEASURED)
    const age = yearsBetween(reading.readAt.toISOString(), now.toISOString())
    if (age > READING_GOOD_FOR_YEARS + 0.01)
      return refuse(
        'out-of-range',
        'reading',
        'The reading is more than a year old; measure the trunk again before dosing.',
      )
    const base = await planBase(context, tree, reading)
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
    const over = await overWithEarlier(context, tree.id, label, base.diameter, dose.volume)
    if (over) return over
    const itemId = uuidv7()
    await addPrescription(sql, {
      id: input.id,
      firmId: person.firmId,
      treeId: tree.id,
      decisionId: decision.id,
      cause: diagnosis.cause,
      at: now,
      by: person.id,
      itemId,
      cardUseId: label.id,
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
    await restage(sql, tree.id)
    return ok({ jobId })
  },
})

/**
 * Refuses a dose that, with what the ledger says went in of the same product inside its retreatment interval, is more than
 * the label's most. Visits that come a quarter of a year early count as the next one.
 */
async function overWithEarlier(
  { sql, now }: Context,
  treeId: string,
  label: LabelRow,
  diameter: number,
  volume: number,
): Promise<Result<never> | null> {
  const terms = readInjectionUse(label.body.use)
  if (!terms.ok) return terms
  const most = mostDose(terms.value, diameter)
  if (most === null) return null
  const since = now.getTime() - (label.body.use.retreatYears - 0.25) * 365.25 * 86_400_000
  const earlier = (await recordsOfTree(sql, await listingsOf(sql, treeId)))
    .map(readRecord)
    .flatMap((r) =>
      r.kind === 'application' && r.body && r.signedAt.getTime() > since && productOf(r.body) === label.code
        ? [{ seq: r.seq, volume: r.body.volumeM3 }]
        : [],
    )
  const went = earlier.reduce((sum, r) => sum + r.volume, 0)
  if (went + volume <= most * (1 + 1e-9) || went === 0) return null
  return refuse(
    'over-label',
    'choice',
    `${showMl(went)} of ${label.name} went into this tree already (record ${earlier[0]!.seq}). With ${showMl(volume)} more that is above the label’s most of ${showMl(most)}. Choose a lower rate, or wait for the retreatment.`,
  )
}

/** Takes a prescription back before any of it was done, so that it can be planned anew. */
export const withdrawPrescriptionVerb = verb({
  roles: ['arborist'],
  about: (i) => i.prescriptionId,
  input: z.strictObject({
    treeId: id('treeId'),
    prescriptionId: id('prescriptionId'),
    words: line('Why it is taken back', 300, 4),
  }),
  run: async ({ sql }, input): Promise<Result<{ withdrawn: true }>> => {
    const tree = await treeForChange(sql, input.treeId)
    const found = tree && (await prescriptionsOfTree(sql, tree.id)).find((p) => p.id === input.prescriptionId)
    if (!tree || !found)
      return refuse('unknown', 'prescriptionId', 'There is no such prescription of this tree.')
    if (found.status !== 'handed')
      return refuse(
        'conflict',
        'prescriptionId',
        found.status === 'withdrawn'
          ? 'This prescription was taken back already.'
          : 'This prescription is recorded; what was done stands.',
      )
    if (found.jobItemId) {
      const item = await jobItemForChange(sql, found.jobItemId)
      const begun = item ? (await portsOfItems(sql, [item.id])).filter((p) => p.drilledAt !== null) : []
      if (begun.length > 0)
        return refuse(
          'conflict',
          'prescriptionId',
          `The crew has begun: ${begun.length} ${begun.length === 1 ? 'port is' : 'ports are'} drilled. Decide anew instead; the crew then opens nothing more and records what is in.`,
        )
    }
    await withdrawPrescription(sql, found.id, input.words)
    await restage(sql, tree.id)
    return ok({ withdrawn: true })
  },
})
