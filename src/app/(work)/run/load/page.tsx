import { isDate } from '@/core/time/calendar'
import { idOf, textOf, type Query } from '@/server/read/address'
import { loadView } from '@/server/read/load'
import { LoadOut } from '@/app/withPage'

export const metadata = { title: 'Load-out' }

export default async function LoadPage({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams
  const date = textOf(query, 'date', 10)
  const crew = textOf(query, 'crew', 36) === 'none' ? null : (idOf(query, 'crew') ?? undefined)
  const view = await loadView(date !== null && isDate(date) ? date : null, crew)
  return <LoadOut key={`${view.date} ${view.crew?.id}`} view={view} />
}
