import type { ActionClass } from '../diagnose/almanac'
import { showWeight } from '../diagnose/showWeight'

export const ACTIONS = ['treat', 'care', 'watch', 'sample', 'refer', 'remove'] as const
export type Action = (typeof ACTIONS)[number]

export interface DecideInput {
  /** What the diagnosed cause calls for. */
  calls: ActionClass
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
  /** A borer that girdles: then half the crown is the limit of a systemic. */
  girdles: boolean
}

export interface Proposal {
  action: Action
  reasons: { text: string; against?: boolean }[]
  /** True when a trunk injection may go ahead as things stand. */
  mayInject: boolean
}

/**
 * Proposes treat, care, watch, sample, refer or remove, with the reasons. The arborist decides and signs.
 *
 * Against borers that girdle, systemics need working wood: best with under 30 % of the crown lost, doubtful at 30–50 %,
 * no use above 50 %. A tree thinned by sap feeders refoliates while its buds live, and has no such limit.
 * A sign of danger outranks everything and refers the tree. A hold asks for the sample first.
 *
 * @example propose({ calls: 'protect-systemic', liveCrown: 80, … }).action // 'treat'
 */
export function propose(input: DecideInput): Proposal {
  const reasons: Proposal['reasons'] = []
  const say = (text: string, against = false) => reasons.push(against ? { text, against } : { text })
  const lost = input.liveCrown === null ? null : 100 - input.liveCrown

  if (input.unsafe.length > 0) {
    say(
      `${input.unsafe.join(', ')}: safety comes first. A qualified risk assessor looks before anything else is done. A full green crown says nothing against it.`,
      true,
    )
    say(
      'Until the answer keep people and targets away; no drilling and no climbing. Removal is one of the assessor’s outcomes.',
      true,
    )
    return { action: 'refer', reasons, mayInject: false }
  }
  if (input.held) {
    say(input.held, true)
    return { action: 'sample', reasons, mayInject: false }
  }
  say(`${input.causeName} explains the findings best, weighed ${showWeight(input.probability)}.`)
  switch (input.calls) {
    case 'protect-systemic': {
      if (lost === null) {
        say('Nobody has taken the share of live crown yet; without it no systemic can be judged.', true)
        return { action: 'watch', reasons, mayInject: false }
      }
      if (!input.girdles) {
        if (lost >= 50)
          say(
            `${lost} % of the crown is lost. While buds live it can come back over two to four years: treat, add what works fast, decide later.`,
            true,
          )
        else say(`${lost} % of the crown is lost; it can come back while its buds live.`)
      } else if (lost > 50) {
        say(`${lost} % of the crown is lost. Above 50 % the wood no longer carries a product.`, true)
        return { action: 'remove', reasons, mayInject: false }
      } else if (lost >= 30)
        say(
          `${lost} % of the crown is lost. Between 30 and 50 % a treatment is doubtful: tell the client.`,
          true,
        )
      else say(`${lost} % of the crown is lost, under 30 %: the wood still carries a product.`)
      const blocked = siteBlocks(input, say)
      if (!blocked) say('Nothing on site keeps the tree from taking it up.')
      return { action: blocked ? 'care' : 'treat', reasons, mayInject: !blocked }
    }
    case 'root-collar-work':
    case 'water-care':
      say('The cause is in roots, soil or water; work there comes before any product.')
      return { action: 'care', reasons, mayInject: false }
    case 'sap-feeder-care':
    case 'sanitation':
    case 'leaf-feeder-care':
    case 'pruning':
    case 'barrier':
      say('Care by hand, water and mild means comes first; this needs no trunk injection.')
      return { action: 'care', reasons, mayInject: false }
    case 'cover-spray':
      say(
        'It is kept off by covers at the right stage, not cured; clean up, and plan the covers for the next season.',
      )
      return { action: 'care', reasons, mayInject: false }
    case 'laboratory':
      say('Only a laboratory can settle it; take the sample before anything is bought.')
      return { action: 'sample', reasons, mayInject: false }
    case 'remove-or-plan':
      say('Nothing cures it. Judge the risk and plan the removal.')
      return { action: 'remove', reasons, mayInject: false }
    default:
      say('It needs no treatment. Look again on a date.')
      return { action: 'watch', reasons, mayInject: false }
  }
}

function siteBlocks(input: DecideInput, say: (text: string, against?: boolean) => void): boolean {
  if (input.drought) say('The tree stands dry. Water first; a dry tree takes nothing up.', true)
  if (input.saturated) say('The soil is saturated. Wait until it drains.', true)
  if (input.buriedFlare) say('The root flare is buried. Open the collar first, then look again.', true)
  return input.drought || input.saturated || input.buriedFlare
}
