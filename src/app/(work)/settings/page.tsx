import { Password, Factor } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { ownView } from '@/server/read/house'
import { settingsView } from '@/server/read/settings'
import { SignOut } from '@/ui/shell/SignOut'
import { Sessions } from './Sessions'
import { UnitsChoice } from './UnitsChoice'

export const metadata = { title: 'Settings' }

export default async function SettingsPage() {
  const [view, own] = await Promise.all([settingsView(), ownView()])
  return (
    <>
      <h1>{view.person.name}</h1>
      <p className="text-ink2 mt-1">
        {view.person.role}, {view.firmName} · {view.person.email}
      </p>
      {/* In the hand there is no spine to sign out at. */}
      <div className="spine:hidden no-print">
        <SignOut className="min-h-12" />
      </div>
      <p className="mt-2">
        <Link href="/settings/device" className="underline underline-offset-2 py-1 hand:py-3">
          This device: light, alarms, what is kept
        </Link>
      </p>
      <div className="grid gap-x-10 gap-y-6 mt-5 lg:grid-cols-2 max-w-4xl">
        <div className="grid gap-6 content-start">
          <UnitsChoice units={view.person.units} />
          <Password />
          <Factor view={own} />
        </div>
        <Sessions view={own} />
      </div>
    </>
  )
}
