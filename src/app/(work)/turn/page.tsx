import { notFound } from 'next/navigation'
import { idOf, type Query } from '@/server/read/address'
import { turnView } from '@/server/read/turn'
import { Turns } from './Turns'

export const metadata = { title: 'Whose turn' }

export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const view = await turnView(idOf(await searchParams, 'site'))
  if (!view) notFound()
  return <Turns view={view} />
}
