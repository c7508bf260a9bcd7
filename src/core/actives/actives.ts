import type { PutOnMethod } from '../methods/names'

/** What kind of organism a product is against; rotation is asked within one. */
export type ActsOn =
  'insecticide' | 'miticide' | 'fungicide' | 'bactericide' | 'nematicide' | 'growth' | 'feed'

/** An active ingredient, by its common name. */
export interface Active {
  /** The one name it goes by in every count, interval and limit. */
  key: string
  /** Other spellings and salts of it, as labels write them. */
  called: readonly string[]
  /** Mode-of-action group. */
  group: string
  actsOn: ActsOn
  /** The kinds of active of the almanac's ways that it is one of. */
  kinds: readonly string[]
  /** By which methods it works, where not by all that a label might name. */
  by?: readonly PutOnMethod[]
  /** It counts as this one too where two actives are kept apart. */
  as?: string
}

const TRUNK: readonly PutOnMethod[] = ['trunk-injection']
const SOIL: readonly PutOnMethod[] = ['soil-drench', 'soil-injection']
const COVER: readonly PutOnMethod[] = ['crown-spray']
const WETTED: readonly PutOnMethod[] = ['crown-spray', 'bark-spray']

const a = (
  key: string,
  group: string,
  actsOn: ActsOn,
  kinds: readonly string[],
  more: { called?: readonly string[]; by?: readonly PutOnMethod[]; as?: string } = {},
): Active => ({ key, group, actsOn, kinds, called: more.called ?? [], ...more })

const SYSTEMIC = 'systemic insecticide'
const CONTACT = 'contact insecticide'
const ARMOURED = 'systemic that reaches armoured scales'
const PROTECTS = 'protective fungicide'
const CURES = 'systemic fungicide'

/**
 * The actives that cards and ways speak of, with their salts, their groups and what they are. Ordinary published figures; what a
 * label says of itself comes first, and what is not in the list goes by its own name. Source: extension tables of modes of action.
 */
