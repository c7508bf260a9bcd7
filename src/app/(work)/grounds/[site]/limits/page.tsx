import { Limits } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { textOf } from '@/server/read/address'
import { limitsView } from '@/server/read/limits'

export const metadata = { title: 'Limits' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const view = await limitsView((await params).site, textOf(await searchParams, 'year', 4))
  if (!view) notFound()
  return <Limits view={view} />
}
