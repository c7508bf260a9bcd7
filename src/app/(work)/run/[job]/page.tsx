import { notFound } from 'next/navigation'
import { pack } from '@/core/packed'
import { jobView } from '@/server/read/work'
import { RunJob } from '@/app/withPage'

export const metadata = { title: 'Run' }

export default async function Page({ params }: { params: Promise<{ job: string }> }) {
  const view = await jobView((await params).job)
  if (!view) notFound()
  return <RunJob packed={pack(view)} />
}
