import type { ReactNode } from 'react'
import { frameView } from '@/server/read/frame'
import { Frame } from '@/ui/shell/Frame'
import { MayProvider } from '@/ui/shell/may'
import { Strip } from '@/ui/shell/Strip'

// Every page belongs to the person who asks for it.
export const dynamic = 'force-dynamic'

export default async function WorkLayout({ children }: { children: ReactNode }) {
  const frame = await frameView()
  return (
    <MayProvider steps={frame.may}>
      <Frame person={frame.person} timeZone={frame.timeZone} strip={<Strip data={frame} />}>
        {children}
      </Frame>
    </MayProvider>
  )
}
