import { notFound } from 'next/navigation'
import { clientWholeView } from '@/server/read/clients'
import { ClientPage } from './ClientPage'

export const metadata = { title: 'Client' }

export default async function Page({ params }: { params: Promise<{ client: string }> }) {
  const view = await clientWholeView((await params).client)
  if (!view) notFound()
  return <ClientPage view={view} />
}
