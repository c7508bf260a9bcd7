import { idOf, textOf, type Query } from '@/server/read/address'
import { eveningView } from '@/server/read/evening'
import { Evening } from './Evening'

export const metadata = { title: 'Evening' }

export default async function EveningPage({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams
  const crew = textOf(query, 'crew', 36) === 'none' ? null : (idOf(query, 'crew') ?? undefined)
  return <Evening view={await eveningView(crew)} />
}
