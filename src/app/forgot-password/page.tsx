import { ForgotForm } from '@/app/withPage'
import { Doorway } from '@/ui/shell/Doorway'

export const metadata = { title: 'Forgotten password' }

/** Asks for a link to a new password. */
export default function ForgotPasswordPage() {
  return (
    <Doorway>
      <h1>Forgotten password</h1>
      <p className="text-ink2 mt-1">
        A link is sent to your address and works for an hour. Whoever keeps the house of your firm can make
        one for you too.
      </p>
      <ForgotForm />
    </Doorway>
  )
}
