'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import type { CardView } from '@/server/read/shelf'
import { useMay } from '@/ui/shell/may'
import { writtenDate } from '@/ui/when'
import { AskedForm } from '@/ui/form/AskedForm'
import { AskedWhy } from '@/ui/form/AskedWhy'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { LeastKept, LotStock } from './LotStock'
import { enterLotAsks, withdrawLotAsks } from '@/asks/shelf'

/** The lots of a card: which are good, and one more put on the shelf. */
export function Lots({ view, code }: { view: CardView; code: string }) {
  const may = useMay()
  const router = useRouter()
  const step = useStep('enter-lot', 'id')
  return (
    <section aria-labelledby="lots">
      <h2 id="lots">Lots on the shelf</h2>
      {view.lots.length === 0 && <p className="mt-1">None. A record needs the lot it was put on from.</p>}
      <ul className="border-t border-line2 mt-1">
        {view.lots.map((l) => {
          const expired = l.expiresOn !== null && l.expiresOn < view.today
          return (
            <li key={l.id} className="border-b border-line2 py-1.5">
              <span className="flex justify-between gap-3">
                <b>{l.number}</b>
                <span className={l.withdrawnOn !== null || expired ? 'tag tag-plum' : ''}>
                  {l.withdrawnOn !== null
                    ? `called back ${writtenDate(l.withdrawnOn)}`
                    : l.expiresOn === null
                      ? 'no last day'
                      : expired
                        ? `expired ${writtenDate(l.expiresOn)}`
                        : `good to ${writtenDate(l.expiresOn)}`}
                </span>
              </span>
              <LotStock lot={l} view={view} />
              {l.withdrawnOn === null ? (
                may('withdraw-lot') && <CallBack lot={l} />
              ) : (
                <CalledBack lot={l} putOn={view.putOn.filter((p) => p.lot === l.number)} />
              )}
            </li>
          )
        })}
      </ul>
      <LeastKept view={view} code={code} />
      {may('enter-lot') && (
        <AskedForm
          asks={enterLotAsks}
          start={{ number: '', expiresOn: '' }}
          fixed={{ code }}
          by={step}
          again
          onDone={() => router.refresh()}
          keep="Put on the shelf"
          quiet
          className="grid gap-2 mt-3 no-print"
        >
          <Asked at="number" maxLength={60} />
          <Asked at="expiresOn" />
        </AskedForm>
      )}
    </section>
  )
}

/** Calls a lot back, with the reason: nothing is put on from it any more. */
function CallBack({ lot }: { lot: CardView['lots'][number] }) {
  return (
    <details className="no-print">
      <summary className="cursor-pointer underline underline-offset-2 text-small py-1 hand:py-3">
        Call lot {lot.number} back
      </summary>
      <AskedWhy
        step="withdraw-lot"
        asks={withdrawLotAsks}
        of={{ lotId: lot.id }}
        at="why"
        keep="Call it back"
      />
    </details>
  )
}

/** Why a lot was called back, and the records of what was put on from it. */
function CalledBack({ lot, putOn }: { lot: CardView['lots'][number]; putOn: CardView['putOn'] }) {
  return (
    <div className="text-small">
      <p>{lot.withdrawnWhy}</p>
      {putOn.length === 0 ? (
        <p className="text-ink2">Nothing was put on from it.</p>
      ) : (
        <ul>
          {putOn.map((p) => (
            <li key={p.recordId}>
              <Link href={`/ledger/${p.recordId}`} className="underline underline-offset-2 inline-block py-1">
                Record {p.seq}
              </Link>
              , {writtenDate(p.on)}, {p.siteName}, {p.trees} {p.trees === 1 ? 'tree' : 'trees'}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
