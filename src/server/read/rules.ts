import { localRules } from '@/db/queries/localRule'
import { districts } from '@/db/queries/site'
import { ownOf } from '../almanac'
import { reading } from './reader'

/** Every rule of a place that the firm keeps, and what a new one is entered with. */
export function rulesView() {
  return reading(async ({ sql, person }) => {
    const own = await ownOf(sql)
    return {
      timeZone: person.timeZone,
      rules: (await localRules(sql)).map(({ madeAt, endedAt, ...r }) => ({
        ...r,
        madeAt: madeAt.getTime(),
        endedAt: endedAt?.getTime() ?? null,
      })),
      districts: await districts(sql),
      ownHosts: own.flatMap((o) => (o.kind === 'host' ? [{ id: o.id, name: o.name }] : [])),
      ownCauses: own.flatMap((o) => (o.kind === 'cause' ? [{ id: o.id, name: o.name }] : [])),
    }
  })
}

export type RulesView = Awaited<ReturnType<typeof rulesView>>
