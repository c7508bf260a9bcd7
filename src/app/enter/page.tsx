import { EnterForm } from '@/app/withPage'
import { textOf, type Query } from '@/server/read/address'
import { doorLinkOf } from '@/server/house/doorLink'
import { Doorway } from '@/ui/shell/Doorway'
import { ButtonLink } from '@/ui/pieces/Button'

export const metadata = { title: 'Invitation' }
export const dynamic = 'force-dynamic'

/** Where an invitation leads: name and password, then in. */
export default async function EnterPage({ searchParams }: { searchParams: Promise<Query> }) {
  const token = textOf(await searchParams, 'token', 100) ?? ''
  const link = await doorLinkOf(token, 'invitation')
  return (
    <Doorway>
      {link ? (
        <>
          <h1>{link.firm} asks you in</h1>
          <p className="text-ink2 mt-1">
            As {link.role}, with {link.email}. Choose how you are called and a password.
          </p>
          <EnterForm token={token} name={link.name} email={link.email} />
        </>
      ) : (
        <>
          <h1>This invitation opens nothing any more</h1>
          <p className="mt-2">
            It was used, called back, or its seven days are over. Ask whoever keeps the house of your firm for
            another.
          </p>
          <ButtonLink href="/sign-in" className="mt-4 justify-self-start">
            To the sign-in
          </ButtonLink>
        </>
      )}
    </Doorway>
  )
}
