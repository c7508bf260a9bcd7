import { enterLotAsks, withdrawLotAsks } from '@/asks/shelf'
import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { Card } from '@/core/card/card'
import { cause as causeOf } from '@/almanac/causes'
import { hostsOf } from '@/almanac/ownEntry'
import { STAGE_NAMES } from '@/almanac/season'
import { ok, refuse, type Result } from '@/core/problem'
import { readWindow, stagesNamed } from '@/core/season/cardWindow'
import {
  addCard,
  addLot,
  lotsOf,
  newestVersion,
  versionsOfCard,
  withdrawLot,
  type CardRow,
} from '@/db/queries/card'
import type { FirmSql } from '@/db/client'
import { CARD_FORMAT } from '@/core/card/format'
import { kindOf, ownOf } from './almanac'
import { remark } from './anew'
import { id } from '@/asks/text'
import { hashOf, verb } from './verb'

/** The card format as JSON Schema, for whoever writes cards with a program; made from what checks them. */
export function cardSchema(): object {
  return {
    title: 'A card of Elmhorn',
    description:
      'What a label says of a product, with its uses. Quantities are written as on the label: "1/4 in", "0.2 fl oz", "0.4 lb/acre". Kinds of tree and causes are ids of the almanac.',
    // What work by hand leaves unsaid is filled in; what it never says is told by the shape.
    ...z.toJSONSchema(Card, { io: 'input', unrepresentable: 'any' }),
  }
}

/** A card as it is written to a file: the one JSON format it is read from. */
export function cardDocument(row: CardRow): Card {
  return {
    format: CARD_FORMAT,
    kind: row.kind,
    code: row.code,
    name: row.name,
    ...(row.registration !== null && { registration: row.registration }),
    ...row.body,
    uses: row.uses,
  }
}

/**
 * Enters a card, or the next version of one that is there. Versions stand: what was prescribed by an older one is told so. The
 * kinds of tree and causes it names must be those of the almanac or the firm's own.
 */
export const enterCardVerb = verb({
  roles: ['arborist', 'office'],
  bearing: 'change',
  about: (i) => i.id,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    card: Card,
    /** The version it was written after, null for a card that is not there yet: what stands now must be that. */
    after: z.int().nullable(),
  }),
  run: async (
    { sql, person, now },
    { id: cardId, card, after },
  ): Promise<Result<{ code: string; version: number }>> => {
    const unknown = await unknownIn(sql, card)
    if (unknown) return unknown
    // Two hands that enter the same card take turns.
    await sql`select pg_advisory_xact_lock(hashtextextended(${`card ${person.firmId} ${card.code}`}, 11))`
    const stands = (await versionsOfCard(sql, card.code))[0]
    if (stands && after === null)
      return refuse(
        'conflict',
        'card.code',
        `There is a card ${card.code} already: ${stands.name}, version ${stands.version}. Open it and enter its next version, or choose another code.`,
      )
    if ((stands?.version ?? null) !== after)
      return refuse(
        'conflict',
        'card',
        stands
          ? `${stands.enteredBy ?? 'Somebody'} has entered version ${stands.version} of ${card.code} since this form was opened. Open the card, see what changed, and enter yours after it.`
          : `There is no card ${card.code} any version could follow; enter it as a new one.`,
      )
    if (stands && hashOf('card', cardDocument(stands)) === hashOf('card', card))
      return refuse(
        'conflict',
        'card',
        `Card ${card.code} v${stands.version} says exactly this already; nothing was entered.`,
      )
    const version = (stands?.version ?? 0) + 1
    await addCard(sql, {
      id: cardId,
      firmId: person.firmId,
      version,
      card,
      useIds: card.uses.map(() => uuidv7()),
      at: now,
      by: person.id,
    })
    await remark({ sql, person }, { code: card.code })
    return ok({ code: card.code, version })
  },
})

/** The first kind of tree or cause a card names that nobody here knows. */
async function unknownIn(sql: FirmSql, card: Card): Promise<Result<never> | null> {
  const own = await ownOf(sql)
  const hosts = hostsOf(own)
  const causes = new Set(own.flatMap((o) => (o.kind === 'cause' ? [o.id] : [])))
  for (const [n, use] of card.uses.entries()) {
    const named = [
      ...(use.hosts === 'any' ? [] : use.hosts.map((h) => ['hosts', h] as const)),
      ...(use.notOn ?? []).map((h) => ['notOn', h] as const),
      ...(use.foodCrops ?? []).map((c) => ['foodCrops', c.host] as const),
    ]
    for (const [field, host] of named)
      if (!kindOf(host, hosts))
        return refuse(
          'unknown',
          `card.uses[${n}].${field}`,
          `The almanac knows no kind of tree "${host}". Look up its id in the almanac, or add the kind there first.`,
        )
    for (const target of use.targets)
      if (!causeOf(target) && !causes.has(target))
        return refuse(
          'unknown',
          `card.uses[${n}].targets`,
          `The almanac knows no cause "${target}". Look up its id in the almanac, or add the cause there first.`,
        )
    const window = use.window === undefined ? null : readWindow(use.window, 'window')
    const stage = window?.ok && stagesNamed(window.value).find((s) => !STAGE_NAMES.includes(s))
    if (stage)
      return refuse(
        'unknown',
        `card.uses[${n}].window`,
        `Nothing times the stage “${stage}”; those that are timed: ${STAGE_NAMES.join(', ')}. Write days for the others.`,
      )
  }
  return null
}

/** Puts a lot of a card on the shelf. */
export const enterLotVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.id,
  makes: (i) => i.id,
  input: enterLotAsks,
  run: async ({ sql, person, today }, input): Promise<Result<{ id: string }>> => {
    if ((await newestVersion(sql, input.code)) === 0)
      return refuse('unknown', 'code', 'There is no such card on the shelf.')
    if (input.expiresOn !== null && input.expiresOn < today)
      return refuse('out-of-range', 'expiresOn', 'This lot has expired; it does not go on the shelf.')
    const same = (await lotsOf(sql, input.code)).find(
      (l) => l.number.toLowerCase() === input.number.toLowerCase(),
    )
    if (same)
      return refuse('conflict', 'number', `Lot ${same.number} of ${input.code} is on the shelf already.`)
    await addLot(sql, { ...input, firmId: person.firmId })
    return ok({ id: input.id })
  },
})

/** Calls a lot back: nothing is put on from it any more, and what was put on from it says so. */
export const withdrawLotVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.lotId,
  input: withdrawLotAsks,
  run: async ({ sql, person, today }, input): Promise<Result<{ withdrawn: true }>> =>
    (await withdrawLot(sql, { id: input.lotId, on: today, why: input.why, by: person.id }))
      ? ok({ withdrawn: true })
      : refuse(
          'conflict',
          'lotId',
          'This lot was called back already, or is not on the shelf. Load the page again.',
        ),
})
