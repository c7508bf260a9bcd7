import type { Reporting } from '@/core/diagnose/reporting'
import { JURISDICTIONS, type Jurisdiction } from './jurisdiction'

/** What is asked in each: a sentence, or nothing where it need not be reported. */
type Row = Partial<Record<Jurisdiction, string>>
const r = (us: string, ca: string, gb: string, eu: string, other: string): Row =>
  Object.fromEntries(
    [us, ca, gb, eu, other].flatMap((text, i) => (text ? [[JURISDICTIONS[i]!, text] as const] : [])),
  )

const YES = 'It must be reported.'
const QUARANTINE = 'It is a quarantine organism: report it at once.'
const NEW = 'Report it where it is new in the county or country.'
const ABSENT = 'It is not known there: report any suspicion.'
const STATES = 'Some states ask for it; ask the authority.'
const CHECK = 'Ask the authority whether it is listed.'
const ZONES = 'Protected zones ask for it; ask the authority.'
const LISTED = 'It is listed: report it.'

/** Source: handbook, reportable by jurisdiction. Rules change; the firm checks its authority's list. */
// prettier-ignore
const RULES: Readonly<Record<string, Row>> = {
  'asian-longhorned-beetle': r('Federal rule: call at once.', YES, YES, QUARANTINE, YES),
  'emerald-ash-borer': r(`State rules differ. ${NEW}`, YES, ABSENT, QUARANTINE, YES),
  'bronze-birch-borer': r('', '', ABSENT, QUARANTINE, ''),
  'citrus-greening': r('Federal quarantine areas: report it.', '', YES, QUARANTINE, 'It is asked for wherever citrus grows.'),
  'bacterial-leaf-scorch': r('', '', YES, QUARANTINE, 'Many countries ask for it; ask the authority.'),
  'pine-wilt': r('', '', YES, QUARANTINE, 'Control programmes in places; ask the authority.'),
  'oak-wilt': r('Some states, counties and cities ask for it, and wood may not move everywhere.', YES, ABSENT, QUARANTINE, ''),
  'dutch-elm-disease': r('Cities and some states ask for it.', 'Prairie provinces and cities ask for it.', 'Control areas ask for it.', '', 'Ask where elms are still free of it.'),
  'phytophthora-bleeding-canker': r('Sudden oak death is asked for by federal and state rule.', YES, YES, 'It is quarantine or regulated by lineage: report it.', YES),
  'laurel-wilt': r(STATES, ABSENT, CHECK, CHECK, ''),
  'thousand-cankers': r('State quarantines: report it.', '', YES, QUARANTINE, ''),
  'ash-dieback': r(ABSENT, ABSENT, 'Only where it is new.', '', YES),
  'processionary-moth': r(ABSENT, ABSENT, 'The pine kind always; the oak kind outside its area.', ZONES, ''),
  'chestnut-blight': r('Some western states ask for it.', CHECK, YES, ZONES, CHECK),
  'chestnut-gall-wasp': r(STATES, 'Some areas ask for it.', YES, ZONES, ''),
  'fire-blight': r('', '', 'Ireland and islands ask for it.', ZONES, CHECK),
  'spongy-moth': r('Federal areas ask for it.', YES, 'Outside known areas report it.', '', CHECK),
  'japanese-beetle': r('Western states ask for it.', 'British Columbia asks for it in its area.', YES, QUARANTINE, ''),
  'hemlock-woolly-adelgid': r('Northern and lake states ask for it.', YES, '', '', ''),
  'balsam-woolly-adelgid': r(STATES, 'British Columbia asks for it.', '', '', ''),
  'box-tree-moth': r('Federal order and states: report it.', YES, '', '', ''),
  'boxwood-blight': r('Several states ask for it in the trade.', '', '', '', ''),
  'beech-leaf-disease': r(NEW, NEW, ABSENT, ABSENT, ''),
  'elm-zigzag-sawfly': r(NEW, NEW, 'Sightings are asked for.', '', ''),
  'spotted-lanternfly': r('Many states ask for it; report it where it is new.', ABSENT, ABSENT, ABSENT, 'Asked for wherever it is new.'),
  'elm-yellows': r('', '', CHECK, CHECK, ''),
  'apple-maggot': r('Western states ask for it.', 'British Columbia asks for it.', LISTED, QUARANTINE, YES),
  'plum-curculio': r('Western states ask for it.', 'Western provinces ask for it.', LISTED, QUARANTINE, YES),
  'black-knot': r('', 'Local rules ask for it.', LISTED, QUARANTINE, ''),
  'conifer-bark-beetle': r('The European spruce kind is not known there: report a suspicion of it.', 'The European spruce kind is not known there: report a suspicion of it.', YES, ZONES, ''),
  'ambrosia-beetle': r('Invasive shot hole borers are asked for in some states.', '', YES, QUARANTINE, CHECK),
  'acute-oak-decline': r(ABSENT, ABSENT, 'A report is asked for, not a duty.', '', ''),
}

/**
 * What must be reported there, and why. Where no jurisdiction is set the weighing flags what most places ask for, as the
 * causes themselves say.
 * @example reportingIn('canada').rule('oak-wilt') // 'It must be reported.'
 */
export function reportingIn(jurisdiction: Jurisdiction): Reporting {
  const rule = (id: string) => RULES[id]?.[jurisdiction] ?? null
  return { rule, isNew: (id) => [ABSENT, QUARANTINE].includes(rule(id) ?? '') }
}
