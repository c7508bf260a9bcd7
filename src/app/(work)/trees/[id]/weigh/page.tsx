import { notFound } from 'next/navigation'
import { weighView } from '@/server/read/tree'
import { Weigh } from '@/app/withPage'

export const metadata = { title: 'Weigh' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await weighView((await params).id)
  if (!view) notFound()
  return <Weigh key={view.assessment?.id ?? 'none'} view={view} />
}
