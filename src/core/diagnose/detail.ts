import { sideInWords } from '../ports/bearing'
import { ok, refuse, type Result } from '../problem'

/** How much of a finding there is, on which side, counted on what sample. Every part may be left out. */
export interface FindingDetail {
  amount?: 'little' | 'some' | 'much'
  /** Where it lies on the trunk or crown, degrees clockwise from north. */
  bearing?: number
  /** So many … */
  count?: number
  /** … on this many, and of what: ten leaves, a hundred fruit. */
  sample?: { size: number; of: string }
  words?: string
}

/**
 * Checks what was noted beside a finding. Problems: `out-of-range` for a bearing off the compass, a count below zero, a
 * sample of nothing; `missing` for a count without its sample.
 *
 * @example checkDetail({ count: 23, sample: { size: 10, of: 'leaves' } })
 */
export function checkDetail(detail: FindingDetail): Result<FindingDetail> {
  const { bearing, count, sample } = detail
  if (bearing !== undefined && !(bearing >= 0 && bearing <= 360))
    return refuse('out-of-range', 'bearing', 'A bearing is 0 to 360 degrees clockwise from north.')
  if (count !== undefined && !(Number.isInteger(count) && count >= 0 && count <= 1_000_000))
    return refuse('out-of-range', 'count', 'A count is a whole number from 0.')
  if (count !== undefined && !sample)
    return refuse(
      'missing',
      'sample',
      'Say on how many it was counted, such as 10 leaves; a bare count tells nothing.',
    )
  if (sample && !(Number.isInteger(sample.size) && sample.size >= 1 && sample.size <= 100_000))
    return refuse('out-of-range', 'sample', 'A sample is a whole number from 1.')
  if (sample && sample.of.trim() === '')
    return refuse('missing', 'sample', 'Say of what the sample is: leaves, twigs, fruit.')
  return ok(detail)
}

/** A detail in words. `detailWords({ amount: 'much', bearing: 180 })` is "much, on the south side (180°)" */
export function detailWords(detail: FindingDetail): string {
  const parts: string[] = []
  if (detail.amount) parts.push(detail.amount)
  if (detail.bearing !== undefined)
    parts.push(`on the ${sideInWords(detail.bearing)} side (${detail.bearing}°)`)
  if (detail.count !== undefined && detail.sample)
    parts.push(`${detail.count} on ${detail.sample.size} ${detail.sample.of}`)
  if (detail.words) parts.push(detail.words)
  return parts.join(', ')
}
