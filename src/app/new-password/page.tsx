import { NewPasswordForm } from '@/app/withPage'
import { textOf, type Query } from '@/server/read/address'
import { doorLinkOf } from '@/server/house/doorLink'
import { ButtonLink } from '@/ui/pieces/Button'
import { Doorway } from '@/ui/shell/Doorway'

export const metadata = { title: 'New password' }
export const dynamic = 'force-dynamic'

/** Where a link to a new password leads. */
export default async function NewPasswordPage({ searchParams }: { searchParams: Promise<Query> }) {
  const token = textOf(await searchParams, 'token', 100) ?? ''
  const link = await doorLinkOf(token, 'password')
  return (
    <Doorway>
      {link ? (
        <>
          <h1>A new password</h1>
          <p className="text-ink2 mt-1">
            For {link.email} at {link.firm}. Wherever you are signed in, you are signed out by it.
          </p>
          <NewPasswordForm token={token} email={link.email} />
        </>
      ) : (
        <>
          <h1>This link opens nothing any more</h1>
          <p className="mt-2">It was used already, or its hour is over. Ask for another.</p>
          <ButtonLink href="/forgot-password" className="mt-4">
            Ask for another →
          </ButtonLink>
        </>
      )}
    </Doorway>
  )
}
