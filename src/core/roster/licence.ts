/** What a licence is for. */
export const CATEGORIES = [
  ['trees', 'trees and shrubs'],
  ['turf', 'turf and grounds'],
  ['right-of-way', 'rights of way'],
  ['forest', 'forest'],
  ['aquatic', 'water'],
  ['public-health', 'public health'],
] as const
