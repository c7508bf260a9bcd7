/** Where rules on reporting differ, as far as the almanac knows them. */
export const JURISDICTIONS = [
  'united-states',
  'canada',
  'great-britain-and-ireland',
  'european-union',
  'elsewhere',
] as const
export type Jurisdiction = (typeof JURISDICTIONS)[number]

export const JURISDICTION_NAME: Readonly<Record<Jurisdiction, string>> = {
  'united-states': 'United States',
  canada: 'Canada',
  'great-britain-and-ireland': 'Great Britain and Ireland',
  'european-union': 'European Union',
  elsewhere: 'Elsewhere',
}

const EU_STATES =
  'at be bg cy cz de dk ee es fi fr gr hr hu it lt lu lv mt nl pl pt ro se si sk austria belgium bulgaria croatia cyprus czechia denmark estonia finland france germany greece hungary italy latvia lithuania luxembourg malta netherlands poland portugal romania slovakia slovenia spain sweden'
const ALSO: Readonly<Record<Jurisdiction, string>> = {
  'united-states': 'us usa united-states-of-america',
  canada: 'ca',
  'great-britain-and-ireland':
    'gb uk ie united-kingdom great-britain britain ireland england scotland wales northern-ireland gb-ie uk-ie',
  'european-union': `eu ${EU_STATES}`,
  elsewhere:
    'other au nz za jp kr cn in br mx ch no tr australia new-zealand south-africa japan mexico switzerland norway',
}

const BY_NAME = new Map<string, Jurisdiction>(
  JURISDICTIONS.flatMap((j) => [j, ...ALSO[j].split(' ')].map((name) => [name, j] as const)),
)

/**
 * The jurisdiction of a name or a country's code, with or without the part of the country; null for one nobody knows.
 * @example jurisdictionOf('US-TX') // 'united-states'
 */
export function jurisdictionOf(name: string): Jurisdiction | null {
  const slug = name
    .trim()
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '')
  return BY_NAME.get(slug) ?? BY_NAME.get(slug.split('-')[0] ?? '') ?? null
}
