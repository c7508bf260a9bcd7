'use client'
import { endLocalRuleAsks } from '@/asks/rules'
import { AskedWhy } from '@/ui/form/AskedWhy'

/** Ends a local rule, with the reason; it stays to be read. */
export function EndRule({ id, onLeave }: { id: string; onLeave: () => void }) {
  return (
    <AskedWhy
      step="end-local-rule"
      asks={endLocalRuleAsks}
      of={{ id }}
      keep="End it"
      leave="Keep it"
      onLeave={onLeave}
    />
  )
}
