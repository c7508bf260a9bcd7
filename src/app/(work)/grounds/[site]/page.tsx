import { notFound } from 'next/navigation'
import { siteView } from '@/server/read/grounds'
import { SiteWork } from './SiteWork'

export const metadata = { title: 'Site' }

export default async function SitePage({ params }: { params: Promise<{ site: string }> }) {
  const { site } = await params
  const view = await siteView(site)
  if (!view) notFound()
  return <SiteWork view={view} />
}
