import { inFirm } from '@/db/client'
import { readingsOfTree } from '@/db/queries/reading'
import { restage, treeById } from '@/db/queries/tree'
import { rowsThatDisagree } from './pairs.checks'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeFirm,
  NOON,
  recordInput,
  runAsh,
  uuidv7,
  type TestFirm,
} from './scenario'

/**
 * Any two steps on one tree, taken at the same moment by two people: each is done or refused with a sentence, never an
 * error; and whatever came first, what the lists and totals say of the tree afterwards is what its rows say.
 */

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Pair firm')
})
afterAll(() => closePool())

interface Step {
  verb: string
  by: 'arborist' | 'crew lead' | 'technician' | 'office'
  input: Record<string, unknown>
}

const LATER = new Date(NOON.getTime() + 60_000)
let count = 0

/** What can be done to a tree that is decided and not yet handed over. */
async function decided() {
  const tag = `D-${count++}`
  const { treeId, decisionId, prescription } = await decideAsh(firm, tag)
  const tree = (await inFirm(firm.id, (sql) => treeById(sql, treeId)))!
  const [reading] = await inFirm(firm.id, (sql) => readingsOfTree(sql, treeId))
  const { version } = tree
  const steps: Record<string, Step> = {
    read: {
      verb: 'add-reading',
      by: 'crew lead',
      input: { id: uuidv7(), treeId, tape: 'girth', bareUnit: 'in', stems: ['52 1/4'] },
    },
    strike: {
      verb: 'strike-reading',
      by: 'arborist',
      input: { treeId, readingId: reading!.id, words: 'wrong tree' },
    },
    rename: {
      verb: 'change-tree',
      by: 'office',
      input: { treeId, version, tag: `${tag}b`, host: 'ash', note: null, liveCrownPercent: 75 },
    },
    move: { verb: 'move-tree', by: 'office', input: { treeId, version, eastM: 2, northM: 2 } },
    look: {
      verb: 'set-finding',
      by: 'crew lead',
      input: { treeId, assessmentId: uuidv7(), finding: 'soil-dry', state: 'there' },
    },
    otherwise: await decidedOtherwise(treeId, decisionId),
    hand: { verb: 'hand-to-crew', by: 'arborist', input: prescription },
    leave: { verb: 'remove-tree', by: 'arborist', input: { treeId, version, words: 'felled last week' } },
    kind: { verb: 'confirm-identity', by: 'arborist', input: { treeId, host: 'ash' } },
    ring: { verb: 'save-ring', by: 'arborist', input: { treeId, version, marks: [] } },
  }
  return { treeId, steps }
}

/** What can be done to a tree that the crew stands at; with `givenUp`, nothing went in and it waits for its record. */
async function withCrew(givenUp = false) {
  const { treeId, subject, ports, decisionId, prescription } = await runAsh(firm, `R-${count++}`)
  if (givenUp)
    for (const p of ports)
      await done(firm.person('technician'), 'mark-step', {
        eventId: uuidv7(),
        stepId: p.id,
        kind: 'give-up',
        reason: 'rain',
        left: '9 mL',
      })
  const tree = (await inFirm(firm.id, (sql) => treeById(sql, treeId)))!
  const port = (kind: string, more = {}): Step => ({
    verb: 'mark-step',
    by: 'technician',
    input: { eventId: uuidv7(), stepId: ports[0]!.id, kind, ...more },
  })
  const steps: Record<string, Step> = {
    drill: port('drill'),
    undo: port('undo'),
    giveUp: port('give-up', { reason: 'rain', left: '9 mL' }),
    takeBack: {
      verb: 'withdraw-prescription',
      by: 'arborist',
      input: { treeId, prescriptionId: prescription.id, words: 'wrong rate' },
    },
    otherwise: await decidedOtherwise(treeId, decisionId),
    sign: {
      verb: 'sign-record',
      by: 'crew lead',
      input: { ...recordInput(subject.id, 0), accepted: ['not treated', 'outside', 'short'] },
    },
    leave: {
      verb: 'remove-tree',
      by: 'arborist',
      input: { treeId, version: tree.version, words: 'felled last week' },
    },
    read: {
      verb: 'add-reading',
      by: 'arborist',
      input: { id: uuidv7(), treeId, tape: 'girth', bareUnit: 'in', stems: ['52 1/4'] },
    },
  }
  return { treeId, steps }
}

