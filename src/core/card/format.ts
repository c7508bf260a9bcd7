/** How the format of a card calls itself; a later one will say another number. */
export const CARD_FORMAT = 'elmhorn-card-1'
