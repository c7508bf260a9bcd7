import type { ActionClass } from '@/core/diagnose/almanac'
import type { School } from '@/core/schools/school'

const s = (
  id: string,
  matter: string,
  one: string,
  other: string,
  oneWhen: string,
  otherWhen: string,
  standard: School['standard'],
  why: string,
): School => ({ id, matter, one, other, oneWhen, otherWhen, standard, why })

/** The schools of practice. A firm may set its own rule for each; it is printed with the work. */
// prettier-ignore
export const SCHOOLS: readonly School[] = [
  s('wound-paint', 'Paint on wounds', 'Paint fresh oak wounds at once', 'Never paint; let it close', 'Where oak wilt occurs: it hides the scent from the beetles.', 'Everywhere else; paint keeps a wound wet.', 'by case', 'Oaks where oak wilt occurs, otherwise never.'),
  s('ash-borer-timing', 'When to treat for ash borer', 'In spring', 'In spring, else in autumn', 'With moist soil and full leaf.', 'When spring was missed and the soil is moist again.', 'one', 'Spring carries it up before feeding; autumn is the second window.'),
  s('soil-or-trunk', 'Soil or trunk', 'Drench the soil', 'Inject the trunk', 'Small trees, no water near, limit left, no flowers below.', 'Large trees, water near, flowers below, limit used.', 'by case', 'By size, water, flowers, wounds and the limit left.'),
  s('blight-sprays', 'Fire blight sprays', 'Early and late in bloom', 'Weekly through bloom', 'Where warmth and wetting are followed.', 'Where nobody can follow them.', 'one', 'Two, timed by risk, up to the label’s count.'),
  s('blight-cutting', 'After fire blight shows', 'Cut now, well below', 'Leave it until dormancy', 'Dry weather, young or badly hit trees.', 'Wet spells, old trees with few strikes.', 'by case', 'Now in dry weather on young or badly hit trees, else dormant.'),
  s('soft-scale', 'Soft scale and honeydew', 'A systemic once', 'Oil and soap with patience', 'Large ornamentals, after bloom.', 'Edible crowns and near bloom, to keep the predators.', 'by case', 'Oil first on food and near bloom.'),
  s('fruit-bugs', 'Sucking bugs on fruit', 'No insecticide: hygiene, hands, bags, soap', 'A labelled insecticide', 'Gardens and mixed orchards.', 'A crop that pays, with a label that names it.', 'one', 'It ends fewer friends.'),
  s('ants', 'Ants', 'A sticky band over a wrap', 'No band: nests broken, bridges cut', 'Where ants come up one trunk.', 'Where crowns touch and ground is bare.', 'one', 'Only over a wrap, with a date to renew it; never on bark.'),
  s('calendar', 'By calendar or by need', 'Every seven to ten days', 'By stage, rain and count', 'Where nobody can look between.', 'Where somebody looks.', 'other', 'By need, inside the label’s interval.'),
  s('tank-mix', 'Insecticide in every cover', 'Add it, since you are there', 'Only when insects are there', 'Hardly ever.', 'Always in bloom and with predators about.', 'other', 'Bloom is always left out.'),
  s('weak-feeding', 'Feeding a weak tree', 'Feed hard to start it', 'Never feed a stressed tree', 'Hardly ever.', 'In drought, on cut or drowned roots.', 'other', 'A light slow release after water and roots are right.'),
  s('holes', 'Holes after injection', 'Leave them open', 'Plug them', 'Where the label is silent.', 'Where the label says so.', 'by case', 'By label.'),
  s('guards', 'Guards', 'Plastic spiral or tube', 'Wire mesh with air', 'First years, taken off in summer.', 'Older stems, left on.', 'by case', 'Both stand off the bark.'),
  s('stubs', 'Stubs on weak trees', 'Never a stub', 'Leave a stub until it shoots', 'Sound trees.', 'A weak limb that may shoot, with a date to return.', 'one', 'A cut at the collar; a stub only with a return date.'),
  s('citrus-pruning', 'Pruning citrus', 'A little, any time', 'Hard renewal now and then', 'Bearing trees.', 'Old, hollow crowns, in steps with shade for the bark.', 'one', 'Light and often.'),
  s('granular', 'Granular feed', 'A measured ring at the drip line', 'Thrown evenly under the crown', 'Lawn under the crown.', 'Mulched ground.', 'by case', 'The total is measured, either spread.'),
  s('copper-sulfur', 'Copper and sulfur at home', 'Where lawful', 'Not for amateurs', 'Where the law allows it to the client.', 'Where it does not.', 'by case', 'The law of the place decides.'),
]

