import { HAND_NAMES, PUT_ON_METHODS } from '@/core/methods/names'
import { z } from 'zod'
import { HOW_WELL, LEAF, putsOn, WAY_METHODS } from '@/core/decide/way'
import { PRODUCT_CLASSES } from '@/core/diagnose/almanac'
import { DECISIONS, type DecisionId } from '@/core/diagnose/decision'
import { readWindow } from '@/core/season/cardWindow'
import { CAUSES } from './causes'
import { FINDINGS } from './findings'
import { HOSTS } from './hosts'
import { LOOKS } from './looks'
import { PRACTICE } from './practice'
import { WAYS } from './ways'

const text = (least = 4) => z.string().trim().min(least).max(400)
const id = z.string().regex(/^[a-z][a-z0-9-]{2,40}(\.[a-z-]{2,20})?$/)
const ids = (list: readonly { id: string }[]) => z.enum(list.map((x) => x.id) as [string, ...string[]])
const month = z.int().min(1).max(12)

const Finding = z.strictObject({
  id,
  place: z.enum(['site', 'crown', 'leaf', 'shoot', 'trunk', 'base', 'soil', 'fruit', 'lab']),
  how: text(2),
  name: text(3).max(40),
  question: text(12),
  minutes: z.number().positive().max(60),
  background: z.number().gt(0).lt(0.6),
  settles: z.array(id).min(1).optional(),
  misses: z.number().gt(0).lt(0.5).optional(),
  days: z.int().min(0).max(60).optional(),
  months: z.array(month).min(1).optional(),
  monthsOn: z.record(z.string(), z.array(month).min(1)).optional(),
  onlyOn: z.array(ids(HOSTS)).min(1).optional(),
  conifers: z.boolean().optional(),
  retired: z.boolean().optional(),
  unsafe: z.boolean().optional(),
  oneTree: z.boolean().optional(),
  onRing: z
    .strictObject({
      mark: z.enum(['flare', 'dead', 'thin', 'girdling', 'hole']),
      state: z.enum(['there', 'not-there']),
    })
    .optional(),
})

const Host = z.object({
  id,
  name: text(3),
  botanical: text(3),
  wood: z.enum(['ring-porous', 'semi-ring-porous', 'diffuse-porous', 'conifer']),
  edible: z.boolean(),
  askFood: text(8).optional(),
  oil: text(8).optional(),
  noNeonicotinoid: text(8).optional(),
  note: text().optional(),
  confusedWith: z
    .strictObject({ host: ids(HOSTS), question: text(), ifThis: text(), ifOther: text() })
    .optional(),
})

const ProductClass = z.enum(PRODUCT_CLASSES)
const often = z.enum(['always', 'usual', 'sometimes', 'seldom', 'never'])
const frequencies = z.partialRecord(ids(FINDINGS), often)

/** One cause, with everything it must say. */
export const CauseEntry = z.strictObject({
  id,
  name: text(3).max(40),
  kind: text(3),
  hosts: z.union([z.literal('*'), z.array(ids(HOSTS)).min(1)]),
  notOn: z.array(ids(HOSTS)).min(1).optional(),
  prior: z.number().positive().max(10),
  oftenerOn: z.partialRecord(ids(HOSTS), z.number().positive().max(5)).optional(),
  months: z.array(month).min(1).optional(),
  findings: frequencies.refine(
    (f) => Object.values(f).some((often) => often === 'always' || often === 'usual'),
    {
      error: 'A cause that shows nothing for certain cannot be found.',
    },
  ),
  on: z.partialRecord(ids(HOSTS), frequencies).optional(),
  defining: z.array(ids(FINDINGS)).min(1),
  action: text(3),
  decision: z.enum(Object.keys(DECISIONS) as [DecisionId, ...DecisionId[]]).optional(),
  proof: z.enum(['first', 'where new', 'before a product']).optional(),
  harmless: z.boolean().optional(),
  bearsOn: z.partialRecord(ids(HOSTS), z.array(ProductClass)).optional(),
  opens: z.array(ids(CAUSES)).min(1).optional(),
  meanwhile: text().optional(),
  refuses: z.partialRecord(ProductClass, text(10)),
  livesOn: z.array(ids(CAUSES)).min(1).optional(),
  girdles: z.boolean().optional(),
  oil: z.boolean().optional(),
  reportable: z.boolean().optional(),
  oneLine: text(10),
  act: text(4),
  doNot: text(8),
  expect: text(8),
  spread: text(4),
  lookAlikes: z.array(z.strictObject({ cause: ids(CAUSES), check: text(6) })).min(1),
})

const PracticeEntry = z.strictObject({
  works: z.enum(['yes', 'partly', 'no', 'not needed']),
  lookAgain: z.array(z.int().min(1).max(2000)).min(1),
  degreeDays: z.tuple([z.number().positive(), z.number().positive(), text(3)]).optional(),
  safety: text(8),
  source: z.enum(['extension service', 'label style', 'handbook of the trade', 'practice']),
})

const WayEntry = z
  .strictObject({
    method: z.enum(WAY_METHODS),
    what: text(4),
    kinds: z.array(text(3)).min(1).optional(),
    when: text(4),
    time: z.strictObject({
      window: z
        .string()
        .refine((t) => readWindow(t, 'window').ok, { error: 'It is no window.' })
        .optional(),
      leaf: z.array(z.enum(LEAF)).min(1).optional(),
      bloom: z.enum(['open', 'not open']).optional(),
      larvae: z.literal('small').optional(),
      snow: z.literal('before').optional(),
      after: z.enum(HAND_NAMES).optional(),
      before: z.enum(HAND_NAMES).optional(),
    }),
    well: z.enum(HOW_WELL),
    on: text(4).optional(),
    first: text(4).optional(),
    leads: z.array(z.enum([...HAND_NAMES, ...PUT_ON_METHODS])).optional(),
    again: text(4),
    againDays: z.int().min(1).max(4000).nullable(),
  })
  .refine((way) => !putsOn(way.method) || way.kinds !== undefined, {
    error: 'A way that puts something on names the kind of active.',
  })
  .refine((way) => (way.first === undefined) === (way.leads === undefined), {
    error: 'What must come first is in the list of works that meet it.',
  })

/** The whole almanac as it must be; parsed when the app is built and in the tests. */
export const Almanac = z.strictObject({
  hosts: z.array(Host),
  findings: z.array(Finding),
  causes: z.array(CauseEntry),
  practice: z.record(ids(CAUSES), PracticeEntry),
  looks: z.record(ids(CAUSES), z.strictObject({ early: text(), later: text(), sure: text() })),
  /** Every cause has a way, be it that nothing is needed. */
  ways: z.record(ids(CAUSES), z.array(WayEntry).min(1)),
})

/** Parses the almanac; throws with the entry and field that is wrong. */
export function checkAlmanac(): void {
  Almanac.parse({
    hosts: HOSTS,
    findings: FINDINGS,
    causes: CAUSES,
    practice: PRACTICE,
    looks: LOOKS,
    ways: WAYS,
  })
}
