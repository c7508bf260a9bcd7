/** A node of a plan, as the database tells it. */
export interface Plan {
  'Node Type': string
  'Relation Name'?: string
  'Actual Rows': number
  'Actual Loops': number
  'Rows Removed by Filter'?: number
  'Rows Removed by Index Recheck'?: number
  Plans?: Plan[]
}

/** Tables that are as long as the firm has people, cards and words of its own, not as it has trees. */
const SHORT = new Set([
  'firm',
  'person',
  'client',
  'site',
  'card',
  'card_use',
  'lot',
  'almanac_own',
  'almanac_note',
  'house_rule',
  'local_rule',
  'crew',
  'absence',
  'calendar_link',
  'ledger_check',
  'api_token',
  'session',
])

/** Rows that a plan reads, and the growing tables that it reads from end to end. */
export interface Read {
  rows: number
  scans: string[]
}

/** What a plan reads in all. `readBy(plan).rows` */
export function readBy(plan: Plan): Read {
  const own = plan['Relation Name']
    ? (plan['Actual Rows'] +
        (plan['Rows Removed by Filter'] ?? 0) +
        (plan['Rows Removed by Index Recheck'] ?? 0)) *
      plan['Actual Loops']
    : 0
  const scans =
    plan['Node Type'] === 'Seq Scan' && plan['Relation Name'] && !SHORT.has(plan['Relation Name'])
      ? [plan['Relation Name']]
      : []
  return (plan.Plans ?? [])
    .map(readBy)
    .reduce((sum, r) => ({ rows: sum.rows + r.rows, scans: [...sum.scans, ...r.scans] }), {
      rows: own,
      scans,
    })
}
