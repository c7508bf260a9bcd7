import { z } from 'zod'
import { PRODUCT_CLASSES } from '@/core/diagnose/almanac'
import { causeName } from '@/almanac/causes'
import { HOSTS } from '@/almanac/hosts'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import { testOf } from '@/almanac/laboratory'
import { jurisdictionOf, JURISDICTIONS } from '@/almanac/jurisdiction'
import { COMMON, weighTree } from '@/almanac/weighing'
import { refuse, type Result } from '@/core/problem'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { plain } from '@/core/quantity/format'
import { calculator } from '../calculator'
import { name, number } from '../fields'

const findings = (description: string) =>
  z.array(name('A finding.')).max(500).optional().meta({ description })

interface Told {
  there?: readonly string[]
  notThere?: readonly string[]
  unsure?: readonly string[]
  tests?: readonly { test: string; result: 'positive' | 'negative' }[]
}

/** What was told as findings with their state; refuses what the almanac does not know and what is told in two states. */
function seenOf(input: Told, almanac: FirmAlmanac, own: readonly OwnEntry[]): Result<Seen> {
  const seen = new Map<string, FindingState>()
  const told: (readonly [field: string, id: string, state: FindingState])[] = [
    ...(input.there ?? []).map((id, i) => [`there[${i}]`, id, 'there'] as const),
    ...(input.notThere ?? []).map((id, i) => [`notThere[${i}]`, id, 'not-there'] as const),
    ...(input.unsure ?? []).map((id, i) => [`unsure[${i}]`, id, 'unsure'] as const),
    ...(input.tests ?? []).map(
      (t, i) => [`tests[${i}].test`, t.test, t.result === 'positive' ? 'there' : 'not-there'] as const,
    ),
  ]
  for (const [field, id, state] of told) {
    if (field.startsWith('tests') ? !testOf(id, own) : !almanac.findings.has(id))
      return refuse(
        'unknown',
        field,
        `The almanac has no ${field.startsWith('tests') ? 'test' : 'finding'} "${id.slice(0, 40)}"; check its spelling.`,
      )
    if (seen.has(id) && seen.get(id) !== state)
      return refuse('out-of-range', field, `"${id}" is given in two states; keep one.`)
    seen.set(id, state)
  }
  return { ok: true, value: Object.fromEntries(seen) }
}

export const diagnose = calculator({
  name: 'diagnose',
  title: 'Diagnose',
  description:
    'Weighs what can be at work together by what was found, not found, or left unsure, and by answered tests; what is not named was not looked at. `causes` gives each cause its chance of being at work, `something-else` and `healthy` among them; as several may be, they need not sum to 1. `explanations` are the five likeliest sets. `next` holds what could change the work most, tests as `test`; it is empty when asking should stop (`settled`). `chains` says what feeds, comes for it or opens the door; `hold` a reason to wait; `flags` what must be reported in the jurisdiction; `refusedClasses` what cannot work under any explanation that counts. What the firm of the token has added to its almanac counts with the rest.',
  request: {
    host: name('A kind of tree.'),
    month: number('Month, 1 to 12.'),
    there: findings('Findings that are there.'),
    notThere: findings('Findings looked for and not there.'),
    unsure: findings('Findings looked for without a clear answer.'),
    jurisdiction: name(
      `Where the tree stands: ${JURISDICTIONS.join(', ')}, or the code of a country.`,
    ).optional(),
    tests: z
      .array(
        z.strictObject({
          test: name('A test.'),
          result: z.enum(['positive', 'negative'], { error: 'A result is positive or negative.' }),
        }),
      )
      .max(60)
      .optional()
      .meta({ description: 'Tests that were answered.' }),
  },
  answer: {
    causes: z.array(z.strictObject({ cause: z.string(), probability: z.number() })),
    explanations: z.array(z.strictObject({ causes: z.array(z.string()), probability: z.number() })),
    next: z.array(
      z.strictObject({
        finding: z.string().optional(),
        test: z.string().optional(),
        worth: z.number(),
        minutes: z.number(),
      }),
    ),
    settled: z.boolean(),
    chains: z.array(z.strictObject({ cause: z.string(), because: z.array(z.string()) })),
    hold: z.strictObject({ reason: z.string() }).nullable(),
    flags: z.array(z.strictObject({ cause: z.string(), reason: z.string() })),
    refusedClasses: z.array(z.enum(PRODUCT_CLASSES)),
  },
  example: {
    host: 'linden',
    month: 6,
    there: ['leaf-black-film', 'leaf-sticky'],
    notThere: ['silk-fine'],
    unsure: ['ants-trail'],
  },
  work: (input, _units, _figures, { own = [] }) => {
    const almanac = own.length > 0 ? withOwn(own) : COMMON
    if (![...HOSTS, ...hostsOf(own)].some((h) => h.id === input.host))
      return refuse(
        'unknown',
        'host',
        `The almanac has no host "${input.host.slice(0, 40)}"; check its spelling.`,
      )
    if (!(Number.isInteger(input.month) && input.month >= 1 && input.month <= 12))
      return refuse('out-of-range', 'month', 'The month is a whole number from 1 to 12.')
    const jurisdiction = input.jurisdiction === undefined ? null : jurisdictionOf(input.jurisdiction)
    if (input.jurisdiction !== undefined && jurisdiction === null)
      return refuse(
        'unknown',
        'jurisdiction',
        `No jurisdiction "${input.jurisdiction.slice(0, 40)}" is known; take one of ${JURISDICTIONS.join(', ')}.`,
      )
    const seen = seenOf(input, almanac, own)
    if (!seen.ok) return seen
    const { weighed, explanations, looks, judgement } = weighTree(
      input.host,
      input.month,
      seen.value,
      almanac,
      jurisdiction,
    )
    const links = new Map(judgement.chains.map((c) => [c.cause, c]))
    return {
      ok: true,
      value: {
        causes: weighed.map(({ cause, probability }) => ({ cause, probability })),
        explanations: explanations.map(({ causes, probability }) => ({ causes, probability })),
        next: looks.map(({ finding, worth, minutes }) => ({
          ...(testOf(finding, own) ? { test: finding } : { finding }),
          worth,
          minutes,
        })),
        settled: judgement.settled,
        chains: [...links.values()].map(({ cause, because }) => ({ cause, because })),
        hold: judgement.hold && { reason: judgement.hold.reason },
        flags: judgement.flags,
        refusedClasses: judgement.refused.map((r) => r.class),
        working: weighed.slice(0, 5).map((w) => ({
          label: causeName(w.cause),
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