/** A newer decision that ends the treatment. */
async function decidedOtherwise(treeId: string, decisionId: string): Promise<Step> {
  return {
    verb: 'sign-decision',
    by: 'arborist',
    input: {
      id: uuidv7(),
      treeId,
      diagnosisId: await diagnosisOf(decisionId),
      over: decisionId,
      action: 'remove',
      words: 'the client wants it gone',
      due: '2026-06-30',
    },
  }
}

async function diagnosisOf(decisionId: string): Promise<string> {
  const [row] = await inFirm(
    firm.id,
    (sql) => sql<{ id: string }[]>`select diagnosis_id as id from decision where id = ${decisionId}`,
  )
  return row!.id
}

/** What is kept beside the rows, against the rows themselves. */
async function whatDoesNotAgree(treeId: string): Promise<string[]> {
  return inFirm(firm.id, async (sql) => {
    const off: string[] = []
    const tree = (await treeById(sql, treeId))!
    if ((await restage(sql, treeId)) !== tree.stage) off.push(`stage ${tree.stage}`)
    const [newest] = await readingsOfTree(sql, treeId)
    const through = newest ? Math.hypot(...newest.stemsM) : null
    if (through === null ? tree.diameterM !== null : Math.abs((tree.diameterM ?? 0) - through) > 1e-9)
      off.push(`diameter ${tree.diameterM} for ${through}`)
    for (const { what, n } of await rowsThatDisagree(sql, treeId, firm.site)) if (n > 0) off.push(what)
    return off
  })
}

function pairsOf(names: string[]): [string, string][] {
  return names.flatMap((a, i) => names.slice(i).map((b): [string, string] => [a, b]))
}

const DECIDED = ['read', 'strike', 'rename', 'move', 'look', 'otherwise', 'hand', 'leave', 'kind', 'ring']
const CREW = ['drill', 'giveUp', 'takeBack', 'otherwise', 'leave', 'read']
const GIVEN_UP = ['sign', 'undo', 'otherwise', 'leave', 'read']

async function together(
  make: () => Promise<{ treeId: string; steps: Record<string, Step> }>,
  first: string,
  second: string,
) {
  const { treeId, steps } = await make()
  const [a, b] = [steps[first]!, steps[second]!]
  // The same step twice is two presses, not one press sent again.
  const again = first === second ? { ...b, input: anew(b.input) } : b
  const answers = await Promise.all(
    [a, again].map((s) => act(firm.person(s.by, LATER), s.verb, s.input).catch((error: Error) => error)),
  )
  for (const answer of answers) {
    expect(answer).not.toBeInstanceOf(Error)
    if (!(answer instanceof Error) && !answer.ok) expect(answer.problem.message.length).toBeGreaterThan(20)
  }
  // At least one of two people gets through.
  expect(answers.some((x) => !(x instanceof Error) && x.ok)).toBe(true)
  expect(await whatDoesNotAgree(treeId)).toEqual([])
}

function anew(input: Record<string, unknown>) {
  const fresh = { ...input }
  for (const name of ['id', 'eventId', 'assessmentId']) if (name in fresh) fresh[name] = uuidv7()
  return fresh
}

test.each(pairsOf(DECIDED))('decided: %s and %s at once', async (a, b) => {
  await together(decided, a, b)
})
// A tree with the crew leaves the list for nobody.
test.each(pairsOf(CREW).filter(([a, b]) => !(a === 'leave' && b === 'leave')))(
  'with the crew: %s and %s at once',
  async (a, b) => {
    await together(() => withCrew(), a, b)
  },
)
test.each(pairsOf(GIVEN_UP).filter(([a, b]) => !(a === 'leave' && b === 'leave')))(
  'given up: %s and %s at once',
  async (a, b) => {
    await together(() => withCrew(true), a, b)
  },
)
