import { closed, type Rule } from './question'

/** The card names the kind of tree and the cause. Source: the label. */
export const label: Rule = {
  name: 'label',
  words: 'A card is used on the kinds and against the causes it names, by the first of its lines that fits.',
  look: ({ card, product }) =>
    card === null
      ? []
      : [
          ...(card.namesHost
            ? []
            : [
                closed(
                  'label',
                  card.leavesOut
                    ? 'This card leaves this kind of tree out.'
                    : 'This card does not name this kind of tree.',
                  'Choose a card that does.',
                ),
              ]),
          ...(card.namesCause
            ? []
            : [
                closed(
                  'label',
                  `${product?.name ?? 'This card'} does not name this cause.`,
                  'Choose a card that does.',
                ),
              ]),
          ...(card.lineBefore === undefined
            ? []
            : [
                closed(
                  'label',
                  `Line ${card.lineBefore} of this card is for this kind of tree and cause, with its own rate and days.`,
                  'Choose that line.',
                ),
              ]),
        ],
}
