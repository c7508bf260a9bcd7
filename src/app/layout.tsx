import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/atkinson-hyperlegible-next'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { lightIn } from '@/ui/device/light'

export const metadata: Metadata = {
  title: { default: 'Elmhorn', template: '%s · Elmhorn' },
  applicationName: 'Elmhorn',
  icons: { apple: '/icon-apple.png' },
  appleWebApp: { capable: true, title: 'Elmhorn', statusBarStyle: 'default' },
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#1b2b23' }

// Every answer carries its own number for scripts, so none is made ahead of time.
export const dynamic = 'force-dynamic'

export default async function RootLayout({ children }: { children: ReactNode }) {
  const light = lightIn((await cookies()).toString())
  return (
    <html lang="en" data-light={light}>
      <body className="min-h-dvh">{children}</body>
    </html>
  )
}
