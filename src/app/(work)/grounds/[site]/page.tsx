import { notFound } from 'next/navigation'
import { idOf, textOf, type Query } from '@/server/read/address'
import { siteView } from '@/server/read/grounds'
import { reader } from '@/server/read/reader'
import { SiteWork } from './SiteWork'

export const metadata = { title: 'Site' }

export default async function SitePage({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Query>
}) {
  const { site } = await params
  const query = await searchParams
  const person = await reader()
  const [tag, id] = [textOf(query, 'after', 40), idOf(query, 'id')]
  const view = await siteView(site, tag !== null && id !== null ? { tag, id } : null)
  if (!view) notFound()
  return <SiteWork view={view} units={person.units} />
}
