import type { Metadata } from 'next'
import { reckonView } from '@/server/read/almanac'
import { ReckonHere } from './ReckonHere'

export const metadata: Metadata = { title: 'Reckon' }

export default async function ReckonRoute() {
  return <ReckonHere {...await reckonView()} />
}
