import { NewClient } from './NewClient'

export const metadata = { title: 'New client' }

export default function NewClientPage() {
  return <NewClient />
}
