import { crewsView } from '@/server/read/week'
import { Crews } from '@/app/withPage'

export const metadata = { title: 'Crews' }

export default async function Page() {
  return <Crews view={await crewsView()} />
}
