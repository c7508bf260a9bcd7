/**
 * After how many days the words by which a way says how often mean it to be due again; null where it is done once, where a look
 * decides, or where only the card says it. Every way’s words must stand in the list.
 */
// prettier-ignore
export const AGAIN: Readonly<Record<string, number | null>> = {
  'once': null, 'as seen': null, 'as strikes show': null, 'by the probe': null, 'by the test': null, 'by brood and label': null, 'each brood': null,
  'each flush': null, 'each generation': null, 'until no trail is left': null, 'until the count is down, then stop': null, 'two or three times': null,
  'after the time the card names': null, 'after the years the card names': null, 'at the label’s interval': null, 'again by the label': null,
  'after each rain': null, 'after rain': null, 'after rain and growth': null, 'twice by risk, up to the label’s count': null,
  'looked at daily': 1, 'daily': 1, 'daily for six weeks': 1, 'daily while they fly': 1, 'every other day': 2, 'every few days until few are left': 3,
  'weekly': 7, 'weekly until the flight ends': 7, 'weekly while it is dry': 7, 'again after 7 days': 7,
  'renewed after wash-off and new growth, inside the label’s interval': 7,
  'twice, about 14 days apart': 14, 'every two weeks': 14, 'every three to four weeks': 21, 'every three to four months': 90, 'twice each dormant season': 90,
  'each season': 365, 'each year': 365, 'once a season': 365, 'once a year': 365, 'next season, after a look': 365, 'looked at each year': 365,
  'off or looked at in spring': 365, 'over two or three years': 365, 'over years': 365, 'renewed over two years': 365,
  'after two or three years': 730, 'after several years': 1825,
}
