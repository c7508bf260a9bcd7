import { textOf, type Query } from '@/server/read/address'
import { ownEntriesView } from '@/server/read/almanac'
import { cardView } from '@/server/read/shelf'
import { CardForm } from '@/app/withPage'

export const metadata = { title: 'Enter a card' }

export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const from = textOf(await searchParams, 'from', 12)
  const stands = from === null ? null : await cardView(from)
  return <CardForm stands={stands?.versions[0] ?? null} own={await ownEntriesView()} />
}
