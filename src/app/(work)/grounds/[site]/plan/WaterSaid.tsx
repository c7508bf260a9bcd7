'use client'
import { useRouter } from 'next/navigation'
import type { DrawPlanView } from '@/server/read/plan'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { longDate } from '@/ui/when'

/** Whether all water and wells near the trees are on the plan, who said so, and saying it. */
export function WaterSaid({ view }: { view: DrawPlanView }) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('say-water')
  const { drawn, said } = view.water
  const say = async (said: boolean) => {
    if (await verb.send({ siteId: view.site.id, said })) router.refresh()
  }
  return (
    <section aria-label="Water and wells">
      <h2>Water and wells</h2>
      {said ? (
        <p>
          {said.by} said on {longDate(said.at, view.site.timeZone)} that{' '}
          {drawn === 0 ? 'there is none near the trees' : 'all of them are drawn'}.
        </p>
      ) : (
        <Note says={drawn === 0 ? 'stop' : 'know'} className="mt-1">
          {drawn === 0
            ? 'Nobody has said where water and wells lie here. Until then nothing is signed that keeps a distance from them.'
            : `${drawn} ${drawn === 1 ? 'is' : 'are'} drawn. Look for others before you say that these are all.`}
        </Note>
      )}
      {may('say-water') && (
        <Button
          className="mt-2"
          quiet={said !== null}
          disabled={verb.busy}
          onClick={() => void say(said === null)}
        >
          {said
            ? 'That is not certain any more'
            : drawn === 0
              ? 'There is none near the trees'
              : 'These are all'}
        </Button>
      )}
      <ProblemNote problem={verb.problem} />
    </section>
  )
}
