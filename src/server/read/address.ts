import { isDate } from '@/core/time/calendar'
import { isId } from '../id'
import { hasUnseen } from '@/core/text/unseen'

/** What stands behind the question mark of an address, as Next gives it. */
export type Query = Record<string, string | string[] | undefined>

/** One text of an address: the first where it stands twice, nothing where it is no text that can be kept. */
export function textOf(query: Query, name: string, most = 200): string | null {
  const value = query[name]
  const text = Array.isArray(value) ? value[0] : value
  return text === undefined || text.length > most || hasUnseen(text) ? null : text
}

/** A whole number of an address within bounds, or nothing. `numberOf({ before: '12' }, 'before', 1, 99) === 12` */
export function numberOf(query: Query, name: string, least: number, most: number): number | null {
  const text = textOf(query, name, 12)
  if (text === null || !/^\d+$/.test(text)) return null
  const number = Number(text)
  return number >= least && number <= most ? number : null
}

/** An id of an address, or nothing. */
export function idOf(query: Query, name: string): string | null {
  const text = textOf(query, name, 36)
  return text !== null && isId(text) ? text : null
}

/** Where a list by site and tag goes on, or nothing: then it begins at the first. */
export function readAfter(query: Query): { site: string; tag: string; id: string } | null {
  const [site, tag, id] = [idOf(query, 'site'), textOf(query, 'tag', 40), idOf(query, 'id')]
  return site !== null && tag !== null && id !== null ? { site, tag, id } : null
}

/** Where a list by day goes on, its day under the given name, or nothing: then it begins at the first. */
export function readAfterDay(query: Query, name: string): { day: string; id: string } | null {
  const [day, id] = [textOf(query, name, 10), idOf(query, 'id')]
  return day !== null && id !== null && isDate(day) ? { day, id } : null
}

/**
 * An address within the product, or the first page: nothing that a browser would take for another host, whatever it makes
 * of tabs, line ends and backslashes, and of dots that fall away. `ownPath('//elsewhere.example') === '/'`
 */
export function ownPath(text: string | null): string {
  if (text === null || !/^\/(?![/\\])[\x21-\x7e]*$/.test(text) || text.includes('\\')) return '/'
  const base = 'https://own.example'
  try {
    const url = new URL(text, base)
    const path = url.pathname + url.search + url.hash
    // Read once more as a browser will: `/.//elsewhere` has become `//elsewhere`.
    return url.origin === base && new URL(path, base).href === url.href ? path : '/'
  } catch {
    return '/'
  }
}

/** Whose day is asked for, `?crew=…`: a crew, `none` for the work that no crew has (null), or whichever is one's own (undefined). */
export function crewOf(query: Query): string | null | undefined {
  return textOf(query, 'crew', 36) === 'none' ? null : (idOf(query, 'crew') ?? undefined)
}
