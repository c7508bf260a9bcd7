import type { Metadata } from 'next'
import { frameView } from '@/server/read/frame'
import { ReckonHere } from './ReckonHere'

export const metadata: Metadata = { title: 'Reckon' }

export default async function ReckonRoute() {
  const { person } = await frameView()
  return <ReckonHere units={person.units} />
}
