import { ok, refuse, type Problem, type Result } from '../../problem'
import { areApart, inTime, type Folded, type Idle, type Pressed } from '../pressed'
import { showMl } from '../../quantity/format'

/** A port through its day: planned, drilled, taking up, empty or given up, and out of the tree again. Epoch ms. */
export interface RunningPort {
  number: number
  bearing: number
  /** Which of several stems it is in, from 1; left out on one trunk. */
  stem?: number
  /** What is in the bottle, m³: product, or product and water. */
  volume: number
  /** Share of product in it; left out where it is all product. */
  share?: number
  drilledAt: number | null
  startedAt: number | null
  stoppedAt: number | null
  outAt: number | null
  /** What was still in it when it was stopped, m³. */
  left: number
  givenUp: string | null
}

export type PortStep =
  | { kind: 'drill'; at: number }
  | { kind: 'start'; at: number }
  | { kind: 'stop'; at: number }
  | { kind: 'out'; at: number }
  | { kind: 'give-up'; at: number; reason: string; left: number }
  | { kind: 'move'; at: number; bearing: number }
  /** Takes the last step back; `of` is what was last when it was pressed, by its id. */
  | { kind: 'undo'; at: number; of?: string }

export type PortStage = 'planned' | 'drilled' | 'taking up' | 'empty' | 'done' | 'given up'

/** A port as it was planned, before anything was done at it. */
export function plannedPort(
  number: number,
  planned: { bearing: number; product: number; mix?: number; stem?: number },
): RunningPort {
  return {
    number,
    bearing: planned.bearing,
    ...(planned.stem !== undefined && { stem: planned.stem }),
    volume: planned.mix ?? planned.product,
    ...(planned.mix !== undefined && { share: planned.product / planned.mix }),
    drilledAt: null,
    startedAt: null,
    stoppedAt: null,
    outAt: null,
    left: 0,
    givenUp: null,
  }
}

/** Where a port stands. A given-up port is done once nothing of it is left in the tree. */
export function stageOf(port: RunningPort): PortStage {
  if (port.givenUp !== null) return port.outAt !== null || port.startedAt === null ? 'given up' : 'empty'
  if (port.outAt !== null) return 'done'
  if (port.stoppedAt !== null) return 'empty'
  if (port.startedAt !== null) return 'taking up'
  if (port.drilledAt !== null) return 'drilled'
  return 'planned'
}

/** True while a bottle or capsule of this port is in the tree. */
export function isInTree(port: RunningPort): boolean {
  return port.startedAt !== null && port.outAt === null
}

/**
 * One step at a port. Steps out of order are refused with what to do first, so that no empty can be forgotten and no
 * clock can run on an undrilled port.
 */
export function stepPort(port: RunningPort, step: PortStep): Result<RunningPort> {
  const no = (message: string) => refuse('not-allowed', 'kind', message)
  const name = `Port ${port.number}`
  switch (step.kind) {
    case 'drill':
      if (port.drilledAt !== null) return no(`${name} is drilled already.`)
      if (port.givenUp !== null) return no(`${name} was given up; undo that first.`)
      return ok({ ...port, drilledAt: step.at })
    case 'start':
      if (port.drilledAt === null) return no(`${name} is not drilled yet; drill it first.`)
      if (port.startedAt !== null) return no(`The clock of port ${port.number} runs already.`)
      if (port.givenUp !== null) return no(`${name} was given up; undo that first.`)
      return ok({ ...port, startedAt: step.at })
    case 'stop':
      if (port.startedAt === null) return no(`The clock of port ${port.number} has not been started.`)
      if (port.stoppedAt !== null) return no(`The clock of port ${port.number} is stopped already.`)
      return ok({ ...port, stoppedAt: step.at })
    case 'out':
      if (port.startedAt === null) return no(`Nothing was set in port ${port.number}.`)
      if (port.stoppedAt === null) return no(`Port ${port.number} is still taking up; stop its clock first.`)
      if (port.outAt !== null) return no(`Port ${port.number} is counted in already.`)
      return ok({ ...port, outAt: step.at })
    case 'give-up':
      if (port.stoppedAt !== null) return no(`The clock of port ${port.number} is stopped already.`)
      if (port.givenUp !== null) return no(`${name} was given up already.`)
      if (step.reason.trim() === '')
        return refuse('missing', 'reason', `Say why port ${port.number} was given up.`)
      if (!(step.left >= 0 && step.left <= port.volume * (1 + 1e-9)))
        return refuse(
          'out-of-range',
          'left',
          `Port ${port.number} was charged with ${showMl(port.volume)}: what is left in it is from 0 to that. Read the bottle and type what it still holds.`,
        )
      return ok({
        ...port,
        givenUp: step.reason.trim(),
        left: port.startedAt === null ? port.volume : step.left,
        stoppedAt: port.startedAt === null ? null : step.at,
      })
    case 'move':
      if (port.drilledAt !== null) return no(`${name} is drilled; a hole cannot be moved.`)
      return ok({ ...port, bearing: step.bearing })
    case 'undo':
      if (port.outAt !== null) return ok({ ...port, outAt: null })
      if (port.givenUp !== null) return ok({ ...port, givenUp: null, left: 0, stoppedAt: null })
      if (port.stoppedAt !== null) return ok({ ...port, stoppedAt: null })
      if (port.startedAt !== null) return ok({ ...port, startedAt: null })
      if (port.drilledAt !== null) return ok({ ...port, drilledAt: null })
      return no(`Nothing has been done at port ${port.number} yet.`)
  }
}