// prettier-ignore
export const ACTIVES: readonly Active[] = [
  a('imidacloprid', '4A', 'insecticide', [SYSTEMIC], { by: [...TRUNK, ...SOIL] }),
  a('dinotefuran', '4A', 'insecticide', [SYSTEMIC, ARMOURED], { by: [...TRUNK, ...SOIL, 'bark-spray'] }),
  a('clothianidin', '4A', 'insecticide', [SYSTEMIC], { by: SOIL }),
  a('thiamethoxam', '4A', 'insecticide', [SYSTEMIC], { by: SOIL }),
  a('acetamiprid', '4A', 'insecticide', [SYSTEMIC, CONTACT], { by: [...TRUNK, ...WETTED] }),
  a('sulfoxaflor', '4C', 'insecticide', [CONTACT], { by: COVER }),
  a('flupyradifurone', '4D', 'insecticide', [CONTACT], { by: COVER }),
  a('emamectin benzoate', '6', 'insecticide', [SYSTEMIC, 'nematicide'], { called: ['emamectin'], by: TRUNK }),
  a('abamectin', '6', 'insecticide', [SYSTEMIC, 'miticide', 'nematicide'], { called: ['avermectin'], by: [...TRUNK, ...COVER] }),
  a('azadirachtin', 'UN', 'insecticide', [SYSTEMIC, 'neem'], { by: [...TRUNK, ...SOIL, ...COVER] }),
  a('acephate', '1B', 'insecticide', [SYSTEMIC, CONTACT], { by: [...TRUNK, ...COVER] }),
  a('dimethoate', '1B', 'insecticide', [SYSTEMIC, CONTACT], { by: COVER }),
  a('malathion', '1B', 'insecticide', [CONTACT], { by: WETTED }),
  a('carbaryl', '1A', 'insecticide', [CONTACT], { by: WETTED }),
  a('permethrin', '3A', 'insecticide', [CONTACT], { by: WETTED }),
  a('bifenthrin', '3A', 'insecticide', [CONTACT], { by: WETTED }),
  a('pyrethrins', '3A', 'insecticide', [CONTACT], { called: ['pyrethrin'], by: WETTED }),
  a('chlorantraniliprole', '28', 'insecticide', [SYSTEMIC, CONTACT], { by: [...SOIL, ...WETTED] }),
  a('spinosad', '5', 'insecticide', ['spinosad', CONTACT], { by: COVER }),
  a('spirotetramat', '23', 'insecticide', [ARMOURED], { by: COVER }),
  a('pyriproxyfen', '7C', 'insecticide', ['growth regulator of insects'], { by: WETTED }),
  a('buprofezin', '16', 'insecticide', ['growth regulator of insects'], { by: WETTED }),
  a('diflubenzuron', '15', 'insecticide', ['growth regulator of insects'], { by: COVER }),
  a('tebufenozide', '18', 'insecticide', ['growth regulator of insects'], { by: COVER }),
  a('indoxacarb', '22A', 'insecticide', [CONTACT], { by: COVER }),
  a('chlorfenapyr', '13', 'insecticide', [CONTACT], { by: COVER }),
  a('bifenazate', '20D', 'miticide', ['miticide'], { by: COVER }),
  a('horticultural oil', 'UN', 'insecticide', ['horticultural oil'], { called: ['oil', 'mineral oil', 'petroleum oil', 'paraffinic oil', 'dormant oil', 'summer oil', 'white mineral oil'], by: WETTED }),
  a('soap', 'UN', 'insecticide', ['soap'], { called: ['insecticidal soap', 'potassium salts of fatty acids', 'potassium soap', 'fatty acids potassium salts'], by: WETTED }),
  a('citrus oil', 'UN', 'insecticide', ['citrus oil'], { called: ['d-limonene', 'limonene'], by: COVER }),
  a('neem oil', 'UN', 'insecticide', ['neem', 'horticultural oil'], { called: ['clarified hydrophobic extract of neem oil'], by: WETTED }),
  a('kaolin clay', 'UN', 'insecticide', ['clay'], { called: ['kaolin', 'clay'], by: COVER }),
  a('bacillus thuringiensis', '11A', 'insecticide', ['Bt for caterpillars'], { called: ['bt', 'btk', 'bacillus thuringiensis kurstaki', 'bacillus thuringiensis subsp kurstaki', 'bacillus thuringiensis var kurstaki', 'bacillus thuringiensis aizawai'], by: COVER }),
  a('bacillus thuringiensis tenebrionis', '11A', 'insecticide', ['Bt for beetles'], { called: ['btt', 'bacillus thuringiensis galleriae', 'btg'], by: COVER }),
  a('codling moth virus', 'UN', 'insecticide', ['codling moth virus'], { called: ['codling moth granulovirus', 'cydia pomonella granulovirus'], by: COVER }),
  a('propiconazole', '3', 'fungicide', [CURES, PROTECTS, 'propiconazole'], { by: [...TRUNK, ...COVER] }),
  a('tebuconazole', '3', 'fungicide', [CURES, PROTECTS], { by: [...TRUNK, ...COVER] }),
  a('myclobutanil', '3', 'fungicide', [PROTECTS], { by: COVER }),
  a('difenoconazole', '3', 'fungicide', [PROTECTS], { by: COVER }),
  a('thiabendazole', '1', 'fungicide', [CURES, 'thiabendazole'], { called: ['thiabendazole hypophosphite'], by: TRUNK }),
  a('thiophanate-methyl', '1', 'fungicide', [PROTECTS], { called: ['thiophanate methyl'], by: COVER }),
  a('trifloxystrobin', '11', 'fungicide', [PROTECTS], { by: COVER }),
  a('azoxystrobin', '11', 'fungicide', [PROTECTS], { by: COVER }),
  a('fluopyram', '7', 'fungicide', ['nematicide', PROTECTS], { by: COVER }),
  a('phosphonate', 'P07', 'fungicide', ['phosphonate'], { called: ['phosphonic acid', 'phosphite', 'potassium phosphite', 'phosphorous acid', 'mono and dipotassium salts of phosphorous acid', 'mono and di potassium salts of phosphorous acid', 'potassium phosphonate', 'fosetyl-al', 'fosetyl aluminium'] }),
  a('captan', 'M04', 'fungicide', [PROTECTS], { by: COVER }),
  a('mancozeb', 'M03', 'fungicide', [PROTECTS], { by: COVER }),
  a('chlorothalonil', 'M05', 'fungicide', [PROTECTS], { by: COVER }),
  a('copper', 'M01', 'fungicide', ['copper'], { called: ['copper hydroxide', 'copper octanoate', 'copper soap', 'copper sulfate', 'copper sulphate', 'basic copper sulfate', 'copper oxychloride', 'cuprous oxide', 'copper oxide', 'fixed copper', 'copper ammonium complex'], by: WETTED }),
  a('sulfur', 'M02', 'fungicide', ['sulfur'], { called: ['wettable sulfur'], by: COVER }),
  a('lime sulfur', 'M02', 'fungicide', ['lime sulfur'], { called: ['calcium polysulfide', 'calcium polysulfides'], by: COVER, as: 'sulfur' }),
  a('potassium bicarbonate', 'NC', 'fungicide', [PROTECTS], { by: COVER }),
  a('streptomycin', '25', 'bactericide', ['bactericide'], { called: ['streptomycin sulfate'], by: COVER }),
  a('kasugamycin', '24', 'bactericide', ['bactericide'], { by: COVER }),
  a('oxytetracycline', '41', 'bactericide', ['antibiotic', 'bactericide'], { called: ['oxytetracycline hydrochloride', 'oxytetracycline calcium'], by: [...TRUNK, ...COVER] }),
  // What feeds: labels name them by what is short.
  ...['iron', 'manganese', 'zinc', 'magnesium', 'nitrogen', 'phosphate', 'potash', 'gypsum'].map((key) => a(key, 'feed', 'feed', [key, 'micronutrients'])),
  a('paclobutrazol', 'PGR', 'growth', ['growth regulator'], { by: SOIL }),
]

