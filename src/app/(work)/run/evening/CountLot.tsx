'use client'
import { useRouter } from 'next/navigation'
import { enterStockAsks } from '@/asks/shelf'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'

/** What is in a package, as it is counted; a difference to the records is asked about. */
export function CountLot({ lot }: { lot: string }) {
  const router = useRouter()
  const step = useStep('enter-stock', 'id')
  return (
    <AskedForm
      asks={enterStockAsks}
      start={{ amount: '', words: '' }}
      fixed={{ lotId: lot, kind: 'counted' }}
      by={step}
      again
      onDone={() => router.refresh()}
      keep="That is what came back"
      quiet
      doubtKept={() => 'Yes, that is what is there'}
      className="grid gap-2 mb-2"
    >
      <Asked at="amount" label="What is in the package, with its unit" maxLength={60} />
      <Asked at="words" label="Where a difference comes from" maxLength={500} />
    </AskedForm>
  )
}
