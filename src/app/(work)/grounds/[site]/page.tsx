import { notFound } from 'next/navigation'
import { idOf, type Query } from '@/server/read/address'
import { siteView } from '@/server/read/grounds'
import { SiteWork } from '@/app/withPage'

export const metadata = { title: 'Site' }

export default async function SitePage({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Query>
}) {
  const { site } = await params
  const view = await siteView(site, idOf(await searchParams, 'move'))
  if (!view) notFound()
  return <SiteWork key={view.moving?.id ?? ''} view={view} />
}
