import { annulus } from '../../rootzone/collar'
import { ok } from '../../problem'
import { readShares, stagedCuts } from '../../rootzone/stagedCuts'
import { daysBetween } from '../../time/calendar'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'
import { groundHours } from '../hourReasons'
import type { Values } from '../lines'

/** Finding the flare, and a cubic foot of soil lifted by hand or air; house figures. */
const MINUTES = 20
const MINUTES_PER_M3 = 8 / 0.028316846592

const SIDES = ['north', 'east', 'south', 'west'] as const
/** What was cut within so many days counts toward a year's most. */
const YEAR = 365

const inch = (value: number | string, units: 'us' | 'metric') => shown(Number(value), 'in', units)

/**
 * The root collar opened: soil taken off the flare, what is found noted, roots that girdle cut in steps, anchors tapped and
 * probed. Source: handbook, root collar excavation.
 */
export const collar: HandMethod = {
  opens: 'soil',
  hours: (_, hours) => groundHours(hours),
  answers: ['flare-hidden'],
  terms: [
    { name: 'out', label: 'Open out from the bark', kind: 'length', hint: '18 in' },
    {
      name: 'mostCutPercent',
      label: 'Most of the root zone cut in a year, %',
      kind: 'count',
      least: 1,
      most: 50,
    },
    { name: 'dryDays', label: 'Days the collar dries before roots are cut', kind: 'count', most: 30 },
    { name: 'tool', label: 'With', kind: 'words', hint: 'air tool or hand tools, no blade on bark' },
  ],
  asks: [
    ...SIDES.map((side) => ({
      name: side,
      label: `Soil over the flare, ${side}`,
      kind: 'length' as const,
      hint: '4 in',
      optional: side !== 'north',
    })),
    {
      name: 'roots',
      label: 'Girdling roots to cut: share of the root zone each feeds, %, hardest pressing first',
      kind: 'words',
      hint: '6, 10, 4',
      optional: true,
    },
  ],
  kit: 'probe, mallet, hand tools or air tool, brush, saw, tarpaulin',
  plan({ tree, day, terms, given, units }) {
    const depths = SIDES.flatMap((side) => (typeof given[side] === 'number' ? [given[side]] : []))
    const dug = annulus(tree.diameter, Number(terms['out']), depths, units)
    if (!dug.ok) return dug
    const most = Number(terms['mostCutPercent'])
    const before = (tree.rootsCut ?? [])
      .filter((c) => Math.abs(daysBetween(c.on, day.on)) < YEAR)
      .reduce((sum, c) => sum + c.percent, 0)
    const shares = readShares(String(given['roots'] ?? ''))
    if (!shares.ok) return shares
    const staged = stagedCuts(shares.value, most, before)
    if (!staged.ok) return staged
    const [now = [], ...later] = staged.value.years
    const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0)
    return ok({
      minutes: MINUTES + dug.value.soil * MINUTES_PER_M3,
      water: null,
      shape: {
        ...given,
        deepest: Math.max(...depths),
        soil: dug.value.soil,
        out: Number(terms['out']),
        room: Math.max(0, most - before),
        ...(shares.value.length > 0 && {
          now: now.join(' + '),
          cut: sum(now),
          later: later.map((y) => `${y.join(' + ')} %`).join(', then '),
        }),
      },
      steps: [
        {
          task: 'open',
          times: 1,
          note: { name: 'depth', label: 'Deepest soil over the flare', kind: 'length' },
        },
        {
          task: 'found',
          times: 1,
          note: {
            name: 'found',
            label: 'What lies under it',
            kind: 'choice',
            options: ['nothing amiss', 'girdling root', 'decay', 'insects', 'several of these'],
          },
        },
        {
          task: 'anchors',
          times: 1,
          note: {
            name: 'anchors',
            label: 'The anchor roots',
            kind: 'choice',
            options: ['all sound', 'one soft', 'several soft'],
          },
        },
        {
          task: 'roots',
          times: Math.max(1, now.length),
          ...(Number(terms['dryDays']) > 0 && { waits: { after: 'open', days: Number(terms['dryDays']) } }),
          note: {
            name: 'cut',
            label: 'Share of the root zone that was cut, %; 0 where none was',
            kind: 'count',
            most: 100,
          },
        },
        { task: 'leave', times: 1 },
      ],
      working: [
        ...dug.value.working,
        ...(before > 0 || shares.value.length > 0
          ? [
              {
                label: 'Of the root zone, this year',
                expression: `${most} % − ${before} % cut within the year`,
                result: `${Math.max(0, most - before)} %`,
                source: 'house rule' as const,
              },
            ]
          : []),
        ...staged.value.years.map((year, i) => ({
          label: i === 0 ? 'Cut now' : i === 1 ? 'Cut in a year' : `Cut in ${i} years`,
          expression: year.length === 0 ? 'nothing' : `${year.join(' % + ')} %`,
          result: `${sum(year)} %`,
        })),
      ],
    })
  },
  say(task, { terms, shape, units }) {
    const sides = SIDES.filter((s) => shape[s] !== undefined)
      .map((s) => `${inch(shape[s]!, units)} ${s}`)
      .join(', ')
    switch (task) {
      case 'open':
        return {
          name: 'Open',
          text: `From the bark out to ${inch(shape['out']!, units)}, down to the flare: ${sides}; about ${shown(Number(shape['soil']), 'ft3', units, 1)} of soil. ${String(terms['tool'])}. Fine roots above the flare may go, the bark may not be touched.`,
        }
      case 'found':
        return {
          name: 'What is found',
          photo: 'the clean flare, all round',
          text: 'Brush it clean and go once round. Draw girdling roots, decay and holes on the ring of this tree.',
        }
      case 'anchors':
        return {
          name: 'Anchors',
          text: 'Tap every anchor root with the mallet and push the probe in beneath. Dull or soft: cut nothing, mark it, and say so here.',
        }
      case 'roots':
        return {
          name: 'Cut roots',
          photo: 'each root that was cut, where it pressed',
          text: `Only when all anchors are sound. ${Number(terms['dryDays']) > 0 ? `After the collar has dried ${String(terms['dryDays'])} days; ` : ''}${whichRoots(shape, Number(terms['mostCutPercent']))} Chisel it out where it presses; leave the bark of the trunk whole. None to cut: write 0.`,
        }
      default:
        return {
          name: 'Leave it open',
          text: 'Slope the edge so that water runs off, carry the soil away. Mulch begins a hand from the bark.',
        }
    }
  },
  inOneLine: ({ shape, units }) => `open the flare, ${inch(shape['deepest']!, units)} of soil over it`,
  checks: (_, shape) => [
    {
      afterDays: 30,
      what: 'The flare still open',
      expectation: {
        kind: 'count',
        question: 'How many inches of soil or mulch lie on the flare again?',
        unit: 'in',
        sense: 'at-most',
        expected: 0,
        tolerated: 1,
        least: 0,
        most: 40,
      },
    },
    ...(shape?.['later']
      ? [
          {
            afterYears: 1,
            what: 'Girdling roots left for this year',
            expectation: {
              kind: 'look' as const,
              question: `Roots were left to be cut after a year (${String(shape['later'])} of the root zone). How do they press on the trunk now?`,
              againDays: YEAR,
            },
          },
        ]
      : []),
  ],
  leads(noted, shape) {
    const cut = Number(noted['roots'] ?? 0)
    if (cut > Number(shape['room'] ?? Infinity))
      return `${cut} % of the root zone was cut where at most ${String(shape['room'])} % was this year’s. Look after it in the next dry spell, and cut none within a year.`
    const anchors = noted['anchors']
    if (anchors && anchors !== 'all sound')
      return `Under the collar ${anchors === 'one soft' ? 'one anchor root was' : 'several anchor roots were'} found soft. Refer the tree to a qualified risk assessor; keep people from beneath it until then.`
    if (cut > 0 && noted['found'] === 'nothing amiss')
      return `${cut} % of the root zone was cut where nothing amiss was found. Say what was cut and why; draw it on the ring.`
    if (noted['found'] === 'decay' || noted['found'] === 'several of these')
      return `Under the collar was found: ${noted['found']}. Look at it and decide anew.`
    return null
  },
}

/** Which roots are cut at this visit, by what of them was told beforehand and by what was cut within the year. */
function whichRoots(shape: Values, most: number): string {
  const room = Number(shape['room'] ?? most)
  if (room <= 0)
    return `none this year: the ${most} % that may be cut of the root zone within a year are cut.`
  if (shape['now'] === undefined)
    return `roots together feeding no more than ${room} % of the root zone this year, the rest in a year.`
  const left =
    shape['later'] === '' ? 'That is all of them.' : `Left for later years: ${String(shape['later'])}.`
  return shape['now'] === ''
    ? `none at this visit: none of them fits into what is left of this year, ${room} %. ${left}`
    : `those feeding ${String(shape['now'])} %, ${String(shape['cut'])} % of the root zone in all, of at most ${room} % this year. ${left}`
}
