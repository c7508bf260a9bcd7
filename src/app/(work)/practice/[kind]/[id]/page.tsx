import { notFound } from 'next/navigation'
import { practiceCase } from '@/almanac/practiceCase'
import { reader } from '@/server/read/reader'
import { Case } from './Case'

export const metadata = { title: 'Practice' }

export default async function CasePage({ params }: { params: Promise<{ kind: string; id: string }> }) {
  await reader()
  const { kind, id } = await params
  const one = practiceCase(`${kind}:${id}`)
  if (!one) notFound()
  return <Case key={one.id} caseId={one.id} />
}
