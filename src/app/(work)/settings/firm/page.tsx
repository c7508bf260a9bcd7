import { FirmForm } from '@/app/withPage'
import { firmView } from '@/server/read/house'
import { settingsView } from '@/server/read/settings'
import { JurisdictionChoice } from '../JurisdictionChoice'
import { TakeAlong } from './TakeAlong'

export const metadata = { title: 'Firm' }

export default async function FirmPage() {
  const [view, { jurisdiction }] = await Promise.all([firmView(), settingsView()])
  return (
    <div className="max-w-2xl grid gap-6">
      <FirmForm view={view} />
      <JurisdictionChoice chosen={jurisdiction} />
      <TakeAlong keepsHouse={view.keepsHouse} />
    </div>
  )
}
