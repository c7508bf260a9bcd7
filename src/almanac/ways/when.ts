import type { WayTime } from '@/core/decide/way'

const ANY: WayTime = {}
const days = (window: string, more: Omit<WayTime, 'window'> = {}): WayTime => ({ window, ...more })
const OIL_ON_CRAWLERS = days('1 Nov to 15 Apr or 1 May to 30 Sep')
const RAKED = days('15 Sep to 15 Dec')
const RESTING = days('1 Nov to 31 Mar', { leaf: ['none', 'swelling'] })
const IN_LEAF: WayTime = { leaf: ['out'] }
const YOUNG: WayTime = { larvae: 'small' }

/**
 * What the gate holds of the words by which a way says its time. Days are those of the temperate north; they are wide, as the season
 * moves them, and what is seen comes first. Words that only advise (`best in spring`), that another rule of the gate holds (bloom for
 * what bees take up, soil, wet bark) or that only a look can answer hold nothing here. Every way’s words must stand in the list.
 */
// prettier-ignore
export const WHEN: Readonly<Record<string, WayTime>> = {
  // What no season moves.
  'always': ANY, 'at once': ANY, 'with it': ANY, 'each visit': ANY, 'each year': ANY, 'each spring': ANY, 'each flush': ANY, 'each winter': ANY,
  'as seen': ANY, 'as it is borne': ANY, 'as soon as they are seen': ANY, 'as soon as silk is seen': ANY, 'as soon as the probe comes up dry': ANY,
  'before anything is bought': ANY, 'before felling': { before: 'fell' }, 'after the line is cut': { after: 'barrier' }, 'the day it is felled': { after: 'fell' }, 'after felling': ANY, 'once it drains': ANY, 'once half of the crown is gone': ANY,
  'the same day': ANY, 'in every dry spell': ANY, 'when workable': ANY, 'when the soil is workable': ANY, 'when the soil is moist': ANY,
  'when soil is moist': ANY, 'when the trail is seen': ANY, 'when wool is seen': ANY, 'when the feeder is gone': ANY, 'afterwards': ANY,
  'a season after the soil is open': ANY, 'after water, in moist soil': ANY, 'not while it strikes': ANY, 'damp evenings': ANY,
  'all season': ANY, 'all season, nothing broad sprayed': ANY, 'in mild weather, nothing broad sprayed': ANY,
  'when prey is there and nothing broad was sprayed': ANY, 'when crawlers walk and nothing broad was sprayed': ANY,
  'before the nests are many': ANY, 'before ants climb': ANY, 'before hunger': ANY, 'before snow': { snow: 'before' }, 'before they come': ANY, 'before autumn': ANY,
  'before colour': ANY, 'while they feed': ANY, 'after harvest': ANY, 'from fruit set': ANY, 'from spring': ANY, 'from late spring': ANY,
  'from leaf-out': ANY, 'from bloom': ANY, 'late spring': ANY, 'next spring': ANY, 'July': ANY, 'spring and autumn': ANY, 'autumn or spring': ANY,
  'dry weather': ANY, 'dry weather, or dormant': ANY, 'dry weather after harvest': ANY, 'dormant and when seen': ANY, 'evening': ANY,
  'evening, after the feeder': ANY, 'evening, when the jet does not hold them': ANY, 'cool of the day; winter': ANY,
  'evening, after a count; on conifers, hollies and rhododendrons in spring or autumn': ANY, 'while the young ones are small': ANY,
  'as the flush opens, evening': ANY, 'with the flush, not before the tree is strong': ANY, 'before the larvae climb': ANY,
  'before they show it': ANY, 'while it is dry': ANY, 'May to September': ANY,
  // What is put into root or trunk: bloom, soil and leaf have rules of their own; what is best is advice.
  'after bloom only': ANY, 'in moist soil, after bloom': ANY, 'in moist soil, best in spring or autumn': ANY, 'best in spring or autumn': ANY,
  'in moist soil, best weeks before the beetles feed': ANY, 'in moist soil, best in autumn or early spring': ANY, 'bark dry, best in spring or autumn': ANY,
  'best while dormant, a set share of the roots a year': ANY, 'outside the local risk season, best in deep dormancy': ANY,
  'stone fruit in dry summer after harvest, others best while dormant': ANY, 'soil moist; quick release in spring or autumn only': ANY,
  'at once, grafts in early spring': ANY,
  'in full leaf with moist soil; spring before autumn': IN_LEAF, 'in leaf': IN_LEAF, 'in leaf, before they show it': IN_LEAF,
  'spring in full leaf, before the beetles lay': days('15 Mar to 31 Jul', IN_LEAF),
  'early summer in leaf': days('15 May to 31 Jul', IN_LEAF),
  'late spring in leaf': days('1 May to 31 Jul', IN_LEAF),
  'late summer to early spring by the label': days('1 Aug to 15 Apr', { leaf: ['none', 'swelling', 'out', 'falling'] }),
  'before they fly out in midsummer': days('15 Apr to 20 Jul'),
  'before the beetles fly': days('1 Nov to 30 Apr'),
  // Bare twigs, buds, bloom.
  'after leaf fall, and again before bud swell': days('1 Nov to 15 Mar', { leaf: ['none'] }),
  'dormant, before bud swell': days('1 Nov to 31 Mar', { leaf: ['none'] }),
  'silver tip to half-inch green': days('1 Mar to 10 May', { leaf: ['swelling'] }),
  'at leaf fall': days('1 Oct to 28 Feb', { leaf: ['falling', 'none'] }), 'leaf fall': days('1 Oct to 28 Feb', { leaf: ['falling', 'none'] }),
  'dormant': RESTING, 'dry winter weather': days('1 Nov to 31 Mar'), 'late winter': days('1 Jan to 31 Mar'), 'winter': days('1 Nov to 31 Mar'),
  'in bloom by warmth and wetting, before symptoms': { bloom: 'open' },
  'wet bloom, and before ripening': days('1 Mar to 30 Sep'),
  'on each flush, out of bloom': { bloom: 'not open' },
  // Oil and crawlers.
  'dormant, and when crawlers walk': OIL_ON_CRAWLERS, 'dormant, or when crawlers walk': OIL_ON_CRAWLERS, 'dormant, and while crawlers walk': OIL_ON_CRAWLERS,
  'dormant, or as crawlers walk': OIL_ON_CRAWLERS, 'dormant, or when crawlers walk in late summer': days('1 Nov to 15 Apr or 1 Jul to 15 Oct'),
  'dormant, or in summer at the weaker strength': days('1 Nov to 15 Apr or 15 May to 30 Sep'),
  'at the crawlers': days('15 Apr to 30 Sep'),
  // Covers and sprays by stage.
  'from green tip to four to six weeks after petal fall, by rain and growth': days('1 Mar to 31 Jul'),
  'from pink on': days('1 Apr to 30 Sep'), 'from pink to mid-season where it costs fruit': days('1 Apr to 15 Jul'),
  'from three weeks after petal fall, where looks are paid for': days('15 May to 30 Sep'), 'from bloom, by rain': days('1 Apr to 31 Jul'),
  'from bud break in wet springs': days('1 Mar to 15 Jun', { leaf: ['swelling', 'out'] }),
  'from bud break to three weeks past bloom': days('1 Mar to 15 Jun'),
  'from leaf-out, trees of worth': days('1 Apr to 31 Jul'), 'from leaf-out, trees stripped each year': days('1 Apr to 31 Jul'), 'from leaf-out, young trees only': days('1 Apr to 31 Jul'),
  'new leaves in cool wet springs': days('15 Mar to 15 Jun'), 'new growth in spring': days('15 Mar to 30 Jun'),
  'new needles at half length, again in three to four weeks, two or three years running': days('1 May to 31 Jul'),
  'bud swell, then twice about two weeks apart': days('15 Mar to 30 Jun'), 'as buds open': days('1 Mar to 31 May'),
  'at the first white, away from oil and heat': days('1 Apr to 30 Sep'), 'warm wet weather': days('1 May to 30 Sep'), 'late in the season': days('15 Jul to 31 Oct'),
  'before warm wet days, sound plants only': days('1 Apr to 31 Oct'), 'summer': days('1 Jun to 31 Aug'),
  'from petal fall, evening': days('15 Apr to 15 Jul'), 'at egg hatch, evening': days('1 May to 15 Sep'), 'at the first catch': days('15 Jun to 15 Sep'),
  'from the first colour, evening': days('1 May to 31 Oct'), 'before they feed': days('1 May to 31 Aug'),
  'at the first young ones': days('1 Apr to 30 Sep'),
  'while the larvae are young': YOUNG, 'while grubs are small': days('1 Apr to 30 Sep', YOUNG), 'in its season': days('1 Mar to 15 Jun or 1 Sep to 31 Oct', YOUNG),
  // Bark.
  '10 to 14 days after the first moth in a trap': days('1 Apr to 31 Aug'), 'at the flight of the moths': days('1 May to 30 Sep'), 'as they walk down': days('1 Jun to 30 Sep'),
  'as buds swell, or while the beetles lay in September': days('1 Mar to 15 May or 20 Aug to 30 Sep'),
  'before the first days near 70 °F': days('1 Feb to 31 May'), 'before the first flight': days('1 Feb to 31 May'),
  // By hand.
  'autumn': RAKED, 'autumn to spring': days('1 Oct to 31 May'), 'autumn and spring': days('1 Sep to 31 May'), 'before April': days('1 Nov to 31 Mar'),
  'late summer to winter': days('1 Aug to 28 Feb'), 'late summer, or spring': days('1 Apr to 31 May or 15 Aug to 30 Sep'), 'spring': days('1 Mar to 30 Jun'),
  'spring, old galls left on': days('1 Mar to 31 May'), 'spring, then water': days('1 Mar to 31 May'), 'late autumn and early spring': days('1 Oct to 15 Apr'),
  'at the first notches': days('1 May to 15 Sep'), 'June to September': days('1 Jun to 30 Sep'), 'cool mornings': days('1 Jun to 30 Sep'), 'from July': days('15 Jun to 30 Sep'), 'weekly from June': days('1 Jun to 30 Sep'),
  'from the first colour': days('1 May to 31 Oct'), 'mornings from petal fall': days('15 Apr to 15 Jul'), 'harvest': days('15 Aug to 30 Nov'),
  'dry summer': days('1 Jun to 15 Sep'), 'dry summer, after harvest': days('1 Jun to 15 Sep'), 'before the wasps fly': days('1 Nov to 15 May'),
  'late April to June': days('20 Apr to 30 Jun'), 'after the cups form': days('1 May to 31 Jul'), 'after the second flush': days('1 Jun to 31 Aug'),
  'October to May': days('1 Oct to 31 May'), 'before winter': days('1 Sep to 31 Dec'), 'before winter, off in spring': days('1 Sep to 31 Dec'),
  'at fruit set': days('15 Apr to 31 Jul'), 'when it is the size of a thumb': days('1 Jun to 31 Jul'), 'by late June': days('15 May to 30 Jun'),
}
