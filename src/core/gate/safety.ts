import { closed, type Rule } from './question'

/** Nobody works at a tree that may fail before somebody qualified has looked. Source: handbook, safety. */
export const safety: Rule = {
  name: 'safety',
  words: 'Signs of danger at the tree go before all work.',
  look: ({ facts: { unsafe = [] } }) =>
    unsafe.length === 0
      ? []
      : [
          closed(
            'safety',
            `${unsafe.join(', ')}: nothing is drilled until a qualified risk assessor has looked.`,
            'Decide anew and refer it.',
            { field: 'action' },
          ),
        ],
}
