import { addDays } from '@/core/time/calendar'
import type { DemoTree } from './grounds'
import { decided } from './signed'
import { idFor, type Story } from './story'

/** A repeatable number in 0…1 from a name. */
function draw(name: string): number {
  return parseInt(idFor(`draw ${name}`).slice(0, 8), 16) / 2 ** 32
}
export const between = (name: string, low: number, high: number) => low + (high - low) * draw(name)
export const two = (n: number) => String(n).padStart(2, '0')

/** A tree as it stands in a row or a wood; diameter in inches. */
export function tree(
  tag: string,
  host: string,
  east: number,
  north: number,
  inches: number,
  liveCrown: number,
): DemoTree {
  return {
    tag,
    host,
    confirmed: true,
    place: [Math.round(east * 10) / 10, Math.round(north * 10) / 10],
    girths: [[String(Math.round(inches * Math.PI * 4) / 4), 20]],
    liveCrown: Math.round(liveCrown / 5) * 5,
    note: null,
    marks: [],
  }
}

/** The hemlock ravine: forty trees on two banks above a spring. */
export const RAVINE_TREES: readonly DemoTree[] = Array.from({ length: 40 }, (_, i) => {
  const tag = `Hem ${two(i + 1)}`
  const bank = i % 2
  return tree(
    tag,
    'hemlock',
    6 + (i / 40) * 96 + between(`${tag} e`, -1.5, 1.5),
    (bank === 0 ? 30 : 52) + between(`${tag} n`, -9, 9),
    5.5 + 27 * draw(`${tag} d`) ** 1.8,
    between(`${tag} c`, 55, 95),
  )
})

/** The elm avenue: sixty-four street trees in two rows. */
export const AVENUE_TREES: readonly DemoTree[] = Array.from({ length: 64 }, (_, i) => {
  const tag = `Elm ${two(i + 1)}`
  return tree(
    tag,
    'elm',
    8 + Math.floor(i / 2) * 11,
    i % 2 === 0 ? 8 : 24,
    between(`${tag} d`, 15, 27),
    // At the sixtieth the wilt was caught on one limb.
    between(`${tag} c`, i === 59 ? 96 : 85, 100),
  )
})

/** The old cider orchard: a hundred and twenty apples on three banks. */
export const ORCHARD_TREES: readonly DemoTree[] = ['A', 'B', 'C'].flatMap((bank, b) =>
  Array.from({ length: 40 }, (_, i) => {
    const tag = `Cider ${bank}${two(i + 1)}`
    return tree(
      tag,
      'apple',
      6 + (i % 10) * 7,
      6 + b * 34 + Math.floor(i / 10) * 7,
      between(`${tag} d`, 6, 13),
      between(`${tag} c`, 75, 100),
    )
  }),
)

export const line = (...coordinates: [number, number][]) => ({ type: 'LineString' as const, coordinates })
export const area = (...corners: [number, number][]) => ({
  type: 'Polygon' as const,
  coordinates: [[...corners, corners[0]!]],
})

/** Places with their outlines; metres east and north of each corner. */
export const MORE_PLACES = [
  {
    key: 'ravine',
    trees: RAVINE_TREES,
    place: {
      client: 'Upper Spring commoners',
      contact: 'the warden, by letter',
      name: 'Upper Spring ravine',
      where: 'Spring Lane, Tamsin’s Ferry',
      note: 'The spring feeds six houses. Nothing on the ground beside it.',
      areaM2: 6070,
      lies: [42.36, -75.31] as [number, number],
      features: [
        { kind: 'boundary', name: 'common', geometry: area([2, 12], [106, 12], [106, 68], [2, 68]) },
        { kind: 'water', name: 'spring', geometry: line([48, 41], [70, 42], [104, 40]) },
        { kind: 'path', name: 'upper path', geometry: line([2, 64], [106, 62]) },
      ],
    },
  },
  {
    key: 'avenue',
    trees: AVENUE_TREES,
    place: {
      client: 'Town of Tamsin’s Ferry',
      contact: 'the street office',
      name: 'Elm avenue',
      where: 'Ferry Road, Tamsin’s Ferry',
      note: 'One lane stays open. Elm disease is watched for: three rounds each summer.',
      areaM2: 11_200,
      lies: [42.305, -75.225] as [number, number],
      features: [
        { kind: 'boundary', name: 'street', geometry: area([2, 2], [362, 2], [362, 30], [2, 30]) },
        { kind: 'path', name: 'carriageway', geometry: line([2, 16], [362, 16]) },
      ],
    },
  },
  {
    key: 'orchard',
    trees: ORCHARD_TREES,
    place: {
      client: 'Quarrel Bank cider',
      contact: 'the press house',
      name: 'Quarrel Bank orchard',
      where: 'Quarrel Bank, Tamsin’s Ferry',
      note: 'Three banks, steep between. Picking begins in late September.',
      areaM2: 8100,
      lies: [42.27, -75.12] as [number, number],
      features: [
        { kind: 'boundary', name: 'orchard', geometry: area([1, 1], [76, 1], [76, 104], [1, 104]) },
        { kind: 'path', name: 'lower track', geometry: line([1, 33], [76, 33]) },
        { kind: 'path', name: 'upper track', geometry: line([1, 67], [76, 67]) },
        { kind: 'well', name: 'well', geometry: { type: 'Point' as const, coordinates: [70, 102] } },
      ],
    },
  },
]

/** The three larger places as their people left them: hemlocks to be treated under a limit nearly used, a bank with scab. */
export async function moreGrounds(story: Story, today: string) {
  for (const { key, trees } of MORE_PLACES) await story.trees(key, [...trees], today)
  await story.do('philippa', 30, 'note-applied', {
    id: idFor('applied ravine'),
    siteId: idFor('site ravine'),
    active: 'imidacloprid',
    amount: '0.36 lb',
    onDate: addDays(today, -60),
    source: 'The commoners’ gardener, by his own receipt.',
  })
  for (const { tag } of RAVINE_TREES)
    await decided(
      story,
      tag,
      4,
      {
        'needle-wool-base': 'there',
        'needle-grey-thin': 'there',
        'soil-wet': 'not-there',
        'soil-dry': 'not-there',
      },
      'hemlock-woolly-adelgid',
      'treat',
      {},
    )
  // Four of each bank are looked at one by one; the other trees of the first bank are signed with them.
  for (const bank of ['A', 'B', 'C'])
    for (const n of [1, 12, 24, 36])
      await decided(
        story,
        `Cider ${bank}${two(n)}`,
        4,
        { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
        'apple-scab',
        'treat',
        {},
      )
  for (const bank of ['A', 'B', 'C'])
    await story.do('maren', 4, 'set-block', {
      siteId: idFor('site orchard'),
      treeIds: ORCHARD_TREES.filter((t) => t.tag.startsWith(`Cider ${bank}`)).map((t) => idFor(t.tag)),
      name: `Bank ${bank}`,
    })
  await story.do(
    'maren',
    4,
    'sign-block',
    { id: idFor('by sample A'), siteId: idFor('site orchard'), block: 'Bank A' },
    60,
  )
}
