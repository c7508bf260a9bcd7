'use client'
import { enterAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useDoor } from '@/ui/form/useDoor'

/** Name and password of somebody who was asked in. */
export function EnterForm({ token, name, email }: { token: string; name: string; email: string }) {
  return (
    <AskedForm
      asks={enterAsks}
      start={{ token, name, password: '' }}
      by={useDoor('/api/enter')}
      onDone={() => window.location.assign('/')}
      keep="Come in →"
      keeping="Coming in"
      className="grid gap-3 mt-4 max-w-sm"
    >
      {/* Whoever keeps passwords ties the two together. */}
      <input type="email" name="email" autoComplete="username" value={email} readOnly hidden />
      <Asked at="name" autoComplete="name" autoFocus />
      <Asked at="password" />
    </AskedForm>
  )
}
