'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { signInAsks } from '@/asks/house'
import { AskedForm } from '../form/AskedForm'
import { useDoor } from '../form/useDoor'
import { SignInFields } from './SignInFields'

/** Over the page, when the session ended in the middle of a form: nothing behind it is lost. */
export default function SignInAgain({ onDone }: { onDone: (signedIn: boolean) => void }) {
  const by = useDoor('/api/sign-in')
  return (
    <Dialog open onClose={() => onDone(false)} className="relative z-50">
      <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="bg-sheet border border-line p-5 w-full max-w-sm">
          <DialogTitle className="text-lead">Sign in again</DialogTitle>
          <p className="mt-1 mb-3 text-ink2">You were signed out. What you typed is still here.</p>
          <AskedForm
            asks={signInAsks}
            start={{ email: '', password: '', code: '' }}
            by={by}
            onDone={() => onDone(true)}
            keep="Sign in and go on"
            onLeave={() => onDone(false)}
            leave="Not now"
          >
            <SignInFields problem={by.problem} />
          </AskedForm>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
