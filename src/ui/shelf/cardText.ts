import { METHOD_NAME } from '@/core/methods/names'
import { CAUSES } from '@/almanac/causes'
import { HOSTS } from '@/almanac/hosts'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import { CARD_FORMAT } from '@/core/card/format'
import type { Card, Method } from '@/core/card/card'
import { nested, rowsOf, valueAt, type Typed } from '@/ui/fields/paths'
import { ACTIVE_LINES, linesOfUse, PRODUCT_LINES, type CardLine } from './cardLines'

/** Names to ids and back; what has no name here goes on as it was written, so that it can be spoken about. */
const names = (all: readonly { id: string; name: string }[]) => {
  const byName = new Map(all.flatMap((x) => [[x.name.toLowerCase(), x.id] as const, [x.id, x.id] as const]))
  const byId = new Map(all.map((x) => [x.id, x.name]))
  return {
    id: (text: string) => byName.get(text.toLowerCase()) ?? text,
    name: (id: string) => byId.get(id) ?? id,
  }
}
/** How kinds of tree and causes are called on a card. */
export interface CardNames {
  host: ReturnType<typeof names>
  cause: ReturnType<typeof names>
}

/** The names of the almanac, with what a firm has added. */
export const cardNames = (own: readonly OwnEntry[] = []): CardNames => ({
  host: names([...HOSTS, ...hostsOf(own)]),
  cause: names([...CAUSES, ...own.flatMap((e) => (e.kind === 'cause' ? [e] : []))]),
})
const PRINTED = cardNames()

/** Parts of a line, with semicolons: names of trees and causes have commas in them. */
const split = (text: string, by = ';') =>
  text
    .split(by)
    .map((t) => t.trim())
    .filter((t) => t !== '')
const number = (text: string): number | string => (/^-?\d*\.?\d+$/.test(text) ? Number(text) : text)
/** `apple 14` is ['apple', 14]; without a number the words alone. */
const withDays = (text: string): [string, number | string] => {
  const found = /^(.*\S)\s+(\d+)$/.exec(text)
  return found ? [found[1]!, Number(found[2])] : [text, '']
}
const row = (text: string): [string | null, string] => {
  const at = text.indexOf(':')
  return at < 0 ? [null, text] : [text.slice(0, at).trim(), text.slice(at + 1).trim()]
}

/** What was written on a line, as the card holds it; what cannot be read goes on as it is, so that the rule names it. */
export function valueOfLine(line: CardLine, text: string, { host, cause }: CardNames = PRINTED): unknown {
  switch (line.kind) {
    case 'number':
      return number(text)
    case 'yes':
      return text === 'yes'
    case 'hosts':
      return text.toLowerCase() === 'any' ? 'any' : split(text).map(host.id)
    case 'causes':
      return split(text).map(cause.id)
    case 'list':
      return split(text)
    case 'any-list':
      return text.trim().toLowerCase() === 'any' ? 'any' : split(text)
    case 'harvest':
      return split(text).map((t) => {
        const [crop, harvestDays] = withDays(t)
        return { host: host.id(crop), harvestDays }
      })
    case 'apart':
      return split(text).map((t) => {
        const [active, days] = withDays(t)
        return { active, days }
      })
    case 'tiers':
      return split(text).map((t) => {
        const [above, rates] = row(t)
        const [low, high] = split(rates, ' to ')
        return { above: above ?? '', low: low ?? '', high: high ?? low ?? '' }
      })
    case 'water':
      return split(text).map((t) => {
        const [girthUpTo, volume] = row(t)
        return { ...(girthUpTo !== null && { girthUpTo }), volume }
      })
    case 'portTable':
      return split(text).map((t) => {
        const [upTo, ports] = row(t)
        return { ...(upTo !== null && { upTo }), ports: number(ports) }
      })
    default:
      return text
  }
}

type Row = Record<string, unknown>

const said = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value ?? '')

/** What the card holds, as it is written on a line. */
export function textOfValue(line: CardLine, value: unknown, { host, cause }: CardNames = PRINTED): string {
  if (value === undefined || value === null) return ''
  const rows = () => value as Row[]
  switch (line.kind) {
    case 'yes':
      return value ? 'yes' : 'no'
    case 'hosts':
      return value === 'any' ? 'any' : (value as string[]).map(host.name).join('; ')
    case 'causes':
      return (value as string[]).map(cause.name).join('; ')
    case 'list':
      return (value as string[]).join('; ')
    case 'any-list':
      return value === 'any' ? 'any' : (value as string[]).join('; ')
    case 'harvest':
      return rows()
        .map((r) => `${host.name(said(r['host']))} ${said(r['harvestDays'])}`)
        .join('; ')
    case 'apart':
      return rows()
        .map((r) => `${said(r['active'])} ${said(r['days'])}`)
        .join('; ')
    case 'tiers':
      return rows()
        .map((r) => `${said(r['above'])}: ${said(r['low'])} to ${said(r['high'])}`)
        .join('; ')
    case 'water':
      return rows()
        .map((r) =>
          r['girthUpTo'] === undefined ? said(r['volume']) : `${said(r['girthUpTo'])}: ${said(r['volume'])}`,
        )
        .join('; ')
    case 'portTable':
      return rows()
        .map((r) => (r['upTo'] === undefined ? said(r['ports']) : `${said(r['upTo'])}: ${said(r['ports'])}`))
        .join('; ')
    default:
      return said(value)
  }
}

