import { notFound } from 'next/navigation'
import { MESSAGE_KINDS } from '@/core/texts/messageKinds'
import { textOf, type Query } from '@/server/read/address'
import { tellView } from '@/server/read/tell'
import { TellClient } from './TellClient'

export const metadata = { title: 'Tell the client' }

export default async function TellPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>
  searchParams: Promise<Query>
}) {
  const asked = textOf(await searchParams, 'kind', 20)
  const view = await tellView((await params).job, MESSAGE_KINDS.find((k) => k === asked) ?? null)
  if (!view) notFound()
  return <TellClient key={`${view.kind} ${view.messages.length}`} view={view} />
}
