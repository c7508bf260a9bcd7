import { notFound } from 'next/navigation'
import { prescribeView } from '@/server/read/tree'
import { Prescribe } from './Prescribe'

export const metadata = { title: 'Prescribe' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const view = await prescribeView((await params).id)
  if (!view) notFound()
  return <Prescribe view={view} />
}
