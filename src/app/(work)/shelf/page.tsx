import { shelfView } from '@/server/read/shelf'
import { ShelfList } from './ShelfList'

export const metadata = { title: 'Shelf' }

export default async function ShelfPage() {
  return <ShelfList view={await shelfView()} />
}
