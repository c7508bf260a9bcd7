'use client'
import Link from 'next/link'
import { useState } from 'react'

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
  const shown = sites.filter((s) =>
    `${s.name} ${s.place} ${s.client}`.toLowerCase().includes(text.trim().toLowerCase()),
  )
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
      <ul className="border-t border-line mt-4 max-w-3xl">
        {shown.map((s) => (
          <li key={s.id} className="border-b border-line">
            <Link
              href={`/grounds/${s.id}`}
              className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 py-3 no-underline hover:bg-sheet"
            >
              <span>
                <span className="font-head font-bold text-[1.1rem] block">{s.name}</span>
                <span className="text-ink2 block">
                  {s.client} · {s.place}
                </span>
                {s.note && <span className="block text-[0.92rem]">{s.note}</span>}
              </span>
              <span className="font-head font-bold text-[1.25rem] pr-2">
                {s.trees}{' '}
                <span className="text-[0.85rem] font-text font-normal text-ink2">
                  {s.trees === 1 ? 'tree' : 'trees'}
                </span>
              </span>
            </Link>
          </li>
        ))}
        {shown.length === 0 && (
          <li className="py-4 text-ink2">
            No site has that name. Clear the filter to see all {sites.length}.
          </li>
        )}
      </ul>
    </>
  )
}
