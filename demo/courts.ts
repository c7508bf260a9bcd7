import { addDays } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import { followUpsOfTree } from '@/db/queries/followUp'
import { COURT_PLACES, LANE_TREES } from './courtGrounds'
import { byHand, decided, diagnosed } from './signed'
import { FIRM, idFor, type Story } from './story'
import { worked } from './worked'

/** The glasshouse court, the chestnut trial and the lane as their people left them, so that every method stands somewhere. */
export async function courts(story: Story, today: string): Promise<void> {
  for (const { key, trees } of COURT_PLACES) await story.trees(key, [...trees], today)
  await glasshouse(story, today)
  await trial(story, today)
  for (const { tag } of LANE_TREES)
    await diagnosed(
      story,
      tag,
      3,
      {
        'exit-hole-d': 'there',
        'crown-thin-top': 'there',
        'galleries-s': 'there',
        'soil-dry': 'not-there',
        'flare-hidden': 'not-there',
      },
      'emerald-ash-borer',
    )
}

async function glasshouse(story: Story, today: string): Promise<void> {
  // Stripped by snails: decided, and waiting for its line of work.
  await decided(
    story,
    'Plum 1',
    2,
    { 'leaf-stripped-shoots': 'there', 'slime-shells': 'there', 'leaf-chewed': 'there' },
    'snails-slugs',
    'care',
    { words: 'Clear and bait first, feed when it shoots.', due: addDays(today, 28) },
  )
  const mealy = await decided(
    story,
    'Citrus 2',
    2,
    { 'cottony-masses': 'there', 'leaf-sticky': 'there', 'ants-trail': 'there', 'leaf-black-film': 'there' },
    'mealybug',
    'care',
    { due: addDays(today, 21), words: 'By hand as long as few of them are there.' },
    'Flat white wool in the leaf axils, no cushions.',
  )
  await story.do('maren', 1, 'hand-to-crew', {
    id: idFor('rx citrus 2'),
    items: [
      byHand('HC-HANDS', [mealy], { work: 'brush with soapy water' }),
      byHand('HC-BAND', [mealy], {}),
      byHand(
        'HC-TEN',
        [mealy],
        { what: 'live mealybugs', threshold: '4' },
        { after: { item: 0, days: 7 }, times: 3 },
      ),
    ],
    onDate: addDays(today, 3),
  })
  await decided(
    story,
    'Citrus 3',
    12,
    { 'leaf-mines-serpentine': 'there', 'leaf-twisted-strappy': 'there' },
    'citrus-leafminer',
    'watch',
    {
      due: addDays(today, 1),
      words: 'An old tree bears it; young leaves are counted.',
      watch: {
        count: 'mined leaves of twenty young ones',
        threshold: 8,
        above: 'oil in the evening on the young growth',
      },
    },
  )
  const wool = await decided(
    story,
    'Citrus 4',
    2,
    { 'cottony-masses': 'there', 'leaf-black-film': 'there', 'branch-dieback-scattered': 'there' },
    'cottony-cushion-scale',
    'care',
    { due: addDays(today, 30), words: 'Beetles first, no spray beside them.' },
    'Ridged white cushions along the twigs.',
  )
  await story.do('maren', 1, 'hand-to-crew', {
    id: idFor('rx citrus 4'),
    items: [byHand('HC-HELPERS', [wool], { prey: '60' })],
    onDate: addDays(today, 6),
  })
  await failedOil(story, today)
  // Soft roots along the walk: the laboratory is asked, and late.
  await decided(
    story,
    'Rhodo 1',
    14,
    { 'roots-dark-soft': 'there', 'soil-wet': 'there', 'leaf-limp-wet-soil': 'there' },
    'phytophthora-root-rot',
    'sample',
    {
      due: addDays(today, -2),
      whom: 'county plant laboratory',
      words: 'Before anything is bought for the walk.',
    },
    'Soft roots in wet ground; the laboratory is asked all the same.',
  )
  // Nothing is wrong with this one.
  await decided(
    story,
    'Rhodo 2',
    2,
    {
      'leaf-yellow-even': 'not-there',
      'roots-dark-soft': 'not-there',
      'soil-wet': 'not-there',
      'branch-dieback-scattered': 'not-there',
      'leaf-limp-wet-soil': 'not-there',
    },
    'healthy',
    'healthy',
    { due: addDays(today, 365) },
    'Old leaves yellow and fall in June, as they should.',
  )
}

/** Oil against a scale that did not stop it: counted, not working, the diagnosis opened again. */
async function failedOil(story: Story, today: string): Promise<void> {
  const ago = 40
  const tag = 'Citrus 5'
  const tree = await decided(
    story,
    tag,
    ago + 2,
    { 'twig-bumps-flip-off': 'there', 'branch-dieback-scattered': 'there' },
    'armored-scale',
    'treat',
    { words: 'Oil in the evening; counted a week after.' },
    'Bumps that flip off with a nail.',
  )
  const { jobId } = (await story.do('maren', ago + 1, 'hand-to-crew', {
    id: idFor('rx citrus 5'),
    items: [
      {
        useId: idFor('card HO1'),
        choice: 0.5,
        subjects: [
          {
            ...tree,
            given: {
              crownHeight: '7 ft',
              crownWidth: '5 ft',
              crownShape: 'ellipsoid',
              crownDensity: 'dense',
            },
          },
        ],
      },
    ],
    onDate: addDays(today, -ago),
    eaten: true,
    harvestOn: addDays(today, 120),
  })) as { jobId: string }
  await worked(story, jobId, {
    name: 'citrus 5',
    ago,
    begin: { noBloom: true },
    record: {
      lot: 'HO1-6612',
      temperature: '70 F',
      notices: 'Court closed until the leaves were dry.',
    },
  })
  const checks = await inFirm(FIRM.id, (sql) => followUpsOfTree(sql, tree.treeId))
  // No burn; but as many alive as before, on the next day and a week on.
  for (const [n, check] of checks.filter((c) => c.prescriptionId !== null).entries()) {
    const harm = check.expectation.kind === 'side-effect'
    await story.do('maren', ago - 8, 'enter-result', {
      id: idFor(`m citrus 5 ${n}`),
      followUpId: check.id,
      value: harm ? 0 : 95,
      nextStep: harm ? 'go on as planned' : 'reopen the diagnosis',
      words: harm ? null : 'As many as before, and new ones on the young wood.',
    })
  }
}

