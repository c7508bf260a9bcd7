import { inFirm } from '@/db/client'
import { treesOfSite, type TreeCard } from '@/db/queries/tree'
import { inOrder, orderKey, TREE_ORDERS } from '@/core/plan/order'
import { closePool, makeFirm, uuidv7, type TestFirm } from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('List firm')
  const sizes: [string, number | null, number | null][] = [
    ['A', 0.4, 40],
    ['B', null, 90],
    ['C', 0.4, null],
    ['D', 0.9, 90],
    ['E', null, null],
    ['F', 0.123456789, 40],
    ['G', 0.9, 5],
  ]
  await inFirm(firm.id, async (sql) => {
    for (const [tag, diameter, crown] of sizes)
      await sql`insert into tree (id, firm_id, site_id, tag, host, east_m, north_m, live_crown_percent, diameter_m)
        values (${uuidv7()}, ${firm.id}, ${firm.site}, ${tag}, 'ash', 1, 1, ${crown}, ${diameter})`
  })
})
afterAll(() => closePool())

test.each(TREE_ORDERS)(
  'by %s, two at a time, every tree comes once and in the order the device sorts by',
  async (order) => {
    const pages = await inFirm(firm.id, async (sql) => {
      const all: TreeCard[] = []
      for (let page = 0; page < 9; page++) {
        const last = all.at(-1)
        const after = last ? { key: orderKey(order, last), tag: last.tag, id: last.id } : null
        all.push(...(await treesOfSite(sql, firm.site, after, 2, {}, order)))
      }
      return all
    })
    expect(pages).toHaveLength(7)
    expect(pages.map((t) => t.tag)).toEqual([...pages].sort(inOrder(order)).map((t) => t.tag))
  },
)
