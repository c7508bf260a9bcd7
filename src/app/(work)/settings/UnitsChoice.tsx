'use client'
import { useRouter } from 'next/navigation'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'

/** In which units this person sees and types. */
export function UnitsChoice({ units }: { units: 'us' | 'metric' }) {
  const router = useRouter()
  const set = useVerb('set-units')
  return (
    <section>
      <h2 className="mb-1.5">Units</h2>
      <Choice
        label="Shown to you in"
        options={[
          ['us', 'US: in, ft, fl oz, gal, lb, °F'],
          ['metric', 'metric: cm, m, mL, L, kg, °C'],
        ]}
        value={units}
        disabled={set.busy}
        onValue={async (v) => {
          if ((await set.send({ units: v })) !== null) router.refresh()
        }}
      />
      <ProblemNote problem={set.problem} />
      <p className="text-ink2 mt-1">You can type either anywhere; the unit you type counts.</p>
    </section>
  )
}
