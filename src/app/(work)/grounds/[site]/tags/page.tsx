import { notFound } from 'next/navigation'
import { tagsView } from '@/server/read/tags'
import { PrintTags } from './PrintTags'

export const metadata = { title: 'Tags' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const view = await tagsView((await params).site)
  if (!view) notFound()
  return <PrintTags view={view} />
}
