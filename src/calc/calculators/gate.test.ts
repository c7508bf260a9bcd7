import type { RuleName } from '@/core/gate/question'
import { ask } from '../calculators'

type Asked = Record<string, unknown>
interface Told {
  open: boolean
  closed: { rule: RuleName; message: string; until: string | null }[]
  asks: { field: string; message: string }[]
  again: { days: number | null }
}

const told = (request: Asked) => {
  const answer = ask('gate', request)
  if (!answer.ok) throw new Error(`${answer.problem.field}: ${answer.problem.message}`)
  return answer.value as unknown as Told
}
/** Day, tree, cause, method, actives; then facts and the rest. */
const q = (
  date: string,
  host: string,
  cause: string,
  method: string,
  actives?: string,
  facts: Asked = {},
  more: Asked = {},
): Asked => ({
  date,
  host,
  cause,
  method,
  ...(actives && { actives: actives.split('+') }),
  facts: { soil: 'moist', ...facts },
  ...more,
})
const OUT = { leaf: 'out' }
const was = (date: string, method: string, actives: string, cause: string, more: Asked = {}) => ({
  date,
  method,
  actives: actives.split('+'),
  cause,
  ...more,
})
const EAB = 'emerald-ash-borer'
const HWA = 'hemlock-woolly-adelgid'
const scab = (date: string, actives: string, history: Asked[], more: Asked = {}) =>
  q(date, 'apple', 'apple-scab', 'crown-spray', actives, { leaf: 'out', bloom: 'over' }, { history, ...more })
const cover = (date: string, actives: string, more: Asked = {}) =>
  was(date, 'crown-spray', actives, 'apple-scab', more)

