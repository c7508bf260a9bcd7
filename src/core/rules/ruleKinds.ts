/** What a local rule is about. */
export const RULE_KINDS = [
  'closed-season',
  'restricted',
  'bloom',
  'setback',
  'notice',
  'amateur',
  'report',
] as const
export type RuleKind = (typeof RULE_KINDS)[number]

/** Each kind in the words of a list. */
export const RULE_NAME: Record<RuleKind, string> = {
  'closed-season': 'Closed season',
  restricted: 'Restricted active',
  bloom: 'Bloom',
  setback: 'Distance to water',
  notice: 'Notice before work',
  amateur: 'Not by amateurs',
  report: 'To be reported',
}