/** The texts of one use by path within it. */
export function textsOfUse(typed: Typed, n: number): Typed {
  const from = `uses[${n}].`
  return Object.fromEntries(
    Object.entries(typed).flatMap(([path, text]) =>
      path.startsWith(from) ? [[path.slice(from.length), text]] : [],
    ),
  )
}

/** The method of a use on the form. */
export function methodAt(typed: Typed, n: number): Method {
  const method = typed[`uses[${n}].method`] as Method
  return method in METHOD_NAME ? method : 'crown-spray'
}

/** What stands on a blank form. */
export function blankCard(): Typed {
  return {
    ...startOf(PRODUCT_LINES, ''),
    ...startOf(ACTIVE_LINES, 'actives[0].'),
    ...blankUse(0, 'soil-drench'),
  }
}

const startOf = (lines: readonly CardLine[], at: string): Typed =>
  Object.fromEntries(lines.map((l) => [`${at}${l.path}`, l.start ?? '']))

/** What stands on the form for a new use of a method. */
export function blankUse(n: number, method: Method): Typed {
  return { ...startOf(linesOfUse(method), `uses[${n}].`), [`uses[${n}].method`]: method }
}

/** What stands on the form for one more line of a use: all of it, but for the trees and causes, which are to be said. */
export function lineLike(typed: Typed, n: number, to: number): Typed {
  const said = { ...textsOfUse(typed, n), hosts: '', notOn: '', targets: '' }
  return Object.fromEntries(Object.entries(said).map(([path, text]) => [`uses[${to}].${path}`, text]))
}

const listAt = (card: unknown, path: string): unknown[] => {
  const value = valueAt(card, path)
  return Array.isArray(value) ? value : []
}

/** A card as it stands on the form. */
export function typedOf(card: unknown, named: CardNames = PRINTED): Typed {
  const typed: Record<string, string> = {}
  const put = (lines: readonly CardLine[], at: string) => {
    for (const line of lines)
      typed[`${at}${line.path}`] = textOfValue(line, valueAt(card, `${at}${line.path}`), named)
  }
  put(PRODUCT_LINES, '')
  for (const n of listAt(card, 'actives').keys()) put(ACTIVE_LINES, `actives[${n}].`)
  for (const [n, use] of listAt(card, 'uses').entries()) {
    const method = ((use as Row | null)?.['method'] ?? '') as Method
    typed[`uses[${n}].method`] = method
    if (method in METHOD_NAME) put(linesOfUse(method), `uses[${n}].`)
  }
  return typed
}

/** The paths of the lines that stand on the form, from its head to its foot. */
export function pathsOf(typed: Typed): string[] {
  const shown = (lines: readonly CardLine[], at: string, own: Typed) =>
    lines.filter((l) => !l.when || l.when(own)).map((l) => `${at}${l.path}`)
  return [
    ...shown(PRODUCT_LINES, '', typed),
    ...rowsOf(typed, 'actives').flatMap((n) => shown(ACTIVE_LINES, `actives[${n}].`, typed)),
    ...rowsOf(typed, 'uses').flatMap((n) =>
      shown(linesOfUse(methodAt(typed, n)), `uses[${n}].`, textsOfUse(typed, n)),
    ),
  ]
}

/** The card that stands on the form, as it is sent; empty lines are left out. */
export function cardOf(typed: Typed, named: CardNames = PRINTED): Card {
  const values: Record<string, unknown> = {}
  const put = (lines: readonly CardLine[], at: string, own: Typed) => {
    for (const line of lines) {
      if (line.when && !line.when(own)) continue
      const text = (typed[`${at}${line.path}`] ?? '').trim()
      if (text === '' && line.kind !== 'yes') continue
      // What is not forbidden is not said.
      if (line.path === 'neverInBloom' && text !== 'yes') continue
      if (line.path === 'terms.strongSun' && text !== 'no') continue
      values[`${at}${line.path}`] = valueOfLine(line, text, named)
    }
  }
  put(PRODUCT_LINES, '', typed)
  for (const n of rowsOf(typed, 'actives')) put(ACTIVE_LINES, `actives[${n}].`, typed)
  for (const n of rowsOf(typed, 'uses')) {
    values[`uses[${n}].method`] = methodAt(typed, n)
    put(linesOfUse(methodAt(typed, n)), `uses[${n}].`, textsOfUse(typed, n))
  }
  return { format: CARD_FORMAT, actives: [], uses: [], ...nested(values) } as unknown as Card
}

/** What a format fills in for a line that says nothing. */
const UNSAID: readonly unknown[] = [false, '', 0]

/**
 * What a card file says that does not stand on the form as it was: the paths of it, so that nothing of a file is lost
 * unseen. `leftOut(file, cardOf(typedOf(file)))` is empty for a card of this format.
 */
export function leftOut(file: unknown, card: unknown, at = ''): string[] {
  if (typeof file !== 'object' || file === null)
    return file === card || (card === undefined && UNSAID.includes(file)) ? [] : [at || 'the file']
  const other = (typeof card === 'object' && card !== null ? card : {}) as Row
  return Object.entries(file as Row).flatMap(([key, value]) =>
    leftOut(value, other[key], Array.isArray(file) ? `${at}[${key}]` : at === '' ? key : `${at}.${key}`),
  )
}
