import { almanacView } from '@/server/read/almanac'
import { AlmanacList } from '@/app/withPage'

export const metadata = { title: 'Almanac' }

export default async function AlmanacPage() {
  return <AlmanacList view={await almanacView()} />
}
