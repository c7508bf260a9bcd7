import { notFound } from 'next/navigation'
import { idOf, textOf, type Query } from '@/server/read/address'
import { seasonView } from '@/server/read/season'
import { Season } from '@/app/withPage'

export const metadata = { title: 'Season' }

/** The season of a site; `?block=` and `?tree=` narrow it. */
export default async function SeasonPage({
  params,
  searchParams,
}: {
  params: Promise<{ site: string }>
  searchParams: Promise<Query>
}) {
  const asked = await searchParams
  const view = await seasonView((await params).site, {
    block: textOf(asked, 'block'),
    treeId: idOf(asked, 'tree'),
  })
  if (!view) notFound()
  return <Season view={view} />
}
