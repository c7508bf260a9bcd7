import { pack } from '@/core/packed'
import { weekView } from '@/server/read/week'
import { Week } from './Week'

export const metadata = { title: 'Week' }

export default async function Page() {
  return <Week packed={pack(await weekView())} />
}
