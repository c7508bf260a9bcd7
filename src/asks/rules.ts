import { z } from 'zod'
import { SCHOOLS } from '@/almanac/schools'
import { LocalRule } from '@/core/rules/localRule'
import { orNothing, said, saying } from './field'
import { id, line, words } from './text'

const district = () =>
  orNothing(line('The district', 60).register(said, { label: 'District', input: 'line' }))

/** In which district a site lies; nothing where none is named. */
export const setDistrictAsks = z.strictObject({
  siteId: id('siteId'),
  district: saying(district(), { label: 'District (empty: none)' }),
})

const copied = {
  name: line('Its name', 80, 3),
  text: line('What it says', 600, 3).register(said, { label: 'What it says', input: 'words' }),
  source: saying(line('Where it stands', 200, 3), {
    help: 'bylaw, order, contract, letter; with its date',
  }),
  district: saying(district(), {
    label: 'District (empty: everywhere)',
    help: 'as it stands at the sites',
  }),
}

/** A rule of a place with its source. */
export const setLocalRuleAsks = z.strictObject({ id: id(), ...copied, rule: LocalRule })

const asTyped = (label: string, help?: string) => z.string().register(said, { label, input: 'line', help })
const chosen = (label: string) => z.array(z.string()).register(said, { label, input: 'ticks' })

/** The same as its form asks for it: every line that any kind of rule has. What is typed of the rule is read by the rule itself. */
export const localRuleAsks = z.strictObject({
  ...copied,
  rule: z.strictObject({
    kind: z.string().register(said, { label: 'What it is about', input: 'choice' }),
    actives: asTyped('Active ingredients', 'with commas'),
    groups: asTyped('Groups of actives', 'as on the label, with commas: 4A, 4D'),
    distance: asTyped('Distance', 'with its unit: 100 ft'),
    methods: chosen('Methods'),
    anyHost: z.string().register(said, { label: 'Kinds of tree', input: 'choice' }),
    hosts: chosen('Which kinds'),
    causes: chosen('Causes'),
    whom: asTyped('Who is told'),
    days: asTyped('Days'),
    allYear: z.string().register(said, { label: 'When', input: 'choice' }),
    from: asTyped('First day'),
    to: asTyped('Last day'),
  }),
})

/** A rule that does not hold any more. */
export const endLocalRuleAsks = z.strictObject({ id: id(), words: line('Why it ends', 300, 4) })

/** A matter on which practitioners differ. */
export const matter = () =>
  z.enum(SCHOOLS.map((s) => s.id) as [string, ...string[]], { error: 'There is no such matter.' })

const houseRule = {
  /** `none` takes the rule back: what is wider holds again. */
  rule: z
    .enum(['one', 'other', 'by case', 'none'], { error: 'Choose one of the ways.' })
    .register(said, { label: 'We do it', input: 'choice' }),
  words: saying(words('The words', 400), { label: 'Why', input: 'line' }),
  district: saying(district(), { help: 'as it stands at the sites' }),
  clientId: id('clientId').register(said, { label: 'Client', input: 'choice' }).nullable().default(null),
}

/** How a house does a matter: in all its work, in a district, for a client or at a tree. */
export const setHouseRuleAsks = z.strictObject({
  id: id(),
  matter: matter(),
  ...houseRule,
  treeId: id('treeId').nullable().default(null),
})
/** The same as its form asks for it. */
export const houseRuleAsks = z.strictObject({
  where: z.enum(['all', 'district', 'client']).register(said, { label: 'It holds', input: 'choice' }),
  ...houseRule,
})
