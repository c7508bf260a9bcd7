import { isDate } from '@/core/time/calendar'
import { crewOf, textOf, type Query } from '@/server/read/address'
import { loadView } from '@/server/read/load'
import { LoadOut } from '@/app/withPage'

export const metadata = { title: 'Load-out' }

export default async function LoadPage({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams
  const date = textOf(query, 'date', 10)
  const view = await loadView(date !== null && isDate(date) ? date : null, crewOf(query))
  return <LoadOut key={`${view.date} ${view.crew?.id}`} view={view} />
}
