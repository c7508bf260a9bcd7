import { notFound } from 'next/navigation'
import { planView } from '@/server/read/plan'
import { DrawPlan } from './DrawPlan'

export const metadata = { title: 'Plan' }

export default async function Page({ params }: { params: Promise<{ site: string }> }) {
  const view = await planView((await params).site)
  if (!view) notFound()
  return <DrawPlan view={view} />
}
