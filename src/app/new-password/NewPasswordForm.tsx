'use client'
import { resetAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useDoor } from '@/ui/form/useDoor'

/** The new password; then one signs in with it. */
export function NewPasswordForm({ token, email }: { token: string; email: string }) {
  return (
    <AskedForm
      asks={resetAsks}
      start={{ token, password: '' }}
      by={useDoor('/api/new-password')}
      onDone={() => window.location.assign('/sign-in')}
      keep="Set it, and sign in →"
      className="grid gap-3 mt-4 max-w-sm"
    >
      <input type="email" name="email" autoComplete="username" value={email} readOnly hidden />
      <Asked at="password" autoFocus />
    </AskedForm>
  )
}
