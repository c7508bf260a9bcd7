import { createTranslator } from 'use-intl/core'
import en from '../../messages/en.json'
import es from '../../messages/es.json'
import { LANGUAGES, languageOf, type Language } from '@/core/texts/languages'

/** Every sentence that stands in the message files, by its name. */
export type Messages = typeof en

export const MESSAGES: Record<Language, Messages> = { en, es }

/** The first language of a browser's list that there is a file for. `languageAsked('de, es;q=0.8') === 'es'` */
export function languageAsked(header: string | null): Language {
  const asked = (header ?? '')
    .split(',')
    .map((part) => {
      const [tag = '', ...more] = part.trim().split(';')
      const q = Number(/q=([\d.]+)/.exec(more.join(';'))?.[1] ?? 1)
      return { tag: tag.toLowerCase().slice(0, 2), q }
    })
    .sort((a, b) => b.q - a.q)
  const found = asked.find(({ tag }) => LANGUAGES.some(([l]) => l === tag))
  return languageOf(found?.tag)
}

/** The sentences of one part of the files in a language. `textsOf('es', 'place')('open') === 'Abierto'` */
export function textsOf<Part extends keyof Messages>(language: Language, part: Part) {
  return createTranslator<Messages, Part>({
    locale: language,
    messages: MESSAGES[language],
    namespace: part as never,
  })
}

/** A calendar date in a language, with its day of the week. */
export function dayIn(language: Language, date: string): string {
  return new Intl.DateTimeFormat(language, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  }).format(new Date(`${date}T12:00:00Z`))
}

/** A moment in a language, by the clock of a place. */
export function momentIn(language: Language, at: Date, timeZone: string): string {
  return new Intl.DateTimeFormat(language, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone,
  }).format(at)
}
