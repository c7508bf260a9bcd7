import type { Problem } from '@/core/problem'

/** What two hands reached for at the same moment, by the constraint that let only one have it. */
const CLASHES: Record<string, Omit<Problem, 'code'>> = {
  tree_tag: {
    field: 'tag',
    message: 'This tag was taken on the site a moment ago; choose another, or open that tree.',
  },
  assessment_open: {
    field: 'assessmentId',
    message: 'Somebody else has begun an examination of this tree. Load the page again to go on with it.',
  },
  diagnosis_once: {
    field: 'assessmentId',
    message: 'This examination was signed a moment ago. Load the page again.',
  },
  item_subject_once: {
    field: 'decisionId',
    message: 'This decision was handed to the crew a moment ago. Load the page again to see the work.',
  },
  job_of_day: { field: 'onDate', message: 'This job was opened a moment ago; send it again to join it.' },
  application_subject_once: {
    field: 'jobSubjectId',
    message: 'This tree was signed a moment ago. Load the page again to open its record.',
  },
  almanac_own_about: {
    field: 'entry',
    message: 'Somebody else set the same entry a moment ago. Load the page again.',
  },
}

/**
 * A problem for what the database refused because of what somebody sent or did at the same moment; null for anything
 * else, which is our own error. Never a 5xx for what a person typed.
 */
export function clashOf(error: unknown): Problem | null {
  const { code, constraint_name: constraint } = (error ?? {}) as { code?: string; constraint_name?: string }
  switch (code) {
    // unique_violation
    case '23505':
      return {
        code: 'conflict',
        ...(CLASHES[constraint ?? ''] ?? {
          field: 'id',
          message: 'This id is in use already. Load the page again and send it as a new one.',
        }),
      }
    // foreign_key_violation
    case '23503':
      return {
        code: 'unknown',
        field: 'id',
        message: 'What this belongs to is not there. Load the page again.',
      }
    // check_violation, numeric out of range, text that is no text of the database's
    case '23514':
    case '22003':
    case '22021':
    case '22P02':
    case '22P05':
      return {
        code: 'out-of-range',
        field: 'input',
        message: 'Something in this cannot be kept as it is; check what you typed and send it again.',
      }
    // serialization_failure, deadlock_detected, lock_not_available
    case '40001':
    case '40P01':
    case '55P03':
      return {
        code: 'conflict',
        field: 'server',
        message: 'Somebody else was changing the same thing at this moment. Press again.',
      }
    default:
      return null
  }
}
