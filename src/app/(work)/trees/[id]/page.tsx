import { notFound } from 'next/navigation'
import { treeView } from '@/server/read/tree'
import { TreePage } from './TreePage'

export const metadata = { title: 'Tree' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await treeView((await params).id)
  if (!view) notFound()
  return <TreePage view={view} />
}
