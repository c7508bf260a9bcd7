import { notFound } from 'next/navigation'
import { practiceCase } from '@/almanac/practiceCase'
import { withOwn } from '@/almanac/own'
import { ownEntriesView } from '@/server/read/almanac'
import { Case } from '@/app/withPage'

export const metadata = { title: 'Practice' }

export default async function CasePage({ params }: { params: Promise<{ kind: string; id: string }> }) {
  const own = await ownEntriesView()
  const { kind, id } = await params
  const one = practiceCase(`${kind}:${id}`, withOwn(own))
  if (!one) notFound()
  return <Case key={one.id} caseId={one.id} own={own} />
}
