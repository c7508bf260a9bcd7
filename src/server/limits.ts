import { noteAppliedAsks, setAreaAsks } from '@/asks/limits'
import { activeKey } from '@/core/actives/actives'
import { ok, refuse, type Result } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn } from '@/core/time/calendar'
import { activesOnShelf } from '@/db/queries/card'
import { noteAppliedByOthers, setArea, siteForChange } from '@/db/queries/limit'
import { siteById } from '@/db/queries/site'
import { remark } from './anew'
import { verb } from './verb'

/** More of one active than this on one site in one entry is a slip of the unit. */
const MOST_KG = 500
/** No site is larger, m²; a slip of the unit is. */
const LARGEST_M2 = 1e8

/** Notes what somebody else put on the same ground: it counts toward the yearly limit as our own does. */
export const noteAppliedVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  bearing: 'change',
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: noteAppliedAsks,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, now } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    if (input.onDate > dateIn(site.timeZone, now))
      return refuse(
        'out-of-range',
        'onDate',
        'The day lies ahead; note what was put on, not what is planned.',
      )
    const known = await activesOnShelf(sql)
    const active = activeKey(input.active)
    if (!known.some((a) => activeKey(a) === active))
      return refuse(
        'unknown',
        'active',
        `No card on the shelf has ${input.active} in it, so no limit counts it. Those there are: ${known.join(', ')}.`,
      )
    const amount = readQuantity(input.amount, 'mass', 'amount', {
      bareUnit: person.units === 'us' ? 'lb' : 'kg',
      name: 'How much of it',
    })
    if (!amount.ok) return amount
    if (!(amount.value.si > 0 && amount.value.si <= MOST_KG))
      return refuse(
        'out-of-range',
        'amount',
        'The amount must be more than zero; check the number and the unit.',
      )
    await siteForChange(sql, site.id)
    await noteAppliedByOthers(sql, {
      id: input.id,
      firmId: person.firmId,
      siteId: site.id,
      active,
      activeKg: amount.value.si,
      onDate: input.onDate,
      source: input.source,
      at: now,
      by: person.id,
    })
    await remark(context, { siteId: site.id })
    return ok({ id: input.id })
  },
})

/** Enters how large a site is: what a yearly limit per area is of. */
export const setAreaVerb = verb({
  roles: ['arborist', 'office'],
  bearing: 'change',
  about: (i) => i.siteId,
  input: setAreaAsks,
  run: async (context, input): Promise<Result<{ areaM2: number }>> => {
    const { sql, person } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    if (site.areaMeasured)
      return refuse(
        'conflict',
        'area',
        'The ground is drawn on the plan, and its area is measured there; change it on the plan.',
      )
    const area = readQuantity(input.area, 'area', 'area', {
      bareUnit: person.units === 'us' ? 'acre' : 'm2',
      name: 'Area',
    })
    if (!area.ok) return area
    if (!(area.value.si > 0 && area.value.si <= LARGEST_M2))
      return refuse('out-of-range', 'area', 'The area must be more than zero; check the number and the unit.')
    await siteForChange(sql, site.id)
    await setArea(sql, site.id, area.value.si)
    await remark(context, { siteId: site.id })
    return ok({ areaM2: area.value.si })
  },
})
