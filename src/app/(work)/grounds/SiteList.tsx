'use client'
import { useVirtualizer } from '@tanstack/react-virtual'
import { Link } from '@/ui/pieces/Link'
import { useMemo, useRef, useState } from 'react'

interface Site {
  id: string
  name: string
  place: string
  client: string
  note: string | null
  trees: number
}

/** Clients and their sites, filtered as you type. */
export function SiteList({ sites }: { sites: Site[] }) {
  const [text, setText] = useState('')
  const shown = useMemo(() => {
    const wanted = text.trim().toLowerCase()
    return sites.filter((s) => `${s.name} ${s.place} ${s.client}`.toLowerCase().includes(wanted))
  }, [sites, text])
  const frame = useRef<HTMLDivElement>(null)
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: (i) => (shown[i]?.note ? 100 : 76),
    overscan: 5,
    initialRect: { width: 700, height: 700 },
  })
  return (
    <>
      <label className="label mt-4" htmlFor="filter">
        Filter by site, place or client
      </label>
      <input
        id="filter"
        className="field max-w-sm"
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoComplete="off"
      />
      {shown.length === 0 ? (
        <p className="py-4 text-ink2">
          No site has that name. Clear the filter to see all {sites.length.toLocaleString('en-US')}.
        </p>
      ) : (
        <div
          ref={frame}
          className="border-t border-line mt-4 max-w-3xl overflow-y-auto max-h-[calc(100dvh-220px)]"
        >
          <ul className="relative" style={{ height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map((row) => {
              const s = shown[row.index]!
              return (
                <li
                  key={s.id}
                  ref={rows.measureElement}
                  data-index={row.index}
                  className="absolute inset-x-0 border-b border-line"
                  style={{ transform: `translateY(${row.start}px)` }}
                  aria-setsize={shown.length}
                  aria-posinset={row.index + 1}
                >
                  <Link
                    href={`/grounds/${s.id}`}

                    className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 py-3 no-underline hover:bg-sheet"
                  >
                    <span>
                      <span className="font-head font-bold text-lead block">{s.name}</span>
                      <span className="text-ink2 block">
                        {s.client} · {s.place}
                      </span>
                      {s.note && <span className="block text-small">{s.note}</span>}
                    </span>
                    <span className="font-head font-bold text-lead pr-2">
                      {s.trees.toLocaleString('en-US')}{' '}
                      <span className="text-small font-text font-normal text-ink2">
                        {s.trees === 1 ? 'tree' : 'trees'}
                      </span>
                    </span>
                  </Link>
                </li>
              )
            })}
          </ul>
        </div>
      )}
    </>
  )
}
