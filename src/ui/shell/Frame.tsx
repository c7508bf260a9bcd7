'use client'
import dynamic from 'next/dynamic'
import { Link } from '@/ui/pieces/Link'
import { usePathname, useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react'
import { useAlive } from '../fields/useAlive'
import { RestingPlace } from '../run/RestingPlace'
import { registerAsker } from './askToSignIn'
import { firmNow } from './firmClock'
import { GO_TO, useKeys } from './keys'
import { SignOut } from './SignOut'
import { clockTime, longDate } from '../when'
import { usePrinting } from '../pieces/usePrinting'

// What waits on the device comes once the page is there: it keeps no page waiting.
const OutboxNotes = dynamic(() => import('../field/OutboxNotes').then((m) => m.OutboxNotes), { ssr: false })
const SignInAgain = dynamic(() => import('./SignInAgain'), { ssr: false })
const Find = dynamic(() => import('./Find'), { ssr: false })
const ScreenHelp = dynamic(() => import('../help/ScreenHelp'), { ssr: false })

interface NavEntry {
  href: string
  text: string
  /** Also lit on these paths. */
  lit?: RegExp
}

const GROUPS: NavEntry[][] = [
  [
    { href: '/', text: 'Today' },
    { href: '/turn', text: 'Whose turn' },
    { href: '/grounds', text: 'Grounds', lit: /^\/(grounds(?!.*\/(prescribe|decide)$)|trees\/[^/]+$)/ },
    { href: '/clients', text: 'Clients', lit: /^\/clients/ },
  ],
  [
    { href: '/waiting/examine', text: 'Examine', lit: /\/examine$/ },
    { href: '/waiting/weigh', text: 'Weigh', lit: /\/weigh$/ },
    { href: '/waiting/decide', text: 'Decide', lit: /\/decide$/ },
    { href: '/waiting/prescribe', text: 'Prescribe', lit: /\/prescribe$/ },
  ],
  [
    { href: '/week', text: 'Week', lit: /^\/week/ },
    { href: '/run', text: 'Run', lit: /^\/run/ },
  ],
  [
    { href: '/ledger', text: 'Ledger', lit: /^\/ledger/ },
    { href: '/follow-up', text: 'Follow-up', lit: /^\/follow-up/ },
  ],
  [
    { href: '/shelf', text: 'Shelf', lit: /^\/shelf/ },
    { href: '/almanac', text: 'Almanac', lit: /^\/almanac/ },
    { href: '/practice', text: 'Practice', lit: /^\/practice/ },
    { href: '/reckon', text: 'Reckon', lit: /^\/reckon/ },
    { href: '/settings', text: 'Settings', lit: /^\/settings/ },
  ],
]

const HAND_BAR: NavEntry[] = [
  { href: '/', text: 'Today' },
  { href: '/grounds', text: 'Trees', lit: /^\/(grounds|trees)/ },
  { href: '/run', text: 'Run', lit: /^\/run/ },
  { href: '/follow-up', text: 'Follow-up', lit: /^\/follow-up/ },
]

function isLit(entry: NavEntry, path: string): boolean {
  return entry.href === path || (entry.lit?.test(path) ?? false)
}

/** Spine, strip and hand bar round the work; holds the keys and what slides over the page. */
export function Frame({
  person,
  timeZone,
  strip,
  children,
}: {
  person: { id: string; name: string; role: string; firm: string }
  timeZone: string
  strip: ReactNode
  children: ReactNode
}) {
  const path = usePathname()
  const router = useRouter()
  const [over, setOver] = useState<'find' | 'keys' | null>(null)
  const [asking, setAsking] = useState(false)
  const alive = useAlive()
  const waiting = useRef<((ok: boolean) => void)[]>([])

  useEffect(() => {
    registerAsker(
      () =>
        new Promise((resolve) => {
          waiting.current.push(resolve)
          setAsking(true)
        }),
    )
    return () => registerAsker(null)
  }, [])

  const answered = useCallback((ok: boolean) => {
    setAsking(false)
    for (const resolve of waiting.current.splice(0)) resolve(ok)
  }, [])

  useKeys({
    find: () => setOver('find'),
    help: () => setOver('keys'),
    go: (letter) => {
      const href = GO_TO[letter]?.href
      if (href) router.push(href)
    },
  })

  return (
    <div className="spine:grid spine:grid-cols-[132px_minmax(0,1fr)] min-h-dvh print:!block">
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3"
      >
        Skip to the work
      </a>
      <nav
        aria-label="Views"
        className="hidden spine:flex flex-col bg-spine text-[#dfe8e1] sticky top-0 h-dvh overflow-y-auto"
      >
        <Link
          href="/"
          className="flex items-center gap-2.5 px-4 pt-3.5 pb-3 font-head text-lead font-bold text-white no-underline"
        >
          <Mark />
          Elmhorn
        </Link>
        {GROUPS.map((group, i) => (
          <ul key={i} className="mb-2.5">
            {group.map((entry) => (
              <li key={entry.href}>
                <Link
                  href={entry.href}
                  aria-current={isLit(entry, path) ? 'page' : undefined}
                  className={`block pl-4 py-[5px] border-l-[3px] no-underline hover:bg-spine2 ${isLit(entry, path) ? 'bg-spine2 border-[#e2915f] text-white font-bold' : 'border-transparent'}`}
                >
                  {entry.text}
                </Link>
              </li>
            ))}
          </ul>
        ))}
        <div className="mt-auto border-t border-spine2 px-4 py-3 text-small">
          <button
            type="button"
            onClick={() => setOver('find')}
            className="block py-1 hover:underline"
            title="Find anything by its name ( / )"
          >
            Find <kbd className="text-[#a9bbaf]">/</kbd>
          </button>
          <button
            type="button"
            onClick={() => setOver('keys')}
            className="block py-1 hover:underline"
            title="What this screen is for, and its keys ( ? )"
          >
            Help <kbd className="text-[#a9bbaf]">?</kbd>
          </button>
          <p className="mt-2 leading-snug">
            {person.name}
            <br />
            <span className="text-[#b9c8bd]">{person.role}</span>
          </p>
          <SignOut className="mt-1" />
        </div>
      </nav>
      <div className="flex flex-col min-w-0 min-h-dvh pb-[76px] spine:pb-0 print:!block print:!pb-0">
        {strip}
        <OutboxNotes person={person.id} timeZone={timeZone} />
        {/* What cannot answer a press yet takes none, so that no press is lost while the page comes up. */}
        <main
          id="work"
          inert={!alive}
          className="flex-1 px-4 spine:px-[22px] pt-3 pb-6 print:!p-0 print:!pr-px"
        >
          {children}
        </main>
        <PrintedBy name={person.name} firm={person.firm} timeZone={timeZone} />
      </div>
      <nav
        aria-label="Views, by hand"
        className="hand-bar spine:hidden fixed bottom-0 inset-x-0 z-30 bg-sheet border-t-2 border-ink grid grid-cols-4"
      >
        {HAND_BAR.map((entry) => (
          <Link
            key={entry.href}
            href={entry.href}
            aria-current={isLit(entry, path) ? 'page' : undefined}
            className={`h-(--bar) grid place-items-center border-t-4 no-underline font-bold ${isLit(entry, path) ? 'border-rust text-rust' : 'border-transparent'}`}
          >
            {entry.text}
          </Link>
        ))}
      </nav>
      <RestingPlace />
      {over === 'find' && <Find onClose={() => setOver(null)} />}
      {over === 'keys' && <ScreenHelp onClose={() => setOver(null)} />}
      {asking && <SignInAgain onDone={answered} />}
    </div>
  )
}

/** Stands at the end of a printed page alone: whose it is, who printed it and when. */
function PrintedBy({ name, firm, timeZone }: { name: string; firm: string; timeZone: string }) {
  const printing = usePrinting()
  return (
    <p className="hidden print:block mt-6 pt-2 border-t border-ink2 text-small">
      {firm} · printed by {name}
      {printing && `, ${longDate(firmNow(), timeZone)}, ${clockTime(firmNow(), timeZone)}`}
    </p>
  )
}

/** The sign of the product: a trunk from above. */
export function Mark({ size = 22 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 22 22" aria-hidden="true" className="shrink-0">
      <circle cx="11" cy="11" r="9" fill="none" stroke="#e2915f" strokeWidth="3.6" />
      <circle cx="11" cy="11" r="3.2" fill="#e2915f" />
    </svg>
  )
}
