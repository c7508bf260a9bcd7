import { MONTHS } from '@/core/time/yearly'
import type { ActionClass, Cause, FindingState, Seen } from '@/core/diagnose/almanac'
import { seeded } from '@/core/decide/random'
import { drawTree, signsOf } from '@/core/diagnose/simulate'
import { askedOf, HEALTHY } from '@/core/diagnose/weigh'
import { HOSTS, hostName } from './hosts'
import type { FirmAlmanac } from './own'
import { COMMON, weighTree } from './weighing'

/** A made-up tree to practise on: what the client says, and behind it the truth. Never a client's tree. */
export interface PracticeCase {
  id: string
  host: string
  month: number
  title: string
  story: string
  /** The main cause, or healthy. */
  cause: string
  /** Everything that is at work; none for a healthy tree. */
  causes: readonly string[]
  /** The sign the client called about. */
  complaint: string
  /** Findings that can be looked at, and whether they are there. */
  truth: ReadonlyMap<string, boolean>
}

interface Composed {
  id: string
  host: string
  month: number
  title: string
  story: string
  cause: string
  /** What is at work beside the main cause. */
  also?: readonly string[]
  complaint: string
  there: readonly string[]
}

/** Cases composed by hand, where the first guess is the wrong one. */
// prettier-ignore
export const COMPOSED: readonly Composed[] = [
  { id: 'dripping-linden', host: 'linden', month: 6, title: 'The linden above the bicycle stands', story: 'Saddles are sticky and the paving is black. The caretaker wants the tree sprayed against mould.', cause: 'aphids', also: ['sooty-mould', 'ants-tending'], complaint: 'leaf-sticky', there: ['leaf-sticky', 'leaf-black-film', 'ants-trail', 'aphids-seen'] },
  { id: 'maple-one-side', host: 'maple', month: 7, title: 'The maple with one thin side', story: 'One side has gone thin over two summers. Last year somebody treated it for a wilt.', cause: 'girdling-roots', complaint: 'crown-thin-one-side', there: ['crown-thin-one-side', 'flare-hidden', 'root-girdling', 'only-this-tree', 'mulch-piled', 'branch-dieback-scattered'] },
  { id: 'ash-top', host: 'ash', month: 6, title: 'The ash by the school gate', story: 'The top is thin and the caretaker wants it watered.', cause: 'emerald-ash-borer', complaint: 'crown-thin-top', there: ['crown-thin-top', 'exit-hole-d', 'galleries-s', 'woodpecker-blond', 'trunk-sprouts', 'spreads-along-neighbours'] },
  { id: 'wet-feet', host: 'cherry', month: 6, title: 'The thirsty cherry', story: 'The leaves hang, so the sprinkler was set to run every night.', cause: 'waterlogging', complaint: 'leaf-limp-wet-soil', there: ['leaf-limp-wet-soil', 'soil-wet', 'leaf-yellow-even', 'many-kinds-affected'] },
  { id: 'oak-late-brown', host: 'oak-red-group', month: 8, title: 'The oak that browns each August', story: 'It was dry, says the client. It was dry last year too, and the year before.', cause: 'bacterial-leaf-scorch', complaint: 'leaf-drop-early', there: ['leaf-drop-early', 'leaf-scorch-banded', 'returns-each-summer', 'branch-dieback-scattered', 'drought-recent'] },
  { id: 'spring-bark', host: 'apple', month: 4, title: 'The young apple after the snow', story: 'The bark is gone at the foot of the stem. The mower was in the shed all winter.', cause: 'vole-gnawing', complaint: 'leafing-late-sparse', there: ['leafing-late-sparse', 'gnaw-base', 'tunnels-mulch', 'mulch-piled'] },
]

/** Places a client sees without bending down. */
const FROM_AFAR = ['crown', 'leaf', 'shoot', 'fruit', 'trunk']

/**
 * The case of an id by an almanac, the common one or a firm's: `composed:dripping-linden`; `made:123`, which is drawn from the almanac and always the same for its number;
 * `again:oak-wilt.5`, one of a cause that was missed. Null for an id that is none.
 */
export function practiceCase(id: string, almanac: FirmAlmanac = COMMON): PracticeCase | null {
  const composed = COMPOSED.find((c) => id === `composed:${c.id}`)
  if (composed) {
    const truth = new Map(
      lookable(composed.host, composed.month, almanac).map((f) => [f, composed.there.includes(f)] as const),
    )
    return { ...composed, id, causes: [composed.cause, ...(composed.also ?? [])], truth }
  }
  const again = /^again:([a-z0-9-]{3,40})\.(\d{1,9})$/.exec(id)
  if (again) return caseOf(id, again[1]!, Number(again[2]), almanac)
  const number = /^made:(\d{1,9})$/.exec(id)?.[1]
  if (number === undefined) return null
  // A case must show something a client would call about; the first that does is taken.
  for (let tries = 0; tries < 40; tries++) {
    const random = seeded(Number(number) + tries * 7919)
    const host = HOSTS[Math.floor(random() * HOSTS.length)]!.id
    const month = 3 + Math.floor(random() * 8)
    const drawn = drawTree(host, month, almanac, random)
    const causes = causesIn(almanac, drawn.causes)
    const called = (f: string) =>
      drawn.truth.get(f) === true && FROM_AFAR.includes(almanac.findings.get(f)!.place)
    // About a healthy tree a client calls for what any tree shows now and then.
    const signs =
      causes.length > 0
        ? [...new Set(causes.flatMap((c) => Object.keys(c.findings)))].filter(called)
        : [...drawn.truth.keys()].filter(called)
    const complaint = signs[Math.floor(random() * signs.length)]
    if (!complaint) continue
    return {
      ...told(id, host, month, complaint, almanac),
      cause: causes.find((c) => !c.livesOn)?.id ?? HEALTHY,
      causes: drawn.causes,
      truth: drawn.truth,
    }
  }
  return null
}

