import { SetUpForm } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { isToBeSetUp } from '@/server/house/setUpCode'
import { Doorway } from '@/ui/shell/Doorway'

export const metadata = { title: 'Set up' }
export const dynamic = 'force-dynamic'

/** Makes the first firm. Once there is one, there is nothing here. */
export default async function SetUpPage() {
  if (!(await isToBeSetUp())) notFound()
  return (
    <Doorway>
      <h1>Set up your firm</h1>
      <p className="text-ink2 mt-1">
        Once, by whoever started the server. Everything but the code can be changed later in Settings.
      </p>
      <SetUpForm />
    </Doorway>
  )
}
