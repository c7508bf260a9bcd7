import type { Language } from '@/core/texts/languages'
import { momentIn, textsOf } from '@/texts/texts'

/** How a place stands, as its sign and the page behind the code say it. */
export interface SaidPlace {
  closed: boolean
  heading: string
  says: string
  /** Why, where it is closed. */
  why: string | null
}

/** Whether a place is closed, in words of a language. `sayPlace('es', place).heading === 'Cerrado'` */
export function sayPlace(
  language: Language,
  {
    site,
    until,
    working,
    timeZone,
  }: { site: string; until: Date | null; working: boolean; timeZone: string },
): SaidPlace {
  const t = textsOf(language, 'place')
  const closed = working || until !== null
  const says = working
    ? t('closedWork', { site })
    : until
      ? t('closedUntil', { site, time: momentIn(language, until, timeZone) })
      : t('openNow', { site })
  return { closed, heading: closed ? t('closed') : t('open'), says, why: closed ? t('why') : null }
}
