import { notFound } from 'next/navigation'
import { followUpView } from '@/server/read/work'
import { EnterResult } from '@/app/withPage'

export const metadata = { title: 'Check' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await followUpView((await params).id)
  if (!view) notFound()
  return <EnterResult view={view} />
}
