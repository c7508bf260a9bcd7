import { notFound } from 'next/navigation'
import { aheadView } from '@/server/read/ahead'
import { Ahead } from './Ahead'

export const metadata = { title: 'To come' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const view = await aheadView((await params).site)
  if (!view) notFound()
  return <Ahead view={view} />
}
