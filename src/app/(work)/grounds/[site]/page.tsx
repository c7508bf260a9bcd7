import { notFound } from 'next/navigation'
import { siteView } from '@/server/read/grounds'
import { reader } from '@/server/read/reader'
import { SiteWork } from './SiteWork'

export const metadata = { title: 'Site' }

export default async function SitePage({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<{ after?: string; id?: string }>
}) {
  const { site } = await params
  const { after, id } = await searchParams
  const person = await reader()
  const cursor =
    typeof after === 'string' && typeof id === 'string' && /^[0-9a-f-]{36}$/i.test(id)
      ? { tag: after, id }
      : null
  const view = await siteView(site, cursor)
  if (!view) notFound()
  return <SiteWork view={view} units={person.units} />
}
