import { sitesView } from '@/server/read/grounds'
import { Link } from '@/ui/pieces/Link'
import { SiteList } from './SiteList'

export const metadata = { title: 'Grounds' }

export default async function GroundsPage() {
  const { sites } = await sitesView()
  return (
    <>
      <h1>Grounds</h1>
      {sites.length === 0 && (
        <p className="py-4">
          There is no site yet. Enter a <Link href="/clients">client</Link>, then their site; the trees come
          after.
        </p>
      )}
      {sites.length > 0 && (
        <SiteList
          sites={sites.map(({ id, name, place, client, note, trees }) => ({
            id,
            name,
            place,
            client,
            note,
            trees,
          }))}
        />
      )}
    </>
  )
}
