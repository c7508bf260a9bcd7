import { notFound, redirect } from 'next/navigation'
import { taggedTree } from '@/server/read/tags'

export const metadata = { title: 'Tag' }

/** The short address on a tag: leads whoever is signed in to the tree of their firm. */
export default async function TagPage({ params }: { params: Promise<{ code: string }> }) {
  const id = await taggedTree((await params).code)
  if (id === null) notFound()
  redirect(`/trees/${id}`)
}
