import { METHOD_NAME } from '@/core/methods/names'
import { capital } from '@/core/capital'
import type { Method } from '@/core/card/card'
import type { LocalRule } from '@/core/rules/localRule'
import { sayYearly } from '@/core/time/yearly'

/** Names in a row; with semicolons where one of them has a comma of its own. */
function list(names: readonly string[]): string {
  if (names.some((n) => n.includes(','))) return names.join('; ')
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}
const works = (methods: readonly Method[]) => list(methods.map((m) => METHOD_NAME[m].toLowerCase()))

/**
 * What a rule does to work, in one line; `name` gives the kinds of tree and the causes their names.
 * @example sayRule({ kind: 'setback', distance: '100 ft', methods: ['soil-drench'] }, name) // '100 ft from water and wells: soil drench'
 */
export function sayRule(rule: LocalRule, name: (id: string) => string): string {
  const on = (hosts: 'any' | readonly string[]) =>
    hosts === 'any' ? 'on any tree' : `on ${list(hosts.map((h) => name(h).toLowerCase()))}`
  switch (rule.kind) {
    case 'closed-season':
      return `${capital(works(rule.methods))}: closed ${on(rule.hosts)}, ${sayYearly(rule)}`
    case 'restricted':
      return `No ${list(rule.actives)} ${on(rule.hosts)}${rule.from && rule.to ? `, ${sayYearly({ from: rule.from, to: rule.to })}` : ''}`
    case 'bloom':
      return `No group ${list(rule.groups)} ${on(rule.hosts)}, ${sayYearly(rule)}`
    case 'setback':
      return `${rule.distance} from water and wells: ${works(rule.methods)}`
    case 'notice':
      return `Tell ${rule.whom} ${rule.days} ${rule.days === 1 ? 'day' : 'days'} before: ${works(rule.methods)}`
    case 'amateur':
      return `Not by the client: ${works(rule.methods)}`
    case 'report':
      return `Tell ${rule.whom} within ${rule.days} ${rule.days === 1 ? 'day' : 'days'}: ${list(rule.causes.map((c) => name(c).toLowerCase()))}`
  }
}
