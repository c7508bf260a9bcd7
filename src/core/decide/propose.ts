import type { ActionClass } from '../diagnose/almanac'
import { showWeight } from '../diagnose/showWeight'
import { judgeTreatable, type Treatable } from './treatable'

export const ACTIONS = ['treat', 'care', 'watch', 'sample', 'refer', 'remove', 'healthy'] as const
export type Action = (typeof ACTIONS)[number]

/** Decisions that end what is due of a tree for every cause: it comes down, or an assessor looks first. */
export const ENDS_ALL: readonly Action[] = ['remove', 'refer']

/** What a reason is about; rules go by this, never by its sentence. */
export type ReasonCode =
  | 'danger'
  | 'hold'
  | 'weighed'
  | 'crown'
  | 'dry'
  | 'saturated'
  | 'flare'
  | 'site'
  | 'calls'
  | 'healthy'
  | 'sample'

export interface Reason {
  code: ReasonCode
  text: string
  against?: boolean
}

export interface DecideInput {
  /** What the diagnosed cause calls for; `healthy` where nothing was found. */
  calls: ActionClass | 'healthy'
  causeName: string
  probability: number
  /** Live crown in per cent; null when nobody took it. */
  liveCrown: number | null
  /** Whether the weighing said to hold, and why. */
  held: string | null
  /** Findings there that bear on treatability. */
  drought: boolean
  saturated: boolean
  buriedFlare: boolean
  /** Signs of danger that are there: hollow butt, soft root, bracket, crust, cavity, heaving soil. Their names. */
  unsafe: readonly string[]
  /** How trees with this cause answer to treatment. */
  treatable: Treatable
  /** The firm's own way that ends or holds this cause; null where there is none. */
  ownWay?: { what: string; product: boolean } | null
  /** A test that settles this cause has found it. */
  proved?: boolean
  /** Why nobody climbs a tree that died of it; null where its wood stays sound for a while. */
  brittle?: string | null
}

export interface Proposal {
  action: Action
  /** Decisions that are as good by what was found: they need no words either. */
  also?: readonly Action[]
  reasons: Reason[]
}

/**
 * Proposes treat, care, watch, sample, refer, remove or healthy, with the reasons. The arborist decides and signs.
 *
 * How far a crown may be gone for treating to help is each cause's own: see {@link judgeTreatable}.
 * A sign of danger outranks everything and refers the tree. A hold asks for the sample first.
 *
 * @example propose({ calls: 'protect-systemic', liveCrown: 80, … }).action // 'treat'
 */
export function propose(input: DecideInput): Proposal {
  const reasons: Reason[] = []
  const say: Say = (code, text, against = false) =>
    void reasons.push(against ? { code, text, against } : { code, text })
  const lost = input.liveCrown === null ? null : 100 - input.liveCrown

  if (input.unsafe.length > 0) {
    say(
      'danger',
      `${input.unsafe.join(', ')}: safety comes first. A qualified risk assessor looks before anything else is done. A full green crown says nothing against it.`,
      true,
    )
    say(
      'danger',
      'Until the answer keep people and targets away; no drilling and no climbing. Removal is one of the assessor’s outcomes.',
      true,
    )
    if (lost !== null && lost > input.treatable.none) sayBrittle(input, say)
    return { action: 'refer', reasons }
  }
  if (input.held) {
    say('hold', input.held, true)
    return { action: 'sample', reasons }
  }
  if (input.calls === 'healthy') {
    say('healthy', 'Nothing was found that calls for work. Look again on a date.')
    return { action: 'healthy', reasons }
  }
  say('weighed', `${input.causeName} explains the findings best, weighed ${showWeight(input.probability)}.`)
  switch (input.calls) {
    case 'protect-systemic': {
      const judged = judgeTreatable(input.treatable, lost)
      say('crown', judged.why, judged.against)
      if (judged.grade === 'not taken') return { action: 'watch', reasons }
      if (judged.grade === 'none') {
        sayBrittle(input, say)
        return { action: 'remove', reasons }
      }
      const blocked = siteBlocks(input, say)
      if (!blocked) say('site', 'Nothing on site keeps the tree from taking it up.')
      return { action: blocked ? 'care' : 'treat', reasons }
    }
    case 'root-collar-work':
    case 'water-care':
      say('calls', 'The cause is in roots, soil or water; work there comes before any product.')
      return { action: 'care', reasons }
    case 'sap-feeder-care':
    case 'leaf-feeder-care':
      say(
        'calls',
        'Care by hand and water comes first; soap, oil or what spares their enemies where that is not enough.',
      )
      return { action: 'care', also: ['treat'], reasons }
    case 'sanitation':
    case 'pruning':
    case 'barrier':
      say('calls', 'Care by hand, water and mild means comes first; this needs no trunk injection.')
      return { action: 'care', reasons }
    case 'cover-spray':
      say(
        'calls',
        'It is kept off by covers at the right stage, not cured; clean up, and plan the covers for the next season.',
      )
      return { action: 'treat', also: ['care'], reasons }
    case 'laboratory':
      if (input.proved) {
        const action = ledOn(input, lost, say)
        return { action, reasons }
      }
      say('calls', 'Only a laboratory can settle it; take the sample before anything is bought.')
      return { action: 'sample', reasons }
    case 'remove-or-plan':
      say('calls', 'Nothing cures it. Judge the risk and plan the removal.')
      if (input.treatable.kind === 'wilt' && lost !== null) {
        const { why, against } = judgeTreatable(input.treatable, lost)
        say('crown', why, against)
      }
      return { action: 'remove', reasons }
    default:
      if (input.ownWay) {
        say('calls', `The firm’s own way on it: ${input.ownWay.what}.`)
        return { action: input.ownWay.product ? 'treat' : 'care', reasons }
      }
      say('calls', 'It needs no treatment. Look again on a date.')
      return { action: 'watch', reasons }
  }
}

/** A tree that died of it is brittle: said wherever it is taken down or referred. */
function sayBrittle({ brittle }: DecideInput, say: Say) {
  if (brittle) say('danger', brittle, true)
}

/** Where a proved cause leads: to what still stops it, or to taking the tree away before it reaches its neighbours; never back to a sample. */
function ledOn(input: DecideInput, lost: number | null, say: Say): Action {
  const { treatable } = input
  say('calls', 'It is proved: this leads on, to keeping it from its neighbours, and never back to a sample.')
  const judged = judgeTreatable(treatable, lost)
  say('crown', judged.why, judged.against)
  if (judged.grade === 'none') {
    sayBrittle(input, say)
    return 'remove'
  }
  return treatable.kind === 'wilt' && judged.grade !== 'not taken' ? 'treat' : 'care'
}

type Say = (code: ReasonCode, text: string, against?: boolean) => void

function siteBlocks(input: DecideInput, say: Say): boolean {
  if (input.drought) say('dry', 'The tree stands dry. Water first; a dry tree takes nothing up.', true)
  if (input.saturated) say('saturated', 'The soil is saturated. Wait until it drains.', true)
  if (input.buriedFlare)
    say('flare', 'The root flare is buried. Open the collar first, then look again.', true)
  return input.drought || input.saturated || input.buriedFlare
}
