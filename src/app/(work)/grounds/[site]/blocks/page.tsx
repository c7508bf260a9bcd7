import { notFound } from 'next/navigation'
import { blocksView } from '@/server/read/blocks'
import { Blocks } from './Blocks'

export const metadata = { title: 'Blocks' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const view = await blocksView((await params).site)
  if (!view) notFound()
  return <Blocks view={view} />
}
