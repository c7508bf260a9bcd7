'use client'
import { usePathname } from 'next/navigation'
import { Link } from '@/ui/pieces/Link'

const TABS = [
  ['/settings', 'You'],
  ['/settings/people', 'People'],
  ['/settings/firm', 'Firm'],
  ['/settings/rules', 'Local rules'],
  ['/settings/api', 'Other programs'],
  ['/help', 'Help'],
] as const

/** The rooms of Settings, over each of them. */
export function SettingsTabs() {
  const path = usePathname()
  return (
    <nav aria-label="Settings" className="no-print -mx-1 mb-4 flex flex-wrap gap-x-1 border-b border-line">
      {TABS.map(([href, text]) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href ? 'page' : undefined}
          className={`px-3 py-2 min-h-11 border-b-[3px] no-underline ${path === href ? 'border-rust font-bold' : 'border-transparent hover:border-line'}`}
        >
          {text}
        </Link>
      ))}
    </nav>
  )
}
