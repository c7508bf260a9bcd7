import { NewClient } from '@/app/withPage'

export const metadata = { title: 'New client' }

export default function NewClientPage() {
  return <NewClient />
}
