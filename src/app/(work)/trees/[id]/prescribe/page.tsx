import { notFound } from 'next/navigation'
import { prescribeView } from '@/server/read/tree'
import { Prescribe } from '@/app/withPage'

export const metadata = { title: 'Prescribe' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Promise<{ portGirth?: string | string[]; choice?: string | string[] }>
}) {
  const view = await prescribeView((await params).id)
  if (!view) notFound()
  const { portGirth, choice } = await searchParams
  const sent = {
    portGirth: typeof portGirth === 'string' ? portGirth.slice(0, 60) : null,
    choice: choice === 'high' ? 1 : choice === 'low' ? 0 : null,
  }
  return <Prescribe view={view} sent={sent} />
}