/** A case of one cause, to meet it again: another kind, month and signs for each number. Null for a cause nobody knows. */
function caseOf(id: string, causeId: string, number: number, almanac: FirmAlmanac): PracticeCase | null {
  const [cause] = causesIn(almanac, [causeId])
  if (!cause || cause.livesOn) return null
  const kinds = cause.hosts === '*' ? HOSTS.map((h) => h.id) : cause.hosts
  for (let tries = 0; tries < 40; tries++) {
    // Neighbouring numbers must not begin alike.
    const random = seeded((number * 40_503 + tries * 7919) % 2_147_483_647)
    const host = kinds[Math.floor(random() * kinds.length)]!
    const months = cause.months ?? [4, 5, 6, 7, 8, 9, 10]
    const month = months[Math.floor(random() * months.length)]!
    const truth = signsOf([cause], host, month, almanac, random)
    const signs = Object.keys(cause.findings).filter(
      (f) => truth.get(f) === true && FROM_AFAR.includes(almanac.findings.get(f)!.place),
    )
    const complaint = signs[Math.floor(random() * signs.length)]
    if (complaint)
      return { ...told(id, host, month, complaint, almanac), cause: causeId, causes: [causeId], truth }
  }
  return null
}

/** Causes by their ids; those a firm has withdrawn since are left out. */
export const causesIn = (almanac: FirmAlmanac, ids: readonly string[]): Cause[] =>
  ids.flatMap((id) => almanac.causes.find((c) => c.id === id) ?? [])

/** What the client says of a tree. */
function told(id: string, host: string, month: number, complaint: string, { findings }: FirmAlmanac) {
  return {
    id,
    host,
    month,
    title: `${hostName(host)}, ${MONTHS[month - 1]}`,
    story: `A client calls about ${a(hostName(host).toLowerCase())}: “${findings.get(complaint)!.name.toLowerCase()}”.`,
    complaint,
  }
}

const a = (word: string) => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`

/** What can be looked at on a host in a month without a laboratory. */
function lookable(host: string, month: number, almanac: FirmAlmanac): string[] {
  return askedOf({ host, month, ...almanac })
    .filter((f) => f.place !== 'lab')
    .map((f) => f.id)
}

export interface PathStep {
  finding: string
  state: FindingState
  minutes: number
  /** What it was worth when it was asked: harm it was expected to save. */
  worth: number
}

const MOST_STEPS = 20

/** The path the engine takes: the worthiest look at the tree each time, until asking stops. */
export function bestPath(one: PracticeCase, almanac: FirmAlmanac = COMMON): PathStep[] {
  const steps: PathStep[] = []
  let seen: Seen = { [one.complaint]: 'there' }
  while (steps.length < MOST_STEPS) {
    const look = weighTree(one.host, one.month, seen, almanac).looks.find((l) => one.truth.has(l.finding))
    if (!look) break
    const state: FindingState = one.truth.get(look.finding) ? 'there' : 'not-there'
    steps.push({ finding: look.finding, state, minutes: look.minutes, worth: look.worth })
    seen = { ...seen, [look.finding]: state }
  }
  return steps
}

export interface Scored {
  /** 0–100. */
  score: number
  causeRight: boolean
  actionRight: boolean
  minutes: number
  bestMinutes: number
  /** What the findings at hand said when the answer was given. */
  leading: { cause: string; probability: number }
}

/** Telling a cause that is there is worth so much, and nothing else together is: from it on a run is right. */
export const TOLD = 60
/** Below this nobody is quicker than the best. */
const LEAST_BEST = 2

/**
 * Scores a run: 60 for a cause that is there, or for healthy where none is (25 for another that the same action serves), 20 for the class of action, up to 20 for
 * coming there in few minutes, measured against the best path. No time is counted for a wrong cause.
 */
export function scoreRun(
  one: PracticeCase,
  checks: readonly string[],
  answer: string,
  action: ActionClass,
  almanac: FirmAlmanac = COMMON,
): Scored {
  const minutesOf = (ids: readonly string[]) =>
    ids.reduce((s, f) => s + (almanac.findings.get(f)?.minutes ?? 0), 0)
  const there = causesIn(almanac, one.causes)
  const causeRight = there.length === 0 ? answer === HEALTHY : one.causes.includes(answer)
  const actionRight = there.length === 0 ? action === 'none' : there.some((c) => c.action === action)
  const minutes = minutesOf(checks)
  const bestMinutes = minutesOf(bestPath(one, almanac).map((s) => s.finding))
  const quick = Math.min(1, Math.max(LEAST_BEST, bestMinutes) / Math.max(LEAST_BEST, minutes))
  const near = !causeRight && there.some((c) => c.action === causesIn(almanac, [answer])[0]?.action)
  const seen: Seen = Object.fromEntries([
    [one.complaint, 'there'],
    ...checks.map((f): [string, FindingState] => [f, one.truth.get(f) ? 'there' : 'not-there']),
  ])
  const [first] = weighTree(one.host, one.month, seen, almanac).weighed
  return {
    score: Math.round(
      (causeRight ? TOLD : near ? 25 : 0) + (actionRight ? 20 : 0) + (causeRight ? 20 * quick : 0),
    ),
    causeRight,
    actionRight,
    minutes,
    bestMinutes,
    leading: { cause: first!.cause, probability: first!.probability },
  }
}
