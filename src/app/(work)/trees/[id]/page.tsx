import { notFound } from 'next/navigation'
import { treeView } from '@/server/read/tree'
import { TreePage } from '@/app/withPage'

export const metadata = { title: 'Tree' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Promise<{ leave?: string | string[] }>
}) {
  const view = await treeView((await params).id)
  if (!view) notFound()
  // A removal that is reported done leads here, to take the tree from the list.
  return <TreePage view={view} leaving={(await searchParams).leave !== undefined} />
}
