import { notFound } from 'next/navigation'
import { numberOf, type Query } from '@/server/read/address'
import { cardView } from '@/server/read/shelf'
import { CardPage } from './CardPage'

export const metadata = { title: 'Card' }

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ code: string }>
  searchParams: Promise<Query>
}) {
  const view = await cardView((await params).code)
  if (!view) notFound()
  return <CardPage view={view} version={numberOf(await searchParams, 'version', 1, 1_000_000)} />
}
