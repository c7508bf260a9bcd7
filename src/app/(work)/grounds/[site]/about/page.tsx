import { AboutSite } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { siteWholeView } from '@/server/read/clients'

export const metadata = { title: 'About the site' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const site = await siteWholeView((await params).site)
  if (!site) notFound()
  return <AboutSite site={site} />
}
