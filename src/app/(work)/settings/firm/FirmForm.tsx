'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { firmAsks } from '@/asks/house'
import type { FirmView } from '@/server/read/house'
import { useAlive } from '@/ui/fields/useAlive'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { Spot } from '@/ui/form/Spot'
import { TimeZone } from '@/ui/form/TimeZone'
import { useStep } from '@/ui/form/useStep'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

/** What the firm is called, where it works and how it writes. */
export function FirmForm({ view }: { view: FirmView }) {
  const may = useMay()
  const router = useRouter()
  const by = useStep('set-firm')
  const alive = useAlive()
  const [kept, setKept] = useState(false)
  const { firm } = view
  if (!may('set-firm'))
    return (
      <section>
        <h1>{firm.name}</h1>
        <p className="mt-1">
          {firm.town} · {firm.timeZone.replace(/_/g, ' ')} ·{' '}
          {firm.units === 'us' ? 'US units' : 'metric units'}
        </p>
        <p className="text-ink2 mt-1">This is changed by whoever keeps the house.</p>
      </section>
    )
  return (
    <section>
      <h1>Firm</h1>
      {alive && (
        <AskedForm
          asks={firmAsks}
          start={{ ...firm, latitude: firm.latitude ?? '', longitude: firm.longitude ?? '' }}
          by={by}
          onDone={() => {
            setKept(true)
            router.refresh()
          }}
          keep="Keep it"
          className="grid gap-3 mt-3"
        >
          <div className="grid sm:grid-cols-2 gap-3">
            <Asked at="name" />
            <Asked at="town" />
          </div>
          <Spot />
          <div className="grid sm:grid-cols-3 gap-3">
            <TimeZone at="timeZone" />
            <Asked at="units" hint="where a person sets none of their own" />
            <Asked at="language" />
          </div>
        </AskedForm>
      )}
      <div role="status">
        {kept && !by.busy && !by.problem && (
          <Note says="good" className="mt-2">
            It is kept.
          </Note>
        )}
      </div>
    </section>
  )
}
