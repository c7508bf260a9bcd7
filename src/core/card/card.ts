import { HAND_NAMES, type HandName, PUT_ON_METHODS, type PutOnMethod, isHand } from '../methods/names'
import { z } from 'zod'
import { countable } from '../limits/counted'
import { handMethod } from '../methods/hand'
import { PUT_ON_SCHEMAS } from '../methods/schemas'
import { CARD_FORMAT } from './format'
import { neverReached } from './line'
import { schemaOf } from './lineSchema'
import { known, quantity, rate, whole, window, words } from './written'

/** What every use of a product says beside the method's own terms. */
const everyUse = {
  /** Kinds of tree of the almanac, or every ornamental kind. */
  hosts: z.union([z.literal('any'), z.array(known()).min(1).max(200)]),
  notOn: z.array(known()).max(200).optional(),
  targets: z.array(known()).min(1, { error: 'A use names at least one cause it is for.' }).max(200),
  forbiddenOnFood: z.boolean(),
  foodCrops: z
    .array(z.strictObject({ host: known(), harvestDays: whole(0, 365) }))
    .max(60)
    .optional(),
  limits: z
    .strictObject({
      activePerAreaYear: rate('mass', 'area').optional(),
      timesPerYear: whole(1, 60).optional(),
      leastDays: whole(1, 400).optional(),
    })
    .optional(),
  /** Not within so many days of another active, before or after. */
  apart: z
    .array(z.strictObject({ active: words(60), days: whole(1, 120) }))
    .max(20)
    .optional(),
  reentryHours: z.number().min(0).max(720),
  neverInBloom: z.boolean().optional(),
  beeCaution: words(300),
  waterCaution: words(300),
  waterSetback: quantity('length').optional(),
  /** On which days it may go on; any day where it is left out. */
  window: window().optional(),
  protectiveGear: z
    .array(words(80))
    .min(1, { error: 'Name what is worn; at least gloves and eyes are covered.' })
    .max(20),
}

/** Work without a product says the same, most of it by saying nothing. */
const handUse = (method: HandName) =>
  z.strictObject({
    method: z.literal(method),
    hosts: everyUse.hosts,
    notOn: everyUse.notOn,
    /** None where the house leaves it to the almanac: wherever it names this method for the cause. */
    targets: z.array(known()).max(200).default([]),
    forbiddenOnFood: z.literal(false).default(false),
    foodCrops: z.undefined().optional(),
    limits: z.undefined().optional(),
    apart: z.undefined().optional(),
    reentryHours: z.literal(0).default(0),
    neverInBloom: z.undefined().optional(),
    beeCaution: z.string().max(300).default(''),
    waterCaution: z.string().max(300).default(''),
    waterSetback: z.undefined().optional(),
    window: everyUse.window,
    protectiveGear: everyUse.protectiveGear,
    terms: schemaOf(handMethod(method).terms),
  })

/** A use of a house card by a method without a product. */
export type HandUse<H extends HandName = HandName> = Omit<
  z.output<ReturnType<typeof handUse>>,
  'method' | 'terms'
> & {
  method: H
  terms: Record<string, string | number>
}

const EveryUse = z.strictObject(everyUse)

const use = (method: PutOnMethod, terms: z.ZodType) => EveryUse.extend({ method: z.literal(method), terms })

const putOn = PUT_ON_METHODS.map((method) => use(method, PUT_ON_SCHEMAS[method].terms))

type Terms = { [M in PutOnMethod]: z.output<(typeof PUT_ON_SCHEMAS)[M]['terms']> }

export type PutOnUse = {
  [M in PutOnMethod]: { method: M; terms: Terms[M] } & z.output<typeof EveryUse>
}[PutOnMethod]
export type CardUse = PutOnUse | { [H in HandName]: HandUse<H> }[HandName]

/**
 * One use of a card: a method with the terms the label, or the house, gives for it. Where a label gives other rates, days or most uses
 * by target or kind of tree, each is a use, and they are its lines (`core/card/line`).
 */
export const CardUse = z.discriminatedUnion('method', [...putOn, ...HAND_NAMES.map(handUse)] as unknown as [
  (typeof putOn)[number],
]) as unknown as z.ZodType<CardUse>

/**
 * A card: what the firm has copied from a label, or set itself as a house card, with its uses. Read and written as JSON in this
 * one shape. A card is never edited; what changes is a new version.
 */
export const Card = z
  .strictObject({
    format: z.literal(CARD_FORMAT, { error: `A card begins with "format": "${CARD_FORMAT}".` }),
    kind: z.enum(['label', 'house'], { error: 'A card is of a label or of the house.' }),
    code: z.string().regex(/^[A-Z][A-Z0-9-]{1,11}$/, {
      error: 'A code is 2 to 12 capital letters, digits and dashes: EB4.',
    }),
    name: words(60, 2),
    registration: words(60).optional(),
    formulation: words(120),
    actives: z.array(z.strictObject({ name: words(60), strength: words(40), group: words(12) })).max(6),
    signalWord: z.enum(['none', 'caution', 'warning', 'danger']),
    storage: words(200).optional(),
    /** Said on the card's face: an example, not a label. */
    example: z.boolean(),
    uses: z.array(CardUse).min(1, { error: 'A card has at least one use.' }).max(24),
  })
  .superRefine((card, context) => {
    const wrong = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message })
    if (card.kind === 'label' && card.registration === undefined)
      wrong('registration', 'A label has a registration number; copy it, or make it a house card.')
    if (card.kind === 'label' && card.actives.length === 0) wrong('actives', 'A label names what is in it.')
    if (card.uses.some((u) => u.limits?.activePerAreaYear !== undefined) && !countable(card.actives))
      wrong(
        'actives',
        'Where a yearly limit counts, the strengths of all actives are given alike: each in lb/gal, or each in per cent.',
      )
    if (card.kind === 'label' && card.uses.some((u) => isHand(u.method)))
      wrong('kind', 'Work without a product stands on a house card; make it one.')
    if (card.kind === 'house' && card.registration !== undefined)
      wrong('registration', 'A house card has no registration number; leave it out, or make it a label card.')
    const idle = neverReached(card.uses)
    if (idle)
      context.addIssue({
        code: 'custom',
        path: ['uses', idle.use, 'targets'],
        message: `Nothing ever falls to this line: use ${idle.before + 1} takes the same trees and causes first. Put the narrower one before the wider.`,
      })
  })

export type Card = z.output<typeof Card>
/** Every method a card can be of. */
export type Method = CardUse['method']

/** The terms of a use of one method. */
export type TermsOf<M extends Method> = Extract<CardUse, { method: M }>['terms']
