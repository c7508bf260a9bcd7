import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { textOf, type Query } from '@/server/read/address'
import { placeOfSign } from '@/server/read/placeSign'
import { LANGUAGES, languageOf } from '@/core/texts/languages'
import { languageAsked, momentIn, textsOf } from '@/texts/texts'
import { sayPlace } from '@/texts/sayPlace'
import { Doorway } from '@/ui/shell/Doorway'

export const metadata: Metadata = { title: 'A place', robots: { index: false, follow: false } }

/** What the code on a sign says to whoever reads it: the place, until when it is closed, and whom to ask. Nobody signs in. */
export default async function ClosedPage({
  params,
  searchParams,
}: {
  params: Promise<{ code: string }>
  searchParams: Promise<Query>
}) {
  const chosen = textOf(await searchParams, 'language', 5)
  const language = chosen ? languageOf(chosen) : languageAsked((await headers()).get('accept-language'))
  const t = textsOf(language, 'place')
  const { code } = await params
  const place = await placeOfSign(code)
  const said = place && sayPlace(language, place)
  const others = LANGUAGES.filter(([l]) => l !== language)
  return (
    <div lang={language}>
      <Doorway>
        {place === null || said === null ? (
          <h1>{t('none')}</h1>
        ) : (
          <>
            <h1 className={said.closed ? 'text-plum' : 'text-moss'}>{said.heading}</h1>
            <p className="text-lead mt-3">{said.says}</p>
            {said.why && <p className="mt-2">{said.why}</p>}
            <p className="mt-4">{t('ask', { firm: place.firm, town: place.town })}</p>
            <p className="mt-2 text-small text-ink2">
              {t('now', { time: momentIn(language, place.now, place.timeZone) })}
            </p>
          </>
        )}
        <p className="mt-6 flex gap-5">
          {others.map(([l]) => {
            const own = textsOf(l, 'place')
            return (
              <a key={l} href={`?language=${l}`} lang={l} className="underline underline-offset-2 py-3">
                {own('language')}
              </a>
            )
          })}
        </p>
      </Doorway>
    </div>
  )
}