async function trial(story: Story, today: string): Promise<void> {
  // Last September the trial’s people gathered nuts every day for a month.
  const nuts = await decided(
    story,
    'Chestnut 01',
    270,
    { 'nut-hole-grub': 'there' },
    'chestnut-weevil',
    'care',
    { words: 'Every nut, every day; nothing lies over night.', due: addDays(today, -200) },
  )
  await story.do('maren', 270, 'hand-to-crew', {
    id: idFor('rx chestnut 1'),
    items: [byHand('HC-GATHER', [nuts], { work: 'gather fallen fruit' }, { who: 'client', times: 30 })],
    onDate: addDays(today, -268),
  })
  const asked = (await inFirm(FIRM.id, (sql) => followUpsOfTree(sql, nuts.treeId))).filter(
    (f) => f.verdict === null,
  )
  for (const [n, f] of asked.entries())
    await story.do('maren', 225, 'enter-result', {
      id: idFor(`m chestnut 1 ${n}`),
      followUpId: f.id,
      said: 'done, and it is better',
      nextStep: 'stop looking',
      words: 'One nut in thirty with a hole; it was one in four.',
    })
  // The keeper waters one himself.
  const dry = await decided(
    story,
    'Chestnut 05',
    3,
    {
      'soil-dry': 'there',
      'drought-recent': 'there',
      'leaf-fold-crisp': 'there',
      'leaf-scorch-even': 'there',
    },
    'drought-stress',
    'care',
    { words: 'Slow water, once a week, by the keeper.', due: addDays(today, 28) },
  )
  await story.do('maren', 2, 'hand-to-crew', {
    id: idFor('rx chestnut 5'),
    items: [byHand('HC-WATER', [dry], { emitters: '8', flow: '1 gal' }, { who: 'client', times: 6 })],
    onDate: addDays(today, 1),
  })
  const galls = await decided(
    story,
    'Chestnut 02',
    3,
    { 'bud-gall': 'there', 'leafing-late-sparse': 'there' },
    'chestnut-gall-wasp',
    'care',
    { words: 'The parasite is set free where the galls are densest.', due: addDays(today, 300) },
  )
  await story.do('maren', 2, 'hand-to-crew', {
    id: idFor('rx chestnut 2'),
    items: [byHand('HC-PRUNE', [galls], { what: 'infested twigs', cuts: '25' })],
    // Signed for its time: nothing is cut while the wasps are in the galls.
    onDate: `${today.slice(0, 4)}-11-10`,
  })
  const packed = await decided(
    story,
    'Chestnut 03',
    3,
    { 'soil-hard': 'there', 'crown-thin-even': 'there', 'grade-or-dig-recent': 'there' },
    'soil-compaction',
    'care',
    { words: 'Spokes, then water.', due: addDays(today, 40) },
  )
  await story.do('maren', 2, 'hand-to-crew', {
    id: idFor('rx chestnut 3'),
    items: [
      byHand('HC-SPOKES', [packed], { start: '3 ft', end: '9 ft' }),
      byHand(
        'HC-WATER',
        [packed],
        { emitters: '12', flow: '1 gal' },
        { after: { item: 0, days: 0 }, who: 'crew', times: 4 },
      ),
    ],
    onDate: addDays(today, 5),
  })
  await decided(story, 'Chestnut 04', 3, { 'wound-mower': 'there' }, 'mechanical-wound', 'care', {
    words: 'Keep the mower off; a guard until it has closed.',
    due: addDays(today, 60),
  })
  // A weak union over the path: screened, referred, and the answer is late.
  const fork = await diagnosed(story, 'Chestnut 06', 9, { 'wound-mower': 'there' }, 'mechanical-wound')
  await story.do(
    'maren',
    9,
    'screen-safety',
    {
      id: idFor('screen chestnut 6'),
      treeId: fork.treeId,
      defect: 3,
      defectWords: 'the fork has opened a hand wide',
      target: 2,
      targetWords: 'the path to the seed bed, people every day',
      consequence: 3,
      consequenceWords: 'half the crown on the path',
    },
    22,
  )
  await story.do(
    'maren',
    9,
    'sign-decision',
    {
      id: idFor('dec chestnut 6'),
      treeId: fork.treeId,
      diagnosisId: fork.diagnosisId,
      action: 'refer',
      words: null,
      due: addDays(today, -1),
      whom: 'the county’s assessor',
    },
    25,
  )
  // A patch that only looks bad: nothing is done, and the client is told why.
  await decided(
    story,
    'Oak 8',
    4,
    { 'bark-smooth-patch': 'there', 'bark-off-crust': 'not-there' },
    'smooth-patch',
    'watch',
    {
      words: 'It lives on dead outer bark alone. Nothing is done, and nothing is to be bought.',
      due: addDays(today, 365),
    },
    'Thin plates gone in a round patch, the living bark whole beneath.',
  )
}
