'use client'
import { useRouter } from 'next/navigation'
import { STOCK_MOVES } from '@/core/stock/lotStock'
import { showStock } from '@/core/stock/stockAmount'
import type { CardView } from '@/server/read/shelf'
import { enterStockAsks, setLeastAsks } from '@/asks/shelf'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'

type Lot = CardView['lots'][number]

/** What is left of a lot, how that comes about, and what is entered of it. */
export function LotStock({ lot, view }: { lot: Lot; view: CardView }) {
  const may = useMay()
  const router = useRouter()
  const step = useStep('enter-stock', 'id')
  const { stock } = lot
  const show = (amount: number) => showStock({ amount, measure: stock!.measure }, view.units)
  return (
    <details className="no-print">
      <summary className="cursor-pointer text-small py-1 hand:py-3">
        {stock === null
          ? 'Not counted yet'
          : stock.left < 0
            ? `${show(-stock.left)} more went on than was there: count it`
            : `${show(stock.left)} left`}
        {stock?.opened && ', opened'}
      </summary>
      {stock && (
        <p className="text-small">
          {stock.since.counted !== null
            ? `Counted ${show(stock.since.counted)} on ${shortDate(stock.since.at, view.timeZone)}`
            : `Since ${shortDate(stock.since.at, view.timeZone)}`}
          {(
            [
              ['bought', stock.bought],
              ['used by records', stock.used],
              ['spilled', stock.spilled],
              ['given back', stock.givenBack],
            ] as const
          )
            .filter(([, amount]) => amount > 0)
            .map(([what, amount]) => `, ${show(amount)} ${what}`)}
          .
        </p>
      )}
      {lot.moves.length > 0 && (
        <ul className="text-small text-ink2">
          {lot.moves.map((m) => (
            <li key={m.id}>
              {shortDate(m.at, view.timeZone)}, {clockTime(m.at, view.timeZone)}: {m.kind}
              {m.amount !== null &&
                m.measure &&
                ` ${showStock({ amount: m.amount, measure: m.measure }, view.units)}`}
              , {m.by}
              {m.words && `. ${m.words}`}
            </li>
          ))}
        </ul>
      )}
      <p className="text-small py-1">
        <a href={`/api/lots/${lot.id}`} className="underline underline-offset-2" download>
          Every tree of this lot, with client and day (CSV)
        </a>
      </p>
      {may('enter-stock') && (
        <AskedForm
          asks={enterStockAsks}
          start={{ kind: stock === null ? 'bought' : 'counted', amount: '', words: '' }}
          fixed={{ lotId: lot.id }}
          by={step}
          again
          onDone={() => router.refresh()}
          keep="Enter"
          quiet
          doubtKept={() => 'Yes, that is what is there'}
          className="grid gap-2 mt-1 mb-2"
        >
          <Asked at="kind" options={STOCK_MOVES.map((k) => [k, k] as const)} />
          <Asked at="amount" maxLength={60} />
          <Asked at="words" maxLength={500} />
        </AskedForm>
      )}
    </details>
  )
}

/** How much of the card is to be there at least, and that there is less. */
export function LeastKept({ view, code }: { view: CardView; code: string }) {
  const may = useMay()
  const router = useRouter()
  const step = useStep('set-least', 'id')
  const { least } = view
  const good = view.lots.filter(
    (l) => l.stock !== null && l.withdrawnOn === null && !(l.expiresOn !== null && l.expiresOn < view.today),
  )
  const left = good.reduce((sum, l) => sum + Math.max(0, l.stock!.left), 0)
  return (
    <div className="mt-3">
      {least && good.length > 0 && left < least.amount && (
        <Note says="stop">
          {showStock({ ...least, amount: left }, view.units)} are left that may be used, less than the{' '}
          {showStock(least, view.units)} that are to be there.
        </Note>
      )}
      {may('set-least') && (
        <details className="no-print">
          <summary className="cursor-pointer underline underline-offset-2 text-small py-1 hand:py-3">
            {least
              ? `At least ${showStock(least, view.units)} to be there`
              : 'Say how much is to be there at least'}
          </summary>
          <AskedForm
            asks={setLeastAsks}
            start={{ least: least ? showStock(least, view.units) : '' }}
            fixed={{ code }}
            by={step}
            onDone={() => router.refresh()}
            keep="Keep it"
            quiet
            className="grid gap-2 mt-1"
          >
            <Asked at="least" maxLength={60} />
          </AskedForm>
        </details>
      )}
    </div>
  )
}
