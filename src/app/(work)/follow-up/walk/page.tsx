import { notFound } from 'next/navigation'
import { isDate } from '@/core/time/calendar'
import { idOf, textOf, type Query } from '@/server/read/address'
import { followUpWalkView } from '@/server/read/work'
import { CheckWalk } from './CheckWalk'

export const metadata = { title: 'Checks of a group' }

export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams
  const [siteId, dueOn, what] = [idOf(query, 'site'), textOf(query, 'due', 10), textOf(query, 'what', 300)]
  const view =
    siteId !== null && dueOn !== null && isDate(dueOn) && what !== null
      ? await followUpWalkView({ siteId, dueOn, what })
      : null
  if (!view) notFound()
  return <CheckWalk key={view.checks.map((c) => c.id).join()} view={view} />
}
