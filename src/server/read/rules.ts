import { CAUSES } from '@/almanac/causes'
import { HOSTS } from '@/almanac/hosts'
import type { LocalRule } from '@/core/rules/localRule'
import { localRules } from '@/db/queries/localRule'
import { districts } from '@/db/queries/site'
import { ownOf } from '../almanac'
import { reading } from './reader'

/** Every rule of a place that the firm keeps, and what a new one is entered with. */
export function rulesView() {
  return reading(async ({ sql, person }) => {
    const own = await ownOf(sql)
    const rules = await localRules(sql)
    const ownHosts = own.flatMap((o) => (o.kind === 'host' ? [{ id: o.id, name: o.name }] : []))
    const ownCauses = own.flatMap((o) => (o.kind === 'cause' ? [{ id: o.id, name: o.name }] : []))
    const named = new Set(rules.flatMap(({ rule }) => idsIn(rule)))
    return {
      timeZone: person.timeZone,
      rules: rules.map(({ madeAt, endedAt, ...r }) => ({
        ...r,
        madeAt: madeAt.getTime(),
        endedAt: endedAt?.getTime() ?? null,
      })),
      districts: await districts(sql),
      ownHosts,
      ownCauses,
      /** What the rules name, by id. */
      names: Object.fromEntries(
        [...HOSTS, ...ownHosts, ...CAUSES, ...ownCauses]
          .filter(({ id }) => named.has(id))
          .map(({ id, name }) => [id, name]),
      ),
    }
  })
}

/** The kinds of tree and the causes a rule names. */
const idsIn = (rule: LocalRule): readonly string[] => [
  ...('hosts' in rule && rule.hosts !== 'any' ? rule.hosts : []),
  ...('causes' in rule ? rule.causes : []),
]

export type RulesView = Awaited<ReturnType<typeof rulesView>>
