import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/atkinson-hyperlegible-next'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'

export const metadata: Metadata = { title: { default: 'Elmhorn', template: '%s · Elmhorn' } }
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#1b2b23' }

// Every answer carries its own number for scripts, so none is made ahead of time.
export const dynamic = 'force-dynamic'

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body className="min-h-dvh">{children}</body>
    </html>
  )
}
