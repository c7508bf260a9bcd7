import { notFound } from 'next/navigation'
import { seasonView } from '@/server/read/season'
import { Season } from './Season'

export const metadata = { title: 'Season' }

export default async function SeasonPage({ params }: { params: Promise<{ site: string }> }) {
  const view = await seasonView((await params).site)
  if (!view) notFound()
  return <Season view={view} />
}
