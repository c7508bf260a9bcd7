import { z } from 'zod'
import { host } from '@/almanac/hosts'
import { number, orNothing, said, saying } from './field'
import { accepted, id, line, typed, version, words } from './text'

/** A kind of the almanac, or one that may be the firm's own, which is asked in the step. */
const kind = (label: string) =>
  z
    .string({ error: 'Kind: choose it from the list.' })
    .max(60)
    .refine((h) => host(h) !== undefined || h.startsWith('own-'), {
      error: 'Kind is not one the almanac knows; choose it from the list.',
    })
    .register(said, { label, input: 'choice' })

const metres = () =>
  z
    .number({ error: 'Place: press the plan where the tree stands, or type both distances.' })
    .min(-5000, { error: 'The place is more than 5 km off the plan; check the distance.' })
    .max(5000, { error: 'The place is more than 5 km off the plan; check the distance.' })

/** Where a tree stands, as a step takes it, and what was asked about it and answered yes. */
const place = { eastM: metres(), northM: metres(), accepted: accepted() }

const newTree = {
  tag: saying(line('Tag', 40), { placeholder: 'Ash 18' }),
  host: kind('Kind, as far as you can tell now'),
  note: saying(words('Notes'), { label: 'Note, if any', input: 'line' }),
}

/** A new tree as its form asks for it, beside its place on the plan. */
export const newTreeAsks = z.strictObject(newTree)
/** A new tree. */
export const addTreeAsks = z.strictObject({ id: id(), siteId: id('siteId'), ...newTree, ...place })

/** Where a tree stands, told anew unless somebody changed it since. */
export const moveTreeAsks = z.strictObject({ treeId: id('treeId'), version: version(), ...place })

const liveCrown = () =>
  orNothing(
    number('Live crown', { least: 0, most: 100, label: 'Live crown, % in steps of 5' }).refine(
      (percent) => percent % 5 === 0,
      { error: 'Live crown goes in steps of 5 %; type 75 or 80, not between.' },
    ),
  )

/** A tree's own fields, unless somebody changed them since. */
export const changeTreeAsks = z.strictObject({
  treeId: id('treeId'),
  version: version(),
  tag: line('Tag', 40),
  host: kind('Kind'),
  note: saying(words('Notes'), { label: 'Note' }),
  liveCrownPercent: liveCrown(),
})

/** What kind a tree is. */
export const confirmIdentityAsks = z.strictObject({ treeId: id('treeId'), host: kind('Kind') })

/** As many stems as one reading has. */
export const MOST_STEMS = 30
const AT_LEAST_ONE = 'Type the girth or the diameter of at least one stem.'

/** A reading of a trunk, as typed. */
export const addReadingAsks = z.strictObject({
  id: id(),
  treeId: id('treeId'),
  tape: z.enum(['girth', 'diameter'], { error: 'Say which tape it was: girth or diameter.' }).register(said, {
    label: 'Which tape?',
    input: 'choice',
    options: [
      ['girth', 'Girth tape'],
      ['diameter', 'Diameter tape'],
    ],
  }),
  bareUnit: z.enum(['in', 'cm']),
  stems: z
    .array(typed('A stem'), { error: AT_LEAST_ONE })
    .min(1, { error: AT_LEAST_ONE })
    .max(MOST_STEMS, { error: `More than ${MOST_STEMS} stems; measure the largest ${MOST_STEMS}.` }),
  accepted: accepted(),
})

/** A reading that was wrong. */
export const strikeReadingAsks = z.strictObject({
  treeId: id('treeId'),
  readingId: id('readingId'),
  words: line('Why it is struck out', 300, 4),
})

/** A tree that is gone. */
export const removeTreeAsks = z.strictObject({
  treeId: id('treeId'),
  version: version(),
  words: saying(line('Why it is taken from the list', 300, 4), {
    label: 'In a few words: felled, fallen, never there',
  }),
})

/** A tree that is listed twice. */
export const mergeTreesAsks = z.strictObject({
  treeId: id('treeId'),
  version: version(),
  into: saying(line('Tag of the tree that stays', 40), {
    label: 'Tag of the listing that stays',
    help: 'What was done under either counts for the one that stays: holes, doses, history.',
  }),
  accepted: accepted(),
})

/** As many trees as a block may have. */
const MOST_OF_BLOCK = 1000

/** Trees that are named as a block; nothing takes the name off them. */
export const setBlockAsks = z.strictObject({
  siteId: id('siteId'),
  treeIds: z
    .array(id('treeId'))
    .min(1, { error: 'Choose at least one tree.' })
    .max(MOST_OF_BLOCK, { error: `A block has at most ${MOST_OF_BLOCK} trees; make two of it.` }),
  name: saying(line('Name of the block', 40), { placeholder: 'Bank A' }).nullable(),
})

const level = () => z.union([z.literal(1), z.literal(2), z.literal(3)], { error: 'Choose one of the three.' })

/** What could break over somebody: how weak, over whom, and what would come of it, each in words too. */
export const screenSafetyAsks = z.strictObject({
  id: id(),
  treeId: id('treeId'),
  defect: level().register(said, { label: 'What is weak', input: 'choice' }),
  defectWords: saying(line('What is weak', 160, 3), {
    label: 'What is weak, in words',
    help: 'in your words: which limb, which side',
  }),
  target: level().register(said, { label: 'What is beneath', input: 'choice' }),
  targetWords: saying(line('What is beneath', 160, 3), {
    label: 'What is beneath, in words',
    help: 'who, how long, when',
  }),
  consequence: level().register(said, { label: 'What would come of it', input: 'choice' }),
  consequenceWords: saying(line('What would come of it', 160, 3), {
    label: 'What would come of it, in words',
    help: 'if it came down',
  }),
})
