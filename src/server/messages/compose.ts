import type { Contact } from '@/core/place/contact'
import type { Method } from '@/core/card/card'
import { addDays } from '@/core/time/calendar'
import type { MessageKind } from '@/core/texts/messageKinds'
import { languageOf, type Language } from '@/core/texts/languages'
import { dayIn, momentIn, textsOf } from '@/texts/texts'

/** What a message about work is written from. */
export interface AboutWork {
  site: string
  firm: string
  /** Who writes. */
  person: string
  /** A calendar date of the site. */
  onDate: string
  timeZone: string
  methods: readonly Method[]
  trees: number
  /** Of them, those that are recorded. */
  recorded: number
  closedUntil: Date | null
}

/** A message as it is shown before it is sent. */
export interface Composed {
  name: string
  address: string
  language: Language
  subject: string
  text: string
}

/** Which kinds may be told of work on a day: nothing is done before it is, and nobody is told of tomorrow on another day. */
export function kindsNow(work: AboutWork, today: string): MessageKind[] {
  if (work.recorded > 0) return ['done']
  if (work.onDate < today) return []
  return work.onDate === addDays(today, 1) ? ['tomorrow', 'day'] : ['day']
}

/**
 * What each contact of a client with an address is told, in their language. Of work that is done only the trees that are recorded.
 *
 * @example composed('day', work, contacts)[0].subject // 'Ropewalk School: we come on Tuesday, June 16'
 */
export function composed(kind: MessageKind, work: AboutWork, contacts: readonly Contact[]): Composed[] {
  return contacts.flatMap(({ name, email, language: said }) => {
    if (!email) return []
    const language = languageOf(said)
    const t = textsOf(language, 'message')
    const method = textsOf(language, 'method')
    const date = dayIn(language, work.onDate)
    const { site } = work
    const lines = [
      t(`${kind}.text`, {
        site,
        date,
        work: new Intl.ListFormat(language).format(work.methods.map((m) => method(`${m}`))),
        trees: kind === 'done' ? work.recorded : work.trees,
      }),
      kind === 'done'
        ? work.closedUntil
          ? t('done.closed', { time: momentIn(language, work.closedUntil, work.timeZone) })
          : t('done.open')
        : t('stop'),
    ]
    return [
      {
        name,
        address: email,
        language,
        subject: t(`${kind}.subject`, { site, date }),
        text: [
          t('greeting', { name }),
          '',
          ...lines,
          '',
          t('signed', { person: work.person, firm: work.firm }),
        ].join('\n'),
      },
    ]
  })
}
