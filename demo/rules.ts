import type { LocalRule } from '@/core/rules/localRule'
import { idFor, type Story } from './story'

/** Which place lies in which district. */
const DISTRICTS: readonly [site: string, district: string][] = [
  ['school', 'Tamsin’s Ferry'],
  ['court', 'Hospital quarter'],
  ['ravine', 'Upper Spring'],
  ['avenue', 'Tamsin’s Ferry'],
  ['orchard', 'Quarrel Bank'],
  ['glasshouse', 'Tamsin’s Ferry'],
  ['trial', 'Gallows Hill'],
  ['lane', 'Tamsin’s Ferry'],
]

interface Copied {
  name: string
  text: string
  source: string
  district: string | null
  rule: LocalRule
}

/** Invented rules of invented places, one of each kind. */
export const LOCAL_RULES: readonly Copied[] = [
  {
    name: 'Oak season',
    text: 'No oak is cut from April to July, so that no fresh wound draws the beetles that carry wilt.',
    source: 'Example bylaw DEMO-4 of the town, sheet 2',
    district: 'Tamsin’s Ferry',
    rule: {
      kind: 'closed-season',
      methods: ['prune'],
      hosts: ['oak-red-group', 'oak-white-group'],
      from: '04-01',
      to: '07-31',
    },
  },
  {
    name: 'Spring water',
    text: 'Nothing that holds imidacloprid goes on the ground while it is frozen.',
    source: 'Example order DEMO-11 of the commoners',
    district: 'Upper Spring',
    rule: { kind: 'restricted', actives: ['imidacloprid'], hosts: 'any', from: '11-15', to: '03-15' },
  },
  {
    name: 'Lindens over the café',
    text: 'Nothing that lasts in nectar while the lindens flower.',
    source: 'Example contract DEMO-C with the hospital, paragraph 7',
    district: 'Hospital quarter',
    rule: { kind: 'bloom', groups: ['4A', '4D'], hosts: ['linden'], from: '05-20', to: '07-10' },
  },
  {
    name: 'Feed and the spring',
    text: 'No feed within fifty feet of the spring.',
    source: 'Example order DEMO-11 of the commoners',
    district: 'Upper Spring',
    rule: { kind: 'setback', distance: '50 ft', methods: ['feed'] },
  },
  {
    name: 'Wards are told',
    text: 'The wards over the court close their windows; they are told two days before a spray.',
    source: 'Example contract DEMO-C with the hospital, paragraph 9',
    district: 'Hospital quarter',
    rule: { kind: 'notice', days: 2, whom: 'the wards over the court', methods: ['crown-spray'] },
  },
  {
    name: 'Saws at the school',
    text: 'Cutting at the school is for trained people alone.',
    source: 'Example letter DEMO-L of the school board',
    district: 'Tamsin’s Ferry',
    rule: { kind: 'amateur', methods: ['prune', 'save'] },
  },
  {
    name: 'Elm disease',
    text: 'A sick elm is named to the street office, with its place.',
    source: 'Example order DEMO-2 of the county',
    district: null,
    rule: { kind: 'report', causes: ['dutch-elm-disease'], whom: 'the street office', days: 2 },
  },
]

/** What the places ask, as the office copied it before the season. */
export async function localRules(story: Story): Promise<void> {
  for (const [site, district] of DISTRICTS)
    await story.do('philippa', 799, 'set-district', { siteId: idFor(`site ${site}`), district })
  for (const rule of LOCAL_RULES)
    await story.do('philippa', 799, 'set-local-rule', { id: idFor(`rule ${rule.name}`), ...rule })
}
