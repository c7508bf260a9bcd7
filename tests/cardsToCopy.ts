import { randomUUID } from 'node:crypto'
import type postgres from 'postgres'
import { addCard } from '@/db/queries/card'
import { CARDS } from '../demo/cards'

/** Puts the cards that a made firm copies on the shelf of a firm beside it. */
export async function cardsToCopy(owner: postgres.Sql): Promise<void> {
  await owner`insert into firm (id, name, town, time_zone) values ('00000001-0000-7000-8000-00000000aaaa', 'Beside', 'Quayside', 'UTC') on conflict do nothing`
  const beside = '00000001-0000-7000-8000-00000000aaaa'
  await owner`delete from card_use where firm_id = ${beside}`
  await owner`delete from card where firm_id = ${beside}`
  for (const code of ['EB4', 'SU8']) {
    const { card, version } = CARDS.find((c) => c.card.code === code)!
    await owner.begin((t) =>
      addCard(t as never, {
        id: randomUUID(),
        firmId: beside,
        version,
        card,
        useIds: card.uses.map(() => randomUUID()),
        at: new Date(),
        by: null,
      }),
    )
  }
}
