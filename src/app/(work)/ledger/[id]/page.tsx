import { notFound } from 'next/navigation'
import { recordView } from '@/server/read/work'
import { RecordPage } from './RecordPage'

export const metadata = { title: 'Record' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await recordView((await params).id)
  if (!view) notFound()
  return <RecordPage view={view} />
}
