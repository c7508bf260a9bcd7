import { notFound } from 'next/navigation'
import { examineView } from '@/server/read/examine'
import { Examine } from '@/app/withPage'

export const metadata = { title: 'Examine' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await examineView((await params).id)
  if (!view) notFound()
  return <Examine key={view.assessment?.id ?? 'new'} view={view} />
}
