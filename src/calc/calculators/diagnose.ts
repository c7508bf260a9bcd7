import { z } from 'zod'
import { PRODUCT_CLASSES } from '@/core/diagnose/almanac'
import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { HOSTS } from '@/almanac/hosts'
import { mostTelling, weighTree } from '@/almanac/weighing'
import { refuse } from '@/core/problem'
import type { FindingState } from '@/core/diagnose/almanac'
import { plain } from '@/core/quantity/format'
import { calculator } from '../calculator'
import { name, number } from '../fields'

const findings = (description: string) =>
  z.array(name('A finding.')).max(500).optional().meta({ description })

const CAUSE_NAME = new Map(CAUSES.map((c) => [c.id, c.name]))

export const diagnose = calculator({
  name: 'diagnose',
  title: 'Diagnose',
  description:
    'Weighs the causes a host can have by what was found, not found, or left unsure; what is not named was not looked at. Probabilities over the causes and `something-else` sum to 1: the chance that this mainly explains the findings. `next` holds the five checks that settle most, with the expected gain in bits; `chains` what feeds, tends or weakens and why; `hold` a reason to wait; `refusedClasses` what cannot work.',
  request: {
    host: name('A kind of tree.'),
    month: number('Month, 1 to 12.'),
    there: findings('Findings that are there.'),
    notThere: findings('Findings looked for and not there.'),
    unsure: findings('Findings looked for without a clear answer.'),
  },
  answer: {
    causes: z.array(z.strictObject({ cause: z.string(), probability: z.number() })),
    next: z.array(z.strictObject({ finding: z.string(), gain: z.number() })),
    chains: z.array(z.strictObject({ cause: z.string(), because: z.array(z.string()) })),
    hold: z.strictObject({ reason: z.string() }).nullable(),
    refusedClasses: z.array(z.enum(PRODUCT_CLASSES)),
  },
  example: {
    host: 'linden',
    month: 6,
    there: ['leaf-black-film', 'leaf-sticky'],
    notThere: ['silk-fine'],
    unsure: ['ants-trail'],
  },
  work: (input) => {
    if (!HOSTS.some((h) => h.id === input.host))
      return refuse(
        'unknown',
        'host',
        `The almanac has no host "${input.host.slice(0, 40)}"; check its spelling.`,
      )
    if (!(Number.isInteger(input.month) && input.month >= 1 && input.month <= 12))
      return refuse('out-of-range', 'month', 'The month is a whole number from 1 to 12.')
    const seen = new Map<string, FindingState>()
    for (const [field, state] of [
      ['there', 'there'],
      ['notThere', 'not-there'],
      ['unsure', 'unsure'],
    ] as const)
      for (const [i, id] of (input[field] ?? []).entries()) {
        if (!FINDING_BY_ID.has(id))
          return refuse(
            'unknown',
            `${field}[${i}]`,
            `The almanac has no finding "${id.slice(0, 40)}"; check its spelling.`,
          )
        if (seen.has(id) && seen.get(id) !== state)
          return refuse('out-of-range', `${field}[${i}]`, `"${id}" is given in two states; keep one.`)
        seen.set(id, state)
      }
    const looks = Object.fromEntries(seen)
    const { weighed, judgement } = weighTree(input.host, input.month, looks)
    const next = mostTelling(input.host, input.month, looks, 5)
    return {
      ok: true,
      value: {
        causes: weighed.map(({ cause, probability }) => ({ cause, probability })),
        next: next.map(({ finding, gain }) => ({ finding, gain })),
        chains: judgement.chains.map(({ cause, because }) => ({ cause, because })),
        hold: judgement.hold && { reason: judgement.hold.reason },
        refusedClasses: judgement.refused.map((r) => r.class),
        working: weighed.slice(0, 5).map((w) => ({
          label: CAUSE_NAME.get(w.cause) ?? 'Something else',
          expression:
            [...w.for.slice(0, 4).map((e) => `+${plain(e.bits, 1)} ${e.finding}`)]
              .concat(w.against.slice(0, 4).map((e) => `−${plain(e.bits, 1)} ${e.finding}`))
              .join(', ') || 'by host and season alone',
          result: plain(w.probability, 3),
        })),
      },
    }
  },
})
