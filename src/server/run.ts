import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { z } from 'zod'
import {
  foldStep,
  isIn,
  isOver,
  pressStep,
  productOn,
  type RunningStep,
  type StepEvent,
} from '@/core/methods/running'
import { readLine, withUnit } from '@/core/methods/lines'
import { readProduct } from '@/core/methods/readProduct'
import { showProduct } from '@/core/methods/showProduct'
import { readInjectionUse } from '@/core/methods/trunk-injection/terms'
import { sayTask } from '@/core/methods/say'
import { isTaskOver } from '@/core/methods/task'
import { eachHole, holesIn, marksOn, roundOf } from '@/core/ports/marks'
import { refusalAt } from '@/core/ports/move'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import { closeGround, confirmSubjects, jobSubjectsForChange, type JobSubjectRow } from '@/db/queries/job'
import { holesOfTree, marksOfTree } from '@/db/queries/ring'
import {
  eventsOfSubject,
  noteStepEvent,
  stepsOfSubjects,
  subjectsOfSteps,
  type WorkStepRow,
} from '@/db/queries/workStep'
import { MOST_AT_ONCE } from './begin'
import { refusedByLimits } from './groundLimits'
import { id, typed, words } from '@/asks/text'
import { backOnJob, enterAway, unlessAway } from './away'
import { verb, type Context } from './verb'
import { whyStopped } from './whyNotBegun'

/** Devices in reach show each other's presses some seconds late; so far apart they still count in order of arrival. */
const SLACK_MS = 120_000

const Press = z.strictObject({
  eventId: id('eventId'),
  stepId: id('stepId'),
  kind: z.enum(['drill', 'start', 'stop', 'out', 'give-up', 'undo', 'move', 'do']),
  reason: words('Reasons', 200),
  /** Typed, such as `4 mL`. */
  left: typed('What is left', 100).nullable().default(null),
  bearing: z.int().min(0).max(359).nullable().default(null),
  /** How often more a task was done; all that is left of it when not given. */
  times: z.int().min(1).max(100_000).nullable().default(null),
  /** What was measured out, typed, where it is not what was planned. */
  amount: typed('What went on', 100).nullable().default(null),
  /** What was written down at it, typed. */
  noted: typed('What was noted', 300).nullable().default(null),
  /** What is taken back, by its id. */
  of: id('of').nullable().default(null),
  /** The how-manieth press of its device. */
  seq: z.int().min(0).max(1_000_000_000).nullable().default(null),
})
type Press = z.output<typeof Press>

/** One step at a tree, with the device's time. */
export const markStepVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.stepId,
  makes: (i) => i.eventId,
  input: Press,
  run: async (context, input): Promise<Result<{ state: RunningStep }>> => {
    const marked = await mark(context, [input])
    return marked.ok ? ok({ state: marked.value[0]! }) : marked
  },
})

/** Many steps by one press: a row of trees ticked, all empties pulled. All of them are done, or none. */
export const markStepsVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.presses[0]!.stepId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    presses: z
      .array(Press)
      .min(1)
      .max(4 * MOST_AT_ONCE),
  }),
  run: async (context, input): Promise<Result<{ marked: number }>> => {
    const marked = await mark(context, input.presses)
    return marked.ok ? ok({ marked: marked.value.length }) : marked
  },
})

async function mark(context: Context, presses: readonly Press[]): Promise<Result<RunningStep[]>> {
  const { sql } = context
  const bySubject = new Map<string, Press[]>()
  const owners = await subjectsOfSteps(sql, [...new Set(presses.map((p) => p.stepId))])
  for (const press of presses) {
    const owner = owners.get(press.stepId)
    if (owner === undefined) return refuse('unknown', 'stepId', 'There is no such step.')
    bySubject.set(owner, [...(bySubject.get(owner) ?? []), press])
  }
  const subjects = await jobSubjectsForChange(sql, [...bySubject.keys()])
  const several = subjects.length > 1
  const states: RunningStep[] = []
  const trees = new Set(subjects.map((s) => s.treeId)).size
  for (const subject of subjects) {
    const marked = await markAt(context, subject, bySubject.get(subject.id)!, trees)
    if (!marked.ok)
      return several
        ? { ok: false, problem: { ...marked.problem, message: `${subject.tag}: ${marked.problem.message}` } }
        : marked
    states.push(...marked.value)
  }
  return ok(states)
}

