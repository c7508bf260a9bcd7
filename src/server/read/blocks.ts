import { causeName } from '@/almanac/causes'
import { leastLooked, sampleOf, spreadOver } from '@/core/plan/sample'
import { dateIn } from '@/core/time/calendar'
import { blocksOfSite, treesOfBlock } from '@/db/queries/block'
import { siteById } from '@/db/queries/site'
import { DECIDED } from '../decided'
import { isId, reading } from './reader'

/** The blocks of a site: where their trees stand, and what the trees looked at one by one say of the others. */
export function blocksView(siteId: string) {
  return reading(async ({ sql, now }) => {
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const today = dateIn(site.timeZone, now)
    const blocks = await blocksOfSite(sql, site.id)
    return {
      site,
      blocks: await Promise.all(
        blocks.map(async (block) => {
          const trees = await treesOfBlock(sql, site.id, block.name)
          const sampled = sampleOf(trees, today)
          return {
            ...block,
            least: leastLooked(block.trees),
            /** The next trees to look at, spread over the block. */
            next: spreadOver(
              trees.filter((t) => t.signed === null),
              leastLooked(block.trees),
            ).map(({ id, tag }) => ({ id, tag })),
            sample: sampled.ok
              ? {
                  cause: causeName(sampled.value.cause),
                  decided: DECIDED[sampled.value.action],
                  looked: sampled.value.looked.map((t) => t.tag),
                  rest: sampled.value.rest.length,
                  apart: sampled.value.apart.map((t) => t.tag),
                }
              : null,
            why: sampled.ok ? null : sampled.problem.message,
          }
        }),
      ),
    }
  })
}

export type BlocksView = NonNullable<Awaited<ReturnType<typeof blocksView>>>
