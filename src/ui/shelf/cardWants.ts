import { fieldOf } from '@/core/problem'
import { rowsOf, valueAt, type Typed } from '@/ui/fields/paths'
import { pathsOf } from './cardText'

/** Lists that stand on one line of the form: whatever is wrong within is told there. */
const ONE_LINE =
  /((?:hosts|notOn|targets|foodCrops|apart|protectiveGear|terms\.(?:tiers|water|ports\.rows|put|tank\.with|tank\.never))).*$/

/**
 * The line of the form a problem belongs to: rows of the card are counted without gaps, those of the form keep their number.
 * What is wanted as a whole (a rate of which neither end is written) is told at its first line; what has no line at all is
 * '', the foot of the form.
 * @example lineAt('card.uses[0].hosts[1]', { 'uses[2].method': 'feed' }) // uses[2].hosts
 */
export function lineAt(field: string, typed: Typed): string {
  const path = field
    .replace(/^card\.?/, '')
    .replace(
      /^(actives|uses)\[(\d+)\]/,
      (_, list: string, n: string) => `${list}[${rowsOf(typed, list)[Number(n)] ?? n}]`,
    )
    .replace(ONE_LINE, '$1')
  const lines = pathsOf(typed)
  if (path === '' || lines.includes(path)) return path
  return lines.find((l) => l.startsWith(`${path}.`) || l.startsWith(`${path}[`)) ?? ''
}

/** Everything a card still wants, by the line of the form, in the words of its rules. */
export async function wantsOf(card: unknown, typed: Typed): Promise<Record<string, string>> {
  // The rules come when they are needed: a person who only looks does not wait for them.
  const { Card } = await import('@/core/card/card')
  const read = Card.safeParse(card)
  const wants: Record<string, string> = {}
  for (const issue of read.error?.issues ?? []) {
    const field = fieldOf(issue.path)
    const value = valueAt(card, field)
    wants[lineAt(field, typed)] ??=
      issue.code !== 'custom' && (value === undefined || value === '')
        ? 'Nothing is written here yet; copy it from the label.'
        : /^(Invalid|Too|Unrecognized)/.test(issue.message)
          ? 'This cannot be read; write it as the line says.'
          : issue.message
  }
  return wants
}
