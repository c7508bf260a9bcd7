import { NewSite } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { clientWholeView } from '@/server/read/clients'

export const metadata = { title: 'New site' }

export default async function NewSitePage({ params }: { params: Promise<{ client: string }> }) {
  const view = await clientWholeView((await params).client)
  if (!view || view.client.archivedAt !== null) notFound()
  return <NewSite client={{ id: view.client.id, name: view.client.name }} />
}
