import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { textOf, type Query } from '@/server/read/address'
import { placeOfSign } from '@/server/read/placeSign'
import { LANGUAGES, languageOf } from '@/core/texts/languages'
import { languageAsked, momentIn, textsOf } from '@/texts/texts'
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
  const said = textOf(await searchParams, 'language', 5)
  const language = said ? languageOf(said) : languageAsked((await headers()).get('accept-language'))
  const t = textsOf(language, 'place')
  const { code } = await params
  const place = await placeOfSign(code)
  const others = LANGUAGES.filter(([l]) => l !== language)
  return (
    <div lang={language}>
      <Doorway>
        {place === null ? (
          <h1>{t('none')}</h1>
        ) : (
          <>
            <h1 className={place.until || place.working ? 'text-plum' : 'text-moss'}>
              {place.until || place.working ? t('closed') : t('open')}
            </h1>
            <p className="text-lead mt-3">
              {place.working
                ? t('closedWork', { site: place.site })
                : place.until
                  ? t('closedUntil', {
                      site: place.site,
                      time: momentIn(language, place.until, place.timeZone),
                    })
                  : t('openNow', { site: place.site })}
            </p>
            {(place.working || place.until) && <p className="mt-2">{t('why')}</p>}
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
