import { rulesView } from '@/server/read/rules'
import { LocalRules } from './LocalRules'

export const metadata = { title: 'Local rules' }

export default async function Page() {
  return <LocalRules view={await rulesView()} />
}
