import { notFound } from 'next/navigation'
import { textOf, type Query } from '@/server/read/address'
import { decideSiteView } from '@/server/read/decideSite'
import { SiteDecide } from './SiteDecide'

export const metadata = { title: 'Decide across a site' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Query>
}) {
  const view = await decideSiteView((await params).site, textOf(await searchParams, 'block', 40))
  if (!view) notFound()
  return <SiteDecide key={view.trees.map((t) => t.diagnosisId).join()} view={view} />
}
