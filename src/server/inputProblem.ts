import type { z } from 'zod'
import { fieldOf, type Problem } from '@/core/problem'

/** The first thing wrong with an input, as a problem that names the field. */
export function problemOf(error: z.ZodError): Problem {
  const issue = error.issues[0]!
  const path = fieldOf(issue.path)
  if (issue.code === 'unrecognized_keys')
    return {
      code: 'unknown',
      field: [path, issue.keys[0]].filter(Boolean).join('.'),
      message: `There is no field "${issue.keys[0]}" here; leave it out.`,
    }
  const missing = issue.code === 'invalid_type' && issue.message.includes('undefined')
  const own = !/^(Invalid|Too|Unrecognized|Expected)/.test(issue.message)
  return {
    code: missing ? 'missing' : 'out-of-range',
    field: path || 'body',
    message: own
      ? issue.message
      : missing
        ? `Nothing is given for "${path || 'the input'}"; fill it in.`
        : `${path || 'The input'} is not as it must be; check it and send it again.`,
  }
}