/** Presses at the steps of one tree, which is held. */
async function markAt(
  context: Context,
  found: JobSubjectRow,
  presses: readonly Press[],
  /** At so many by one movement of the hand. */
  trees: number,
): Promise<Result<RunningStep[]>> {
  const { sql, person, at } = context
  const [subject = found] = await backOnJob(context, [found])
  const recorded = subject.status === 'recorded'
  const opens = presses.some((p) => ['drill', 'start', 'move', 'do'].includes(p.kind))
  const refused = await unlessAway(
    context,
    subject,
    () =>
      recorded
        ? refuse(
            'conflict',
            'stepId',
            'This tree is signed and recorded; add a correction to the record instead.',
          )
        : null,
    () =>
      subject.confirmedAt
        ? null
        : refuse('not-allowed', 'stepId', 'Confirm the tag and the protective gear first.'),
    // What opens something is stopped; what closes it never is.
    () => (opens ? whyStopped(sql, subject) : null),
  )
  if (refused) return refused
  if (!subject.confirmedAt) await confirmSubjects(sql, [subject.id], at, {})
  const steps = await stepsOfSubjects(sql, [subject.id])
  const events = await eventsOfSubject(sql, subject.id)
  const states: RunningStep[] = []
  for (const press of presses) {
    const step = steps.find((s) => s.id === press.stepId)!
    const read = readPress(subject, step, press, person.units)
    if (!read.ok) return read
    const against = await unlessAway(
      context,
      subject,
      () => (press.kind === 'do' ? stepBefore(subject, steps, step, person.units) : null),
      () => beyondGround(context, subject, step, read.value.amount ?? 0),
      () => (press.kind === 'move' ? refusedMove(context, step, steps, subject, press.bearing) : null),
    )
    if (against) return against
    const before = events.get(step.id) ?? []
    const last = before.at(-1)?.at ?? 0
    // A device that counts its presses has put this one behind what it had seen.
    const when =
      press.seq === null && last >= at.getTime() && last - at.getTime() < SLACK_MS ? last + 1 : at.getTime()
    const eventAt = (time: number): StepEvent => ({
      ...read.value,
      at: time,
      ...(press.seq !== null && context.device !== null && { seq: press.seq, device: context.device }),
      ...(press.kind === 'do' && trees > 1 && { row: trees }),
    })
    let event = eventAt(when)
    let next = pressStep(step.n, step.what, before, [event])
    if (!next.ok && last >= when && !context.away) {
      // A clock that is far behind another makes no sense of what was pressed on the other before: then it counts as it arrived.
      event = eventAt(Math.max(last + 1, context.now.getTime()))
      next = pressStep(step.n, step.what, before, [event])
    }
    if (!next.ok && !context.away) return next
    const after = [...before, event]
    events.set(step.id, after)
    const state = next.ok ? next.value : foldStep(step.n, step.what, after).state
    // It changed nothing, and stays in the history.
    if (!next.ok) await enterAway(context, subject, next.problem.message)
    await noteStepEvent(sql, {
      firmId: person.firmId,
      stepId: step.id,
      jobSubjectId: subject.id,
      by: person.id,
      event,
      state,
      isIn: isIn(state),
      isOver: isOver(state),
    })
    step.state = state
    states.push(state)
  }
  // The ground is closed from the first drop, and open again when all of it was taken back.
  const closed = subject.use.reentryHours > 0 && productOn(steps.map((s) => s.state)) > 0
  if (!recorded && closed !== (subject.closedFrom !== null))
    await closeGround(sql, subject.id, closed ? at : null)
  return ok(states)
}

/** Refuses a step by hand while one that comes before it is neither done nor given up: what is poured before its basin runs off. */
function stepBefore(
  { plan, use }: JobSubjectRow,
  steps: readonly WorkStepRow[],
  step: WorkStepRow,
  units: 'us' | 'metric',
): Result<never> | null {
  const first = steps.find((s) => s.n < step.n && s.state.kind === 'task' && !isTaskOver(s.state))
  if (!first || first.what.kind !== 'task' || step.what.kind !== 'task') return null
  const name = (task: string) => sayTask(task, plan, use, units).name
  return refuse(
    'not-allowed',
    'stepId',
    `${name(first.what.task)} comes before ${name(step.what.task)}; tick that first, or say why it is not done.`,
  )
}