/** Matters of one trouble or one kind of tree alone. */
const ONLY: Readonly<Record<string, { causes?: readonly string[]; hosts?: RegExp }>> = {
  'ash-borer-timing': { causes: ['emerald-ash-borer'] },
  'blight-cutting': { causes: ['fire-blight'] },
  'blight-sprays': { causes: ['fire-blight'] },
  'fruit-bugs': { causes: ['leaf-footed-bug'] },
  'soft-scale': {
    causes: ['lecanium-scale', 'tuliptree-scale', 'cottony-cushion-scale', 'mealybug', 'aphids'],
  },
  'wound-paint': { hosts: /oak/ },
  'citrus-pruning': { hosts: /citrus/ },
}

/** Which matters come up for a class of action. */
const MATTERS_OF: Partial<Record<ActionClass, readonly string[]>> = {
  'protect-systemic': ['soil-or-trunk', 'ash-borer-timing', 'holes'],
  'sap-feeder-care': ['soft-scale', 'ants'],
  sanitation: ['blight-cutting', 'blight-sprays', 'fruit-bugs'],
  'cover-spray': ['calendar', 'tank-mix', 'copper-sulfur'],
  'water-care': ['weak-feeding', 'granular'],
  'root-collar-work': ['weak-feeding'],
  pruning: ['stubs', 'citrus-pruning', 'wound-paint'],
  barrier: ['guards'],
}

/**
 * The matters that come up in working on a cause on a kind of tree: those of its class of action, without those of another
 * trouble or another kind.
 * @example mattersOf({ id: 'hemlock-woolly-adelgid', action: 'protect-systemic' }, 'hemlock').map((s) => s.id) // ['soil-or-trunk', 'holes']
 */
export function mattersOf(cause: { id: string; action: ActionClass }, host: string): School[] {
  return SCHOOLS.filter((school) => {
    const only = ONLY[school.id]
    return (
      MATTERS_OF[cause.action]?.includes(school.id) &&
      (only?.causes?.includes(cause.id) ?? true) &&
      (only?.hosts?.test(host) ?? true)
    )
  })
}

/** Cautions that belong to no single entry. */
// prettier-ignore
export const CAUTIONS: readonly { id: string; name: string; text: string }[] = [
  { id: 'label', name: 'The label is the law', text: 'Label, local rules, licence and quarantine orders come before any figure or proposal here. The product computes and reminds; it licenses nobody.' },
  { id: 'bloom', name: 'Open bloom', text: 'No product that harms bees on or under open bloom; mow flowering ground cover before a drench.' },
  { id: 'water', name: 'Wells and open water', text: 'Keep the label’s distance to wells, springs, ponds and drains. Where the ground slopes to water, inject instead of drenching.' },
  { id: 'food', name: 'Food on the tree', text: 'A tree that bears food this season takes only labels that name the crop, with the days to harvest counted back from picking.' },
  { id: 'failure', name: 'Trees that may fail', text: 'A hollow butt, soft roots or a bracket make it a safety case first. A qualified risk assessor looks before anybody climbs or drills.' },
  { id: 'reportable', name: 'Reportable diseases', text: 'Where a disease is regulated the authority is told before any work, and wood and leaves stay where they are.' },
  { id: 'measures', name: 'Measures and containers', text: 'What has measured a pesticide measures nothing else, ever. Containers carry their label.' },
  { id: 'people', name: 'People and pets', text: 'Children and pets stay off until it is dry or until re-entry. Neighbours are told before a spray.' },
  { id: 'power', name: 'Lines, ladders, saws', text: 'Work near power lines, on ladders and with saws is for people trained for it.' },
]
