import { notFound } from 'next/navigation'
import { treeImportsView } from '@/server/read/treeImports'
import { TreesFromFile } from './TreesFromFile'

export const metadata = { title: 'Trees from a file' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const view = await treeImportsView((await params).site)
  if (!view) notFound()
  return <TreesFromFile view={view} />
}