/** Refuses what a measure shows above the plan where the ground has no more left of it this year. */
async function beyondGround(
  context: Context,
  { useId: id, product, use, plan, siteId, timeZone }: JobSubjectRow,
  { what }: WorkStepRow,
  amount: number,
): Promise<Result<never> | null> {
  if (what.kind !== 'task' || amount <= what.product * (1 + 1e-9) || plan.active === null) return null
  const more = (plan.active * (amount - what.product)) / plan.product
  return refusedByLimits(context, siteId, dateIn(timeZone, context.now), [
    { row: { id, product, use }, subjects: [{ plan: { ...plan, active: more } }] },
  ])
}

/** A press in the shape the fold reads. */
function readPress(
  subject: JobSubjectRow,
  { what }: WorkStepRow,
  p: Press,
  units: 'us' | 'metric',
): Result<Omit<StepEvent, 'at'>> {
  const base = { id: p.eventId, kind: p.kind }
  switch (p.kind) {
    case 'give-up': {
      const left = readProduct(p.left ?? '0', subject.plan, 'left', 'What is left')
      return left.ok ? ok({ ...base, reason: p.reason ?? '', left: left.value.si }) : left
    }
    case 'move':
      return p.bearing === null
        ? refuse('missing', 'bearing', 'Say where the port goes.')
        : ok({ ...base, bearing: p.bearing })
    case 'do': {
      const note = what.kind === 'task' ? what.note : undefined
      const times = {
        ...(p.times !== null && { times: p.times }),
        ...(p.noted !== null && { noted: note ? withUnit(note, p.noted, units) : p.noted }),
      }
      const written = note && p.noted !== null ? readLine(note, p.noted, units, 'noted') : null
      if (written && !written.ok) return written
      if (p.amount === null) return ok({ ...base, ...times })
      const amount = readProduct(p.amount, subject.plan, 'amount', 'What went on')
      if (!amount.ok) return amount
      if (amount.value.si > subject.plan.most * (1 + 1e-9))
        return refuse(
          'over-label',
          'amount',
          `That is more than the label’s most for this tree, ${showProduct(subject.plan.most, subject.plan.kind, subject.method, units)}. Pour less.`,
        )
      return ok({ ...base, ...times, amount: amount.value.si })
    }
    case 'undo':
      return ok({ ...base, ...(p.of !== null && { of: p.of }) })
    default:
      return ok(base)
  }
}

async function refusedMove(
  { sql, now }: Context,
  step: WorkStepRow,
  steps: readonly WorkStepRow[],
  subject: JobSubjectRow,
  bearing: number | null,
): Promise<Result<never> | null> {
  const { plan, use } = subject
  if (bearing === null || step.state.kind !== 'port') return null
  if (!isByPorts(plan) || !isByPorts(use)) return null
  if (step.state.drilledAt !== null)
    return refuse('not-allowed', 'kind', `Port ${step.n} is drilled; a hole cannot be moved.`)
  const terms = readInjectionUse(use.terms)
  if (!terms.ok) return terms
  // Of several stems each is a trunk of its own, with its own ring.
  const { stem } = step.state
  const holes = eachHole(await holesOfTree(sql, subject.treeId))
  const round = roundOf(
    marksOn(await marksOfTree(sql, subject.treeId), stem ?? null),
    stem === undefined ? holes : holesIn(holes, stem),
    stem === undefined ? plan.shape.portGirth : plan.shape.stems![stem - 1]!.portGirth,
    dateIn(subject.timeZone, now),
  )
  const others = steps.flatMap((s) =>
    s.id !== step.id && s.state.kind === 'port' && s.state.stem === stem ? [s.state.bearing] : [],
  )
  const why = refusalAt(bearing, others, {
    ...round,
    count: others.length + 1,
    minSpacing: terms.value.minSpacing,
  })
  return why ? refuse('not-allowed', 'bearing', why) : null
}

/** The steps of trees as everything that was done at them makes them, from the events themselves, under the hold. */
export async function stepsNow(
  { sql }: Pick<Context, 'sql'>,
  jobSubjectId: string,
): Promise<{ n: number; what: WorkStepRow['what']; state: RunningStep }[]> {
  const events = await eventsOfSubject(sql, jobSubjectId)
  return (await stepsOfSubjects(sql, [jobSubjectId])).map(({ id: stepId, n, what }) => {
    return { n, what, state: foldStep(n, what, events.get(stepId) ?? []).state }
  })
}
