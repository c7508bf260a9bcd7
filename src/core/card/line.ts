import { isHand } from '../methods/names'
import { leavesOut, namesHost } from './namesHost'

/** What of a use says where it stands among the lines of its card. */
export interface LineOf {
  method: string
  hosts: 'any' | readonly string[]
  notOn?: readonly string[]
  targets: readonly string[]
  window?: string
  terms?: object
}

/** A use among the lines of its card: it is the `n`th of them, the first is 1. */
export interface CardLines {
  n: number
  lines: readonly LineOf[]
}

/** What of the terms makes two sprays of one card different work. */
const spray = ({ terms }: LineOf) => {
  const { kind, when } = (terms ?? {}) as { kind?: string; when?: string }
  return `${kind ?? ''} ${when ?? ''}`
}

/** The same work of a card: by one method, in one window, of one kind of spray. Work by hand is chosen, it has no rates. */
const isLineOf = (a: LineOf, b: LineOf) =>
  !isHand(a.method) && a.method === b.method && a.window === b.window && spray(a) === spray(b)

/**
 * The lines of a use: all uses of its card that are the same work by other targets or kinds of tree, in the order of the card, and
 * its place among them, `at` its place on the card. A card that says one rate for all has one line.
 */
export function linesOf(uses: readonly LineOf[], at: number): CardLines {
  const own = uses.map((use, i) => ({ use, i })).filter(({ use }) => isLineOf(use, uses[at]!))
  return { n: own.findIndex(({ i }) => i === at) + 1, lines: own.map(({ use }) => use) }
}

/** True for a line that is for a kind of tree and a cause; one without targets is for every cause. */
export const fits = (line: LineOf, { host, cause }: { host: string; cause: string }): boolean =>
  namesHost(line, host) && (line.targets.length === 0 || line.targets.includes(cause))

/**
 * The number of the line that comes before this one for a kind of tree and a cause, or null: work falls to the first line of a card
 * that fits it, whatever a later one would allow. Source: how a label is read.
 *
 * @example lineBefore({ n: 2, lines: [ashBorers, anyBorers] }, { host: 'ash', cause: 'emerald-ash-borer' }) // 1
 */
export function lineBefore({ n, lines }: CardLines, at: { host: string; cause: string }): number | null {
  const first = lines.findIndex((line) => fits(line, at))
  return first >= 0 && first + 1 < n ? first + 1 : null
}

/** A line by its number, where a card has several; nothing else. `sayLine({ n: 2, lines: [a, b] })` is "line 2" */
export const sayLine = ({ n, lines }: CardLines): string => (lines.length > 1 ? `line ${n}` : '')

/**
 * The first line of a card to which nothing can ever fall, and the one that takes it all; null where every line is reached.
 */
export function neverReached(uses: readonly LineOf[]): { use: number; before: number } | null {
  for (const [at, line] of uses.entries()) {
    const before = uses.findIndex((other, i) => i < at && isLineOf(other, line) && takesAll(other, line))
    if (before >= 0) return { use: at, before }
  }
  return null
}

/** True where whatever a line is for falls to another. */
function takesAll(by: LineOf, line: LineOf): boolean {
  const hosts =
    line.hosts === 'any'
      ? by.hosts === 'any' && (by.notOn ?? []).every((h) => leavesOut(line, h))
      : line.hosts.every((h) => leavesOut(line, h) || namesHost(by, h))
  return hosts && (by.targets.length === 0 || line.targets.every((t) => by.targets.includes(t)))
}
