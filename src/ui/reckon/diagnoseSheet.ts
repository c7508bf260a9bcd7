import { MONTHS } from '@/core/time/yearly'
import { HOSTS } from '@/almanac/hosts'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import { findingsWithOwn } from '@/almanac/ownFindings'
import type { Sheet } from './sheet'

/**
 * What it could be, from a few findings, with the kinds of tree and the findings a firm has added; a tree on file is weighed on
 * its own page.
 */
export const diagnoseSheet = (own: readonly OwnEntry[]): Sheet => ({
  name: 'diagnose',
  title: 'What could it be',
  question: 'What could it be, and what to look at next?',
  lines: [
    {
      path: 'host',
      label: 'Tree',
      kind: 'choice',
      options: [...HOSTS, ...hostsOf(own)].map((h) => [h.id, h.name] as const),
      start: 'linden',
    },
    {
      path: 'month',
      label: 'Month',
      kind: 'choice',
      options: MONTHS.map((m, i) => [String(i + 1), m] as const),
      start: '6',
    },
    {
      rows: 'seen',
      each: 'finding',
      lines: [
        {
          path: 'finding',
          label: 'Finding',
          kind: 'choice',
          options: [...findingsWithOwn(own).values()].map((f) => [f.id, f.name] as const),
        },
        {
          path: 'state',
          label: 'It is',
          kind: 'choice',
          options: [
            ['there', 'there'],
            ['notThere', 'not there'],
            ['unsure', 'unsure'],
          ],
        },
      ],
      start: [
        { finding: 'leaf-black-film', state: 'there' },
        { finding: 'leaf-sticky', state: 'there' },
      ],
    },
  ],
  figures: [
    { label: 'Most likely', path: 'leading' },
    { label: 'Look next at', path: 'check' },
    { label: 'Wait', path: 'hold.reason' },
  ],
  ask: (request) => {
    const seen = (request['seen'] ?? []) as { finding?: string; state?: string }[]
    const of = (state: string) =>
      seen.filter((s) => s.finding && (s.state ?? 'there') === state).map((s) => s.finding)
    return {
      host: request['host'],
      month: Number(request['month']),
      there: of('there'),
      notThere: of('notThere'),
      unsure: of('unsure'),
    }
  },
})

/** The sheet of the almanac as it is printed. */
export const DIAGNOSE = diagnoseSheet([])
