import { Decide } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { decideView } from '@/server/read/tree'

export const metadata = { title: 'Decide' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await decideView((await params).id)
  if (!view) notFound()
  return <Decide key={view.diagnosis?.id ?? 'none'} view={view} />
}
