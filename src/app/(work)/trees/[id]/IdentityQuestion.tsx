'use client'
import { useRouter } from 'next/navigation'
import { hostName, type Host } from '@/almanac/hosts'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'

/** Is it what it is said to be? One look parts it from what it is taken for. */
export function IdentityQuestion({ treeId, host }: { treeId: string; host: Host }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('confirm-identity')
  const other = host.confusedWith!
  async function settle(kind: string) {
    if ((await send({ treeId, host: kind })) !== null) router.refresh()
  }
  return (
    <section className="note mb-4" aria-label="What kind of tree is it?">
      <h2>
        Is it really {/^[aeiou]/i.test(host.name) ? 'an' : 'a'} {host.name.toLowerCase()}?
      </h2>
      <p className="mt-1">{other.question}</p>
      <div className="grid gap-2 mt-2">
        <button
          type="button"
          className="btn text-left !justify-start py-1.5"
          disabled={busy}
          onClick={() => settle(host.id)}
        >
          {other.ifThis}
        </button>
        <button
          type="button"
          className="btn text-left !justify-start py-1.5"
          disabled={busy}
          onClick={() => settle(other.host)}
        >
          {other.ifOther}
        </button>
      </div>
      <p className="text-[0.88rem] mt-2">
        {hostName(other.host)} and {host.name.toLowerCase()} have different troubles; what helps one does
        nothing for the other.
      </p>
      <ProblemNote problem={problem} />
    </section>
  )
}
