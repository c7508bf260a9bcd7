import { notFound } from 'next/navigation'
import { textOf } from '@/server/read/address'
import { groupView } from '@/server/read/group'
import { GroupPrescribe } from './GroupPrescribe'

export const metadata = { title: 'Prescribe for many' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const view = await groupView((await params).site, textOf(await searchParams, 'cause', 80))
  if (!view) notFound()
  return <GroupPrescribe key={view.cause?.id} view={view} />
}
