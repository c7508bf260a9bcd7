import { notFound } from 'next/navigation'
import { textOf } from '@/server/read/address'
import { groupView } from '@/server/read/group'
import { GroupPrescribe } from '@/app/withPage'

export const metadata = { title: 'Prescribe for many' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const asked = await searchParams
  const view = await groupView((await params).site, textOf(asked, 'cause', 80), textOf(asked, 'block', 40))
  if (!view) notFound()
  return <GroupPrescribe key={`${view.cause?.id} ${view.block}`} view={view} />
}
