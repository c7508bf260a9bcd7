import { judgeTreatable } from '../decide/treatable'
import { isSystemicWay } from '../methods/systemic'
import { asked, closed, type Rule } from './question'

/** Whether enough of the crown is left to carry a systemic, by cause and kind. Source: handbook, treatability. */
export const crown: Rule = {
  name: 'crown',
  words: 'Above so much of the crown lost no systemic helps any more.',
  look: ({ method, cause, facts, product }) => {
    if (!isSystemicWay(method) || product?.feeds) return []
    if (facts.crownLost === undefined)
      return [asked('crownLost', 'What share of the crown is lost, per cent?')]
    const judged = judgeTreatable(cause.treatable, facts.crownLost)
    return judged.grade === 'none' ? [closed('crown', judged.why, 'Decide anew.')] : []
  },
}