/** A name without what labels write it with: case, spaces, dashes between words, British spellings. */
function plain(written: string): string {
  return written
    .normalize('NFKC')
    .toLowerCase()
    .replace(/\(.*?\)/g, ' ')
    .replace(/sulph/g, 'sulf')
    .replace(/[.,;™®]/g, ' ')
    .replace(/\s*[-–]\s*/g, '-')
    .replace(/\s+/g, ' ')
    .trim()
}

const loose = (name: string) => plain(name).replace(/-/g, ' ')
const byName = new Map(ACTIVES.flatMap((x) => [x.key, ...x.called].map((name) => [loose(name), x] as const)))
const SALT =
  / (hydrochloride|hydrobromide|sulfate|nitrate|acetate|benzoate|sodium|potassium|calcium|ammonium|disodium|dipotassium)$/

/** The active of a name as anybody writes it, or undefined where the list does not hold it. */
export function activeOf(written: string): Active | undefined {
  const name = loose(written)
  return byName.get(name) ?? byName.get(name.replace(SALT, ''))
}

/**
 * The one name of an active, however it is written: by case, spaces, spelling and salt. What the list does not hold goes by its
 * own name without its salt.
 *
 * @example activeKey('Imidacloprid ') === activeKey('imidacloprid')
 * @example activeKey('Copper hydroxide') // 'copper'
 */
export function activeKey(written: string): string {
  return activeOf(written)?.key ?? (plain(written).replace(SALT, '') || plain(written))
}

/** True where two names are of one active, or one counts as the other where actives are kept apart: lime sulfur is sulfur. */
export function sameActive(one: string, other: string): boolean {
  const names = (written: string) => [activeKey(written), activeOf(written)?.as]
  const [a1, a2] = [names(one), names(other)]
  return a1.some((x) => x !== undefined && a2.includes(x))
}

/** A mode-of-action group as groups are compared, however a label writes it. `groupKey(' 4a ') === '4A'` */
export function groupKey(written: string): string {
  return written.trim().toUpperCase()
}
