import {
  DECIDE_ANEW,
  EXAMINE_AGAIN,
  REOPEN,
  TAKE_FROM_LIST,
  TREAT_AGAIN,
  WEIGH_ANEW,
} from '@/core/respond/compare'

/** Where the way on that was chosen leads, and how the way there is called. */
export function wayOn(nextStep: string, treeId: string): { href: string; link: string } | null {
  const tree = `/trees/${treeId}`
  switch (nextStep) {
    case REOPEN:
    case EXAMINE_AGAIN:
      return { href: `${tree}/examine`, link: 'Examine again' }
    case WEIGH_ANEW:
      return { href: `${tree}/weigh`, link: 'Weigh it anew' }
    case TREAT_AGAIN:
      return { href: `${tree}/prescribe`, link: 'Prescribe it again' }
    case DECIDE_ANEW:
    case 'repeat':
    case 'change method':
      return { href: `${tree}/decide`, link: 'Decide anew' }
    case TAKE_FROM_LIST:
      return { href: `${tree}?leave`, link: 'Take it from the list' }
    default:
      return null
  }
}
