import type { ReactNode } from 'react'
import { SettingsTabs } from './SettingsTabs'

export default function SettingsLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <SettingsTabs />
      {children}
    </>
  )
}
