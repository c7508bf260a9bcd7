import { settingsView } from '@/server/read/settings'
import { Tokens } from './Tokens'
import { JurisdictionChoice } from './JurisdictionChoice'
import { UnitsChoice } from './UnitsChoice'
import { ButtonLink } from '@/ui/pieces/Button'
import { SignOut } from '@/ui/shell/SignOut'

export const metadata = { title: 'Settings' }

export default async function SettingsPage() {
  const view = await settingsView()
  return (
    <>
      <h1>Settings</h1>
      <p className="text-ink2 mt-1">
        {view.person.name}, {view.person.role}, {view.firmName} · {view.person.email}
      </p>
      {/* In the hand there is no spine to sign out at. */}
      <div className="sm:hidden no-print">
        <SignOut className="min-h-12" />
      </div>
      <div className="grid gap-8 mt-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,340px)]">
        <Tokens view={view} />
        <div className="grid gap-6 content-start">
          <UnitsChoice units={view.person.units} />
          <JurisdictionChoice chosen={view.jurisdiction} />
          <section>
            <h2>Local rules</h2>
            <p className="mt-1.5">
              Closed seasons, restricted actives, distances, notice, reports: what the places we work in ask
              beside the label.
            </p>
            <ButtonLink href="/settings/rules" className="mt-3">
              Local rules →
            </ButtonLink>
          </section>
          <section>
            <h2>Calculators from other programs</h2>
            <p className="mt-1.5">
              A spreadsheet or a script can ask the same calculators that the screens use. It signs in with a
              token made here.
            </p>
            <ButtonLink href="/settings/api" className="mt-3">
              How to ask, and try it →
            </ButtonLink>
          </section>
        </div>
      </div>
    </>
  )
}
