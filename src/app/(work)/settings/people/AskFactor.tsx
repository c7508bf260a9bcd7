'use client'
import { useRouter } from 'next/navigation'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** Whether a second factor is asked of whoever signs. */
export function AskFactor({ asked }: { asked: boolean }) {
  const router = useRouter()
  const verb = useVerb('ask-factor')
  return (
    <section className="mt-6">
      <h2>Second factor</h2>
      <p className="mt-1">
        {asked
          ? 'Whoever signs needs one: a code of six digits from an app, beside the password.'
          : 'Nobody needs one. Each may set one up for themselves.'}
      </p>
      <Button
        className="mt-2"
        disabled={verb.busy}
        onClick={async () => {
          if (await verb.send({ asked: !asked })) router.refresh()
        }}
      >
        {asked ? 'Ask it of nobody' : 'Ask it of whoever signs'}
      </Button>
      <ProblemNote problem={verb.problem} />
    </section>
  )
}
