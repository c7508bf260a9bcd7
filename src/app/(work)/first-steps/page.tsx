import { firstStepsView } from '@/server/read/house'
import { FirstSteps } from './FirstSteps'

export const metadata = { title: 'First steps' }

export default async function FirstStepsPage() {
  return <FirstSteps view={await firstStepsView()} />
}
