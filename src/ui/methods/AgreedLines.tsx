import type { AsAgreed } from '@/core/schools/house'
import { writtenDate } from '@/ui/when'

/** How each matter is done in this work and by whose rule, and who is told before it by when; nothing where nothing is to be said. */
export function AgreedLines({ agreed, className = '' }: { agreed: AsAgreed; className?: string }) {
  if (agreed.matters.length + agreed.notices.length === 0) return null
  return (
    <div className={`text-small ${className}`}>
      {agreed.notices.map((n) => (
        <p key={`${n.whom} ${n.by}`}>
          <b>
            Tell {n.whom} by {writtenDate(n.by)}
          </b>{' '}
          ({n.rule}; {n.source})
        </p>
      ))}
      {agreed.matters.map((m) => (
        <p key={`${m.matter} ${m.done}`}>
          {m.name}: <b>{m.done}</b> <span className="text-ink2">({m.from.replace(/[.]$/, '')})</span>
        </p>
      ))}
    </div>
  )
}
