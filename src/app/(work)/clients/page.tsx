import { textOf, type Query } from '@/server/read/address'
import { clientsView } from '@/server/read/clients'
import { ClientList } from './ClientList'

export const metadata = { title: 'Clients' }

export default async function ClientsPage({ searchParams }: { searchParams: Promise<Query> }) {
  return <ClientList view={await clientsView(textOf(await searchParams, 'away') === 'shown')} />
}