/** What is closed, and by which rule; null where it is open. */
test.each<[string, Asked, RuleName | null]>([
  // Season, leaf, bud.
  [
    'ash injected in January',
    q('2027-01-15', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', { leaf: 'none' }),
    'leaf',
  ],
  [
    'ash injected as the leaves fall',
    q('2026-10-30', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', { leaf: 'falling' }),
    'leaf',
  ],
  ['ash injected in leaf', q('2026-06-12', 'ash', EAB, 'trunk-injection', 'emamectin', OUT), null],
  [
    'a conifer has its leaves',
    q('2026-04-12', 'hemlock', HWA, 'trunk-injection', 'imidacloprid', { leaf: 'none' }),
    null,
  ],
  [
    'a conifer on frozen soil',
    q('2027-01-15', 'hemlock', HWA, 'trunk-injection', 'imidacloprid', { soil: 'frozen' }),
    'soil',
  ],
  [
    'leaf curl copper in June',
    q('2026-06-12', 'peach', 'peach-leaf-curl', 'crown-spray', 'copper hydroxide', OUT),
    'season',
  ],
  [
    'leaf curl copper on leaves in November',
    q('2026-11-05', 'peach', 'peach-leaf-curl', 'crown-spray', 'copper', OUT),
    'leaf',
  ],
  [
    'leaf curl copper in swelling buds',
    q('2027-03-10', 'peach', 'peach-leaf-curl', 'crown-spray', 'copper', { leaf: 'swelling' }),
    'leaf',
  ],
  [
    'leaf curl lime sulfur in January',
    q('2027-01-12', 'peach', 'peach-leaf-curl', 'crown-spray', 'lime sulfur', { leaf: 'none' }),
    null,
  ],
  [
    'fire blight copper in June',
    q('2026-06-12', 'apple', 'fire-blight', 'crown-spray', 'copper hydroxide', OUT),
    'season',
  ],
  [
    'fire blight copper at silver tip',
    q('2027-04-02', 'apple', 'fire-blight', 'crown-spray', 'copper hydroxide', { leaf: 'swelling' }),
    null,
  ],
  [
    'streptomycin after bloom',
    q('2026-06-12', 'apple', 'fire-blight', 'crown-spray', 'streptomycin sulfate', { ...OUT, bloom: 'over' }),
    'season',
  ],
  [
    'streptomycin in bloom',
    q('2027-05-02', 'apple', 'fire-blight', 'crown-spray', 'streptomycin', { ...OUT, bloom: 'open' }),
    null,
  ],
  [
    'an antibiotic for scorch in April',
    q('2026-04-12', 'oak-red-group', 'bacterial-leaf-scorch', 'trunk-injection', 'oxytetracycline', {
      ...OUT,
      eaten: false,
    }),
    'season',
  ],
  [
    'an antibiotic for scorch in early summer',
    q('2026-06-12', 'oak-red-group', 'bacterial-leaf-scorch', 'trunk-injection', 'oxytetracycline', {
      ...OUT,
      eaten: false,
    }),
    null,
  ],
  [
    'Bt on young larvae',
    q('2026-05-12', 'apple', 'tent-caterpillar', 'crown-spray', 'Bt', { larvae: 'small' }),
    null,
  ],
  [
    'Bt on grown larvae',
    q('2026-06-12', 'apple', 'tent-caterpillar', 'crown-spray', 'Bt', { larvae: 'large' }),
    'season',
  ],
  [
    'a guard once snow lies',
    q('2026-12-12', 'apple', 'vole-gnawing', 'guard', undefined, { snow: true }),
    'season',
  ],
  ['a guard before it', q('2026-11-12', 'apple', 'vole-gnawing', 'guard', undefined, { snow: false }), null],
  // Cuts.
  ['a red oak in May', q('2026-05-12', 'oak-red-group', 'oak-wilt', 'prune'), 'season'],
  ['a white oak in July', q('2026-07-31', 'oak-white-group', 'crowded-crown', 'prune'), 'season'],
  ['a white oak in August', q('2026-08-01', 'oak-white-group', 'crowded-crown', 'prune'), null],
  ['a live oak in February', q('2026-02-12', 'oak-live', 'crowded-crown', 'prune'), 'season'],
  ['an elm in the flight', q('2026-06-12', 'elm', 'crowded-crown', 'prune'), 'season'],
  ['a flag in an elm at once', q('2026-06-12', 'elm', 'dutch-elm-disease', 'prune'), null],
  [
    'a birch in the flight',
    q('2026-06-12', 'birch', 'bronze-birch-borer', 'prune', undefined, OUT),
    'season',
  ],
  [
    'a birch at rest',
    q('2026-12-12', 'birch', 'bronze-birch-borer', 'prune', undefined, { leaf: 'none' }),
    null,
  ],
  ['an ash in the flight', q('2026-06-12', 'ash', 'crowded-crown', 'prune'), 'season'],
  ['a plum in January for silver leaf', q('2027-01-12', 'plum', 'silver-leaf', 'prune'), 'season'],
  ['a plum in dry summer', q('2026-07-12', 'plum', 'silver-leaf', 'prune', undefined, { bark: 'dry' }), null],
  [
    'a plum in the wet',
    q('2026-07-12', 'plum', 'silver-leaf', 'prune', undefined, { bark: 'wet' }),
    'weather',
  ],
  ['a knot of a plum in winter', q('2027-01-12', 'plum', 'black-knot', 'prune'), null],
  ['a cut that does nothing', q('2026-12-12', 'ash', EAB, 'prune'), 'cause'],
  // Bees.
  [
    'crape myrtle before bloom',
    q('2026-06-12', 'crape-myrtle', 'bark-scale-felted', 'soil-drench', 'imidacloprid', { bloom: 'before' }),
    'bees',
  ],
  [
    'magnolia in March',
    q('2027-03-12', 'magnolia', 'tuliptree-scale', 'soil-drench', 'imidacloprid', { bloom: 'before' }),
    'bees',
  ],
  [
    'magnolia after bloom',
    q('2026-06-20', 'magnolia', 'tuliptree-scale', 'soil-drench', 'imidacloprid', { bloom: 'over' }),
    null,
  ],
  [
    'magnolia in October',
    q('2026-10-20', 'magnolia', 'tuliptree-scale', 'soil-drench', 'imidacloprid', { bloom: 'over' }),
    'bees',
  ],
  [
    'maple in bloom',
    q('2027-04-02', 'maple', 'cottony-maple-scale', 'soil-drench', 'imidacloprid', { bloom: 'open' }),
    'bees',
  ],
  [
    'hawthorn before bloom',
    q('2027-04-02', 'hawthorn', 'aphids', 'soil-drench', 'imidacloprid', { bloom: 'before', eaten: false }),
    'bees',
  ],
  [
    'linden at any time',
    q('2026-09-02', 'linden', 'aphids', 'soil-drench', 'dinotefuran', { bloom: 'over' }),
    'bees',
  ],
  [
    'a wind flower has no nectar',
    q('2027-04-02', 'birch', 'aphids', 'soil-drench', 'imidacloprid', { bloom: 'before' }),
    null,
  ],
  [
    'carbaryl onto open bloom',
    q('2026-05-05', 'apple', 'codling-moth', 'crown-spray', 'carbaryl', { bloom: 'open' }),
    'bees',
  ],
  [
    'carbaryl after it',
    q('2026-06-05', 'apple', 'codling-moth', 'crown-spray', 'carbaryl', { bloom: 'over' }),
    null,
  ],
  [
    'spinosad onto open bloom',
    q('2026-05-05', 'cherry', 'spotted-wing-drosophila', 'crown-spray', 'spinosad', { bloom: 'open' }),
    'bees',
  ],
  [
    'a fungicide of the same number',
    q('2026-05-05', 'apple', 'apple-scab', 'crown-spray', 'trifloxystrobin', { bloom: 'open' }),
    null,
  ],
  // Soil, snow, bark, drought, water.
  [
    'a drench on dry soil',
    q('2026-05-12', 'hemlock', HWA, 'soil-drench', 'imidacloprid', { soil: 'dry' }),
    'soil',
  ],
  [
    'a drench on frozen soil',
    q('2026-12-12', 'hemlock', HWA, 'soil-drench', 'imidacloprid', { soil: 'frozen' }),
    'soil',
  ],
  [
    'a drench through snow',
    q('2026-12-12', 'hemlock', HWA, 'soil-injection', 'imidacloprid', { snow: true }),
    'soil',
  ],
  [
    'a feed on dry soil',
    q('2026-05-12', 'birch', 'nutrient-shortage', 'feed', 'nitrogen', { soil: 'dry' }),
    'soil',
  ],
  [
    'a feed in a drought',
    q('2026-05-12', 'birch', 'nutrient-shortage', 'feed', 'nitrogen', { drought: true }),
    'soil',
  ],
  [
    'nitrogen at leaf fall',
    q('2026-10-20', 'birch', 'nutrient-shortage', 'feed', 'nitrogen', { leaf: 'falling' }),
    'leaf',
  ],
  [
    'trenches in a bog',
    q('2026-05-12', 'birch', 'soil-compaction', 'trenches', undefined, { soil: 'saturated' }),
    'soil',
  ],
  ['trenches in moist soil', q('2026-05-12', 'birch', 'soil-compaction', 'trenches'), null],
  [
    'an injection in a drought',
    q('2026-07-12', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', { ...OUT, drought: true }),
    'soil',
  ],
  [
    'bark that is wet',
    q('2026-06-12', 'ash', EAB, 'bark-spray', 'dinotefuran', { ...OUT, bark: 'wet' }),
    'weather',
  ],
  [
    'bark that is dry',
    q('2026-06-12', 'ash', EAB, 'bark-spray', 'dinotefuran', { ...OUT, bark: 'dry' }),
    null,
  ],
  [
    'oil in a drought',
    q('2026-07-12', 'hemlock', HWA, 'crown-spray', 'horticultural oil', { drought: true }),
    'weather',
  ],
  [
    'a well inside the setback',
    q(
      '2026-05-12',
      'hemlock',
      HWA,
      'soil-drench',
      'imidacloprid',
      { toWater: '24 ft' },
      { card: { waterSetback: '25 ft' } },
    ),
    'water',
  ],
  [
    'a well beyond it',
    q(
      '2026-05-12',
      'hemlock',
      HWA,
      'soil-drench',
      'imidacloprid',
      { toWater: '8 m' },
      { card: { waterSetback: '25 ft' } },
    ),
    null,
  ],
  // Kind.
  [
    'oil on Douglas-fir',
    q('2026-12-12', 'douglas-fir', 'pine-needle-scale', 'crown-spray', 'mineral oil'),
    'kind',
  ],
  ['oil on redbud', q('2026-12-12', 'redbud', 'aphids', 'crown-spray', 'oil'), 'kind'],
  ['oil on walnut', q('2026-07-12', 'walnut', 'aphids', 'crown-spray', 'oil'), 'kind'],
  ['soap on walnut', q('2026-07-12', 'walnut', 'aphids', 'crown-spray', 'insecticidal soap'), null],
  ['sulfur on apricot', q('2026-06-12', 'apricot', 'powdery-mildew', 'crown-spray', 'Sulphur'), 'kind'],
  // Crown.
  [
    'an ash that lost more than half',
    q('2026-06-12', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', { ...OUT, crownLost: 55 }),
    'crown',
  ],
  [
    'a red oak that lost a quarter',
    q('2026-06-12', 'oak-red-group', 'oak-wilt', 'trunk-injection', 'propiconazole', {
      ...OUT,
      crownLost: 25,
      eaten: false,
    }),
    null,
  ],
  [
    'a red oak that lost more',
    q('2026-06-12', 'oak-red-group', 'oak-wilt', 'trunk-injection', 'propiconazole', {
      ...OUT,
      crownLost: 28,
      eaten: false,
    }),
    'crown',
  ],
  [
    'a white oak that lost as much',
    q('2026-06-12', 'oak-white-group', 'oak-wilt', 'trunk-injection', 'propiconazole', {
      ...OUT,
      crownLost: 28,
      eaten: false,
    }),
    null,
  ],
  [
    'an elm far gone',
    q('2026-06-12', 'elm', 'dutch-elm-disease', 'trunk-injection', 'thiabendazole', {
      ...OUT,
      crownLost: 12,
    }),
    'crown',
  ],
  // Cause.
  [
    'imidacloprid on armoured scale',
    q('2026-06-20', 'ash', 'armored-scale', 'soil-drench', 'imidacloprid'),
    'cause',
  ],
  [
    'dinotefuran on armoured scale',
    q('2026-06-20', 'ash', 'armored-scale', 'soil-drench', 'dinotefuran'),
    null,
  ],
  [
    'imidacloprid on elongate hemlock scale',
    q('2026-06-20', 'hemlock', 'elongate-hemlock-scale', 'soil-drench', 'imidacloprid'),
    'cause',
  ],
  [
    'clearwing by soil',
    q('2026-05-12', 'ash', 'clearwing-borer', 'soil-drench', 'imidacloprid', OUT),
    'cause',
  ],
  ['a fungicide on aphids', q('2026-05-12', 'birch', 'aphids', 'crown-spray', 'captan'), 'cause'],
  ['an insecticide on scab', scab('2026-06-12', 'permethrin', []), 'cause'],
  [
    'sulfur on a rust',
    q('2026-05-12', 'apple', 'cedar-apple-rust', 'crown-spray', 'sulfur', { bloom: 'over' }),
    'cause',
  ],
  [
    'a fungicide in a maple with its wilt',
    q('2026-06-12', 'maple', 'verticillium-wilt', 'trunk-injection', 'propiconazole', OUT),
    'cause',
  ],
  ['emamectin by a drench', q('2026-06-12', 'ash', EAB, 'soil-drench', 'emamectin benzoate', OUT), 'cause'],
  [
    'nothing is needed for what sheds by nature',
    q('2026-06-12', 'sycamore', 'natural-bark-shedding', 'bark-spray', 'permethrin', { bark: 'dry' }),
    'cause',
  ],
  // Food and label.
  [
    'a systemic into an apple',
    q('2026-06-12', 'apple', 'aphids', 'soil-drench', 'imidacloprid', { bloom: 'over' }),
    'food',
  ],
  [
    'into a crabapple that is eaten',
    q('2026-06-12', 'crabapple', 'aphids', 'soil-drench', 'imidacloprid', { bloom: 'over', eaten: true }),
    'food',
  ],
  [
    'into one that is not',
    q('2026-06-12', 'crabapple', 'aphids', 'soil-drench', 'imidacloprid', { bloom: 'over', eaten: false }),
    null,
  ],
  [
    'a card for other kinds',
    q('2026-06-12', 'ash', EAB, 'soil-drench', 'imidacloprid', OUT, { card: { hosts: ['hemlock'] } }),
    'label',
  ],
  // History.
  [
    'a cover between two covers',
    scab('2026-06-15', 'captan', [cover('2026-06-12', 'Captan'), cover('2026-07-12', 'captan')], {
      card: { minDays: 7 },
    }),
    'interval',
  ],
  [
    'too near to one to come',
    scab('2026-07-08', 'captan', [cover('2026-07-12', 'captan')], { card: { minDays: 7 } }),
    'interval',
  ],
  [
    'far from both',
    scab('2026-06-25', 'captan', [cover('2026-06-12', 'captan'), cover('2026-07-12', 'captan')], {
      card: { minDays: 7 },
    }),
    null,
  ],
  [
    'one more than the year allows, counted after it too',
    scab('2026-05-12', 'captan', [cover('2026-06-12', 'captan'), cover('2026-07-12', 'captan')], {
      card: { maxApplications: 2 },
    }),
    'count',
  ],
  ['sulfur after oil', scab('2026-06-12', 'sulfur', [cover('2026-06-01', 'oil')]), 'apart'],
  ['captan before oil', scab('2026-06-12', 'captan', [cover('2026-06-20', 'Horticultural oil')]), 'apart'],
  ['captan long after oil', scab('2026-06-25', 'captan', [cover('2026-06-01', 'oil')]), null],
  [
    'a third in a row of one group',
    scab('2026-06-25', 'myclobutanil', [
      cover('2026-06-01', 'difenoconazole'),
      cover('2026-06-12', 'myclobutanil'),
    ]),
    'rotation',
  ],
  [
    'a third with another between',
    scab('2026-06-25', 'myclobutanil', [
      cover('2026-06-01', 'myclobutanil'),
      cover('2026-06-08', 'captan'),
      cover('2026-06-15', 'myclobutanil'),
    ]),
    null,
  ],
  [
    'a third of many sites',
    scab('2026-06-25', 'captan', [cover('2026-06-01', 'captan'), cover('2026-06-12', 'captan')]),
    null,
  ],
  [
    'a borer injected again after one year',
    q('2026-06-12', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', OUT, {
      history: [was('2025-06-12', 'trunk-injection', 'emamectin benzoate', EAB)],
    }),
    'interval',
  ],
  [
    'a borer drenched a year after it was injected',
    q('2026-06-12', 'ash', EAB, 'soil-drench', 'imidacloprid', OUT, {
      history: [was('2025-06-12', 'trunk-injection', 'emamectin benzoate', EAB)],
    }),
    'interval',
  ],
  [
    'a borer drenched year after year',
    q('2026-06-12', 'ash', EAB, 'soil-drench', 'imidacloprid', OUT, {
      history: ['2023', '2024', '2025'].map((y) =>
        was(`${y}-06-10`, 'soil-drench', 'imidacloprid', EAB, { group: '4A', kind: 'insecticide' }),
      ),
    }),
    null,
  ],
  [
    'a hemlock drenched two years ago',
    q(
      '2026-05-12',
      'hemlock',
      HWA,
      'soil-drench',
      'imidacloprid',
      {},
      { history: [was('2024-05-10', 'soil-drench', 'Imidacloprid', HWA)] },
    ),
    'interval',
  ],
  [
    'a hemlock sprayed two years ago',
    q(
      '2026-05-20',
      'hemlock',
      HWA,
      'soil-drench',
      'imidacloprid',
      {},
      { history: [was('2024-05-10', 'crown-spray', 'oil', HWA)] },
    ),
    null,
  ],
  [
    'roots opened a week after the trunk',
    q(
      '2026-06-19',
      'ash',
      'buried-flare',
      'collar',
      undefined,
      {},
      { history: [was('2026-06-12', 'trunk-injection', 'emamectin benzoate', EAB)] },
    ),
    'interval',
  ],
])('%s', (_, request, rule) => {
  const { open, closed } = told(request)
  if (rule === null) expect([closed, open]).toEqual([[], true])
  else {
    expect(closed.map((c) => c.rule)).toContain(rule)
    expect(open).toBe(false)
  }
})

/** After how many days it is due again. */
test.each<[Asked, number | null]>([
  [q('2026-06-12', 'ash', EAB, 'trunk-injection', 'emamectin benzoate'), 730],
  [q('2026-06-12', 'ash', EAB, 'trunk-injection', 'imidacloprid'), 365],
  [q('2026-06-12', 'ash', EAB, 'bark-spray', 'dinotefuran'), 365],
  [q('2026-06-12', 'birch', 'bronze-birch-borer', 'trunk-injection', 'emamectin benzoate'), 730],
  [q('2026-06-12', 'oak-red-group', 'two-lined-chestnut-borer', 'soil-drench', 'imidacloprid'), 365],
  [q('2026-06-12', 'hemlock', HWA, 'soil-injection', 'imidacloprid'), 1825],
  [q('2026-06-12', 'hemlock', HWA, 'bark-spray', 'dinotefuran'), 365],
  [q('2026-06-12', 'hemlock', HWA, 'crown-spray', 'oil'), 365],
  [q('2026-06-12', 'elm', 'dutch-elm-disease', 'trunk-injection', 'thiabendazole'), 1095],
  [q('2026-06-12', 'elm', 'dutch-elm-disease', 'trunk-injection', 'propiconazole'), 365],
  [q('2026-06-12', 'oak-red-group', 'oak-wilt', 'trunk-injection', 'propiconazole'), 730],
  [q('2026-06-12', 'oak-red-group', 'bacterial-leaf-scorch', 'trunk-injection', 'oxytetracycline'), 365],
  [q('2026-06-12', 'oak-red-group', 'iron-chlorosis', 'feed', 'iron'), 730],
  [q('2026-06-12', 'ash', EAB, 'soil-drench', 'imidacloprid', {}, { card: { minDays: 400 } }), 400],
  [q('2026-06-12', 'elm', 'dutch-elm-disease', 'prune'), null],
])('%j is due again', (request, days) => expect(told(request).again.days).toBe(days))

test('a rule that time alone opens says from when', () => {
  const until = (request: Asked, rule: RuleName) => told(request).closed.find((c) => c.rule === rule)?.until
  expect(until(q('2026-06-12', 'peach', 'peach-leaf-curl', 'crown-spray', 'copper', OUT), 'season')).toBe(
    '2026-11-01',
  )
  expect(until(q('2026-05-12', 'oak-red-group', 'oak-wilt', 'prune'), 'season')).toBe('2026-08-01')
  expect(
    until(
      scab('2026-06-15', 'captan', [cover('2026-06-12', 'captan'), cover('2026-06-24', 'captan')], {
        card: { minDays: 7 },
      }),
      'interval',
    ),
  ).toBe('2026-07-01')
  expect(until(q('2026-06-12', 'ash', EAB, 'soil-drench', 'emamectin benzoate'), 'cause')).toBeNull()
  expect(
    until(q('2027-01-15', 'ash', EAB, 'trunk-injection', 'emamectin benzoate', { leaf: 'none' }), 'leaf'),
  ).toBe('2027-03-16')
})

test('what nobody said is asked where it matters, and closes nothing', () => {
  const asks = (request: Asked) => {
    const { open, asks: all } = told({ ...request, facts: {} })
    return [open, all.map((a) => a.field).sort()]
  }
  expect(asks(q('2026-06-12', 'ash', EAB, 'trunk-injection', 'emamectin benzoate'))).toEqual([
    true,
    ['facts.crownLost', 'facts.leaf', 'facts.soil'],
  ])
  expect(asks(q('2026-06-12', 'maple', 'cottony-maple-scale', 'soil-drench', 'imidacloprid'))).toEqual([
    true,
    ['facts.bloom', 'facts.crownLost', 'facts.eaten', 'facts.soil'],
  ])
  expect(asks(q('2026-06-12', 'ash', EAB, 'bark-spray', 'dinotefuran'))[1]).toContain('facts.bark')
  expect(asks(q('2026-05-12', 'apple', 'tent-caterpillar', 'crown-spray', 'Bt'))[1]).toContain('facts.larvae')
  expect(asks(q('2026-12-12', 'maple', 'cottony-maple-scale', 'crown-spray', 'oil'))[1]).toContain(
    'facts.sort',
  )
})

test.each([
  [{ date: '2026-02-30' }, 'bad-quantity', 'date'],
  [{ host: 'baobab' }, 'unknown', 'host'],
  [{ cause: 'ennui' }, 'unknown', 'cause'],
  [{ method: 'prayer' }, expect.any(String), 'method'],
  [{ facts: { crownLost: 101 } }, 'out-of-range', 'facts.crownLost'],
  [{ facts: { toWater: 'near' } }, 'bad-quantity', 'facts.toWater'],
  [{ card: { minDays: -1 } }, 'out-of-range', 'card.minDays'],
  [{ card: { maxApplications: 1.5 } }, 'out-of-range', 'card.maxApplications'],
  [{ card: { hosts: ['baobab'] } }, 'unknown', 'card.hosts[0]'],
  [{ history: [{ date: 'yesterday' }] }, 'bad-quantity', 'history[0].date'],
  [{ history: [{ date: '2026-01-01', cause: 'ennui' }] }, 'unknown', 'history[0].cause'],
])('%j is refused by its field', (wrong, code, field) => {
  const answer = ask('gate', { ...q('2026-06-12', 'ash', EAB, 'soil-drench', 'imidacloprid'), ...wrong })
  expect(answer.ok ? null : [answer.problem.code, answer.problem.field]).toEqual([code, field])
})

test('an order of works is held: felling waits for the line between roots, which may be planned, done or needless', () => {
  const wilt = (more: object) =>
    ask('gate', { date: '2026-06-12', host: 'elm', cause: 'dutch-elm-disease', method: 'fell', ...more })
  const closed = (more: object) => {
    const answer = wilt(more)
    return answer.ok
      ? (answer.value as unknown as { closed: { rule: string; until: string | null }[] }).closed
      : null
  }
  const joined = { facts: { joined: true } }
  expect(closed(joined)).toMatchObject([{ rule: 'order', until: null }])
  expect(closed({ facts: { joined: false } })).toEqual([])
  const line = (date: string) => ({
    ...joined,
    history: [{ date, method: 'barrier', cause: 'dutch-elm-disease' }],
  })
  expect(closed(line('2026-06-10'))).toEqual([])
  // What is written for a later day is planned: the felling waits for it.
  expect(closed(line('2026-06-20'))).toMatchObject([
    { rule: 'order', until: '2026-06-20', message: expect.stringMatching(/it stands on 20 Jun 2026/) },
  ])
  const answer = wilt({})
  expect(
    answer.ok && (answer.value as unknown as { asks: { field: string }[] }).asks.map((a) => a.field),
  ).toContain('facts.joined')
})