/** A step as it was sent from a device. */
export type PortEvent = PortStep & Pressed

/**
 * A port from its plan and everything that happened at it, whatever order that arrived in ({@link inTime}). A press that cannot be is
 * idle, as {@link stepPort} says why. Of two devices that could not see each other: what was opened counts though the other had given the
 * port up, as it was done; and of two that gave it up, what the later hand read in the bottle.
 *
 * @example foldPort(planned, [{ kind: 'start', id: 'b', at: 2 }, { kind: 'drill', id: 'a', at: 1 }]).state // taking up
 */
export function foldPort(planned: RunningPort, events: readonly PortEvent[]): Folded<RunningPort> {
  let port = planned
  const idle: Idle[] = []
  // What stands, the newest last; a press meant for an older step than that came too late to take back anything.
  const standing: PortEvent[] = []
  for (const event of inTime(events)) {
    const given = standing.findLast((e) => e.kind === 'give-up') ?? null
    const elsewhere = port.givenUp !== null && areApart(given, event)
    const from =
      elsewhere && opensAnew(event, port) ? { ...port, givenUp: null, left: 0, stoppedAt: null } : port
    const next = from === port ? within(port, event, standing) : stepPort(from, event)
    if (!next.ok) {
      idle.push({ id: event.id, problem: next.problem })
      continue
    }
    if (from !== port) standing.splice(standing.indexOf(given!), 1)
    if (event.kind === 'undo') standing.pop()
    else standing.push(event)
    port = next.value
  }
  return { state: port, idle, last: standing.at(-1)?.id ?? null }
}

/** True for a press that was done, or read, by a hand that could not know that the port was given up. */
function opensAnew(event: PortEvent, port: RunningPort): boolean {
  return (
    (event.kind === 'drill' && port.drilledAt === null) ||
    (event.kind === 'start' && port.startedAt === null) ||
    (event.kind === 'give-up' && port.outAt === null)
  )
}

function within(
  port: RunningPort,
  event: PortEvent,
  standing: readonly PortEvent[],
): { ok: true; value: RunningPort } | { ok: false; problem: Problem } {
  return event.kind === 'undo' && event.of !== undefined && event.of !== standing.at(-1)?.id
    ? refuse(
        'conflict',
        'kind',
        `Somebody has gone on at port ${port.number} since; look again before anything is taken back.`,
      )
    : stepPort(port, event)
}

/** What of the product went in by a port: charged and started, less what was left. m³. */
export function productIn(port: RunningPort): number {
  return port.startedAt === null ? 0 : (port.volume - port.left) * (port.share ?? 1)
}

/** What of the product went into the tree. m³. */
export function volumeApplied(ports: readonly RunningPort[]): number {
  return ports.reduce((sum, p) => sum + productIn(p), 0)
}

/** Why a tree cannot be signed off yet, as a sentence; null when it can. */
export function whyNotFinished(ports: readonly RunningPort[]): string | null {
  const inTree = ports.filter(isInTree)
  if (inTree.length > 0)
    return `${inTree.length} still in the tree: ${portList(inTree)}. Stop the clocks, pull them and count them in.`
  const open = ports.filter((p) => stageOf(p) === 'planned' || stageOf(p) === 'drilled')
  if (open.length > 0) return `Nothing was set in ${portList(open)}. Set it, or say why it will not be.`
  return null
}

function portList(ports: readonly RunningPort[]): string {
  return ports.length === 1 ? `port ${ports[0]!.number}` : `ports ${ports.map((p) => p.number).join(', ')}`
}
