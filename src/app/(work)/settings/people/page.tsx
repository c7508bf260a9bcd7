import { peopleView } from '@/server/read/house'
import { People } from './People'

export const metadata = { title: 'People' }

export default async function PeoplePage() {
  return <People view={await peopleView()} />
}
