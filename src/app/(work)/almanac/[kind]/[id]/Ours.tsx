'use client'
import { useRouter } from 'next/navigation'
import type { AlmanacView } from '@/server/read/almanac'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'

/** An entry of the firm's own, who made it, and its way out. On its own page (`whole`) there is nothing left to see then. */
export function Ours({ own, whole = false }: { own: AlmanacView['own'][number]; whole?: boolean }) {
  const may = useMay()
  const go = useGo()
  const router = useRouter()
  const { send, busy, problem } = useVerb('withdraw-own-entry')
  const e = own.entry
  return (
    <div className="flex flex-wrap justify-between items-center gap-x-3">
      <span>
        <span className="tag tag-rust mr-2">own</span>
        {'name' in e ? e.name : e.kind === 'way' ? e.what : ''}
        <span className="text-ink2 text-small"> · {own.by}</span>
      </span>
      {may('withdraw-own-entry') && (
        <Button
          quiet
          disabled={busy}
          onClick={async () => {
            if ((await send({ id: own.id })) === null) return
            if (whole) go('/almanac')
            else router.refresh()
          }}
        >
          Take it out
        </Button>
      )}
      <ProblemNote problem={problem} />
    </div>
  )
}
