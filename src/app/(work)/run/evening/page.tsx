import { crewOf, type Query } from '@/server/read/address'
import { eveningView } from '@/server/read/evening'
import { Evening } from './Evening'

export const metadata = { title: 'Evening' }

export default async function EveningPage({ searchParams }: { searchParams: Promise<Query> }) {
  return <Evening view={await eveningView(crewOf(await searchParams))} />
}
