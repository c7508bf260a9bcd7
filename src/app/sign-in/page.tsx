import { SignInForm } from '@/app/withPage'
import { redirect } from 'next/navigation'
import { ownPath, textOf, type Query } from '@/server/read/address'
import { demoSignIns } from '@/server/read/signIn'
import { currentPerson, personToEmptyHere } from '@/server/session'
import { isToBeSetUp } from '@/server/house/setUpCode'
import { EmptyDevice } from './EmptyDevice'
import { Doorway } from '@/ui/shell/Doorway'

export const metadata = { title: 'Sign in' }
export const dynamic = 'force-dynamic'

export default async function SignInPage({ searchParams }: { searchParams: Promise<Query> }) {
  const wanted = ownPath(textOf(await searchParams, 'next', 2000))
  if (await currentPerson()) redirect(wanted)
  const people = await demoSignIns()
  if (await isToBeSetUp()) redirect('/setup')
  const empties = await personToEmptyHere()
  return (
    <Doorway>
      {empties !== null && <EmptyDevice person={empties} />}
      <SignInForm next={wanted} people={people} />
    </Doorway>
  )
}
