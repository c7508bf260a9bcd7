'use client'
import { inviteAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'

/** Asks somebody in. */
export function InviteForm({
  onDone,
  onLeave,
}: {
  onDone: (made: { name: string; link: string; posted: boolean }) => void
  onLeave: () => void
}) {
  return (
    <AskedForm
      asks={inviteAsks}
      start={{ name: '', email: '', role: 'technician', keepsHouse: false }}
      by={useStep('invite', 'id')}
      onDone={(made, typed) => onDone({ name: String(typed['name']), ...made })}
      keep="Make the invitation"
      onLeave={onLeave}
      className="bg-sheet border border-line p-4 mt-3 grid gap-3"
    >
      <div className="grid sm:grid-cols-3 gap-3">
        <Asked at="name" autoFocus />
        <Asked at="email" />
        <Asked at="role" />
      </div>
      <Asked at="keepsHouse" />
    </AskedForm>
  )
}
