import { sitesView } from '@/server/read/grounds'
import { SiteList } from './SiteList'

export const metadata = { title: 'Grounds' }

export default async function GroundsPage() {
  const { sites } = await sitesView()
  return (
    <>
      <h1>Grounds</h1>
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
    </>
  )
}
