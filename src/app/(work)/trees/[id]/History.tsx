'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import type { HistoryEntry } from '@/server/read/history'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

const StrikeReading = afterPage(() => import('./StrikeReading'), 'StrikeReading')

const KIND_WORD: Record<HistoryEntry['what'], string> = {
  reading: 'measured',
  examination: 'examined',
  diagnosis: 'weighed',
  decision: 'decided',
  prescription: 'prescribed',
  record: 'recorded',
  correction: 'corrected',
  'follow-up': 'checked',
  planned: 'promised',
  change: 'entered',
}

/** Everything that happened to a tree, newest first; what is promised stands on top. */
export function History({
  treeId,
  entries,
  timeZone,
}: {
  treeId: string
  entries: HistoryEntry[]
  timeZone: string
}) {
  return (
    <section className="mt-8 max-w-4xl" aria-labelledby="history">
      <h2 id="history">History</h2>
      <ol className="border-t border-line mt-2">
        {entries.map((e, i) => (
          <li
            key={e.readingId ?? i}
            className={`grid sm:grid-cols-[110px_100px_minmax(0,1fr)] gap-x-4 py-2 border-b border-line ${e.what === 'planned' ? 'text-ink2' : ''}`}
          >
            <span className="whitespace-nowrap">{shortDate(e.at, timeZone)}</span>
            <span className="text-ink2">{KIND_WORD[e.what]}</span>
            <div>
              <Title entry={e} />
              <span className="block text-small">
                {e.detail}
                {e.by && (
                  <span className="text-ink2">
                    {e.detail && ' · '}
                    {e.by}
                  </span>
                )}
              </span>
              {e.readingId && <Strike treeId={treeId} readingId={e.readingId} title={e.title} />}
            </div>
          </li>
        ))}
        {entries.length === 0 && <li className="py-4 text-ink2">Nothing yet. Measure the trunk to begin.</li>}
      </ol>
    </section>
  )
}

function Title({ entry: e }: { entry: HistoryEntry }) {
  if (e.struck) return <s className="text-ink2">{e.title}</s>
  return e.href ? (
    <Link href={e.href} className="font-bold underline underline-offset-2">
      {e.title}
    </Link>
  ) : (
    <span className="font-bold">{e.title}</span>
  )
}

/** Strikes a reading out, with the reason. */
function Strike({ treeId, readingId, title }: { treeId: string; readingId: string; title: string }) {
  const may = useMay()
  const [open, setOpen] = useState(false)
  if (!may('strike-reading')) return null
  if (!open)
    return (
      <button
        type="button"
        className="underline underline-offset-2 text-ink2 text-small hand:min-h-12 no-print"
        onClick={() => setOpen(true)}
      >
        strike out<span className="sr-only">, {title}</span>
      </button>
    )
  return <StrikeReading of={{ treeId, readingId }} title={title} onLeave={() => setOpen(false)} />
}
