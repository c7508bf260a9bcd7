import { headers } from 'next/headers'
import { notFound } from 'next/navigation'
import QRCode from 'qrcode'
import { signView } from '@/server/read/placeSign'
import { LANGUAGES } from '@/core/texts/languages'
import { sayPlace } from '@/texts/sayPlace'
import { textsOf } from '@/texts/texts'
import { PrintButton } from '@/ui/pieces/PrintButton'

export const metadata = { title: 'Sign' }

/** The sign that is posted at a place, on one sheet, in every language there is; its code tells whether it is still closed. */
export default async function SignPage({ params }: { params: Promise<{ site: string }> }) {
  const view = await signView((await params).site)
  if (!view) notFound()
  const asked = await headers()
  const origin = view.origin ?? `${asked.get('x-forwarded-proto') ?? 'http'}://${asked.get('host')}`
  const code = await QRCode.toString(origin + view.path, {
    type: 'svg',
    margin: 0,
    errorCorrectionLevel: 'M',
  })
  return (
    <>
      <div className="no-print flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Sign for {view.site}</h1>
          <p className="text-ink2">
            Print it and post it at every way in. Its code opens a page that says only this, as it then
            stands.
          </p>
        </div>
        <PrintButton what="Print the sign" />
      </div>
      <article className="mt-4 max-w-2xl border-4 border-ink bg-paper p-6 grid gap-6">
        {LANGUAGES.map(([language]) => {
          const t = textsOf(language, 'place')
          const said = sayPlace(language, view)
          return (
            <section key={language} lang={language}>
              <h2 className="font-head font-bold text-figure">{said.heading}</h2>
              <p className="text-lead">{said.says}</p>
              {said.why && <p>{said.why}</p>}
              <p className="text-small">
                {t('ask', { firm: view.firm, town: view.town })} {t('code')}
              </p>
            </section>
          )
        })}
        <div
          className="w-[170px] bg-white p-2 [&>svg]:w-full [&>svg]:h-auto"
          role="img"
          aria-label={origin + view.path}
          dangerouslySetInnerHTML={{ __html: code }}
        />
      </article>
    </>
  )
}
