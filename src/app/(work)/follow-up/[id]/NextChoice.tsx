import { capital } from '@/core/capital'
import type { Compared, Verdict } from '@/core/respond/compare'
import { Note } from '@/ui/pieces/Note'

/** How each verdict looks. */
export const LOOK: Record<Verdict, 'good' | 'know' | 'stop'> = {
  'as expected': 'good',
  slower: 'know',
  'not working': 'stop',
  'left behind': 'stop',
  harmed: 'know',
  'under the threshold': 'good',
  'over the threshold': 'stop',
  'as it was': 'know',
  better: 'good',
  worse: 'stop',
  done: 'good',
  'not yet': 'know',
  'answer arrived': 'good',
}

const MORE: Partial<Record<Verdict, string>> = {
  'not working': ' First doubt the diagnosis.',
  'left behind': ' They are fetched today; the check stands again for today.',
  harmed: ' That is no reason to repeat it.',
}

/** What comes of an answer, and the ways on to choose from. */
export function NextChoice({
  found,
  chosen,
  onChoose,
}: {
  found: Compared
  chosen: string
  onChoose: (option: string) => void
}) {
  return (
    <Note as="div" says={LOOK[found.verdict]} role="group" aria-label="What is next">
      <p className="font-head font-bold text-lead">
        {capital(found.verdict)}.{MORE[found.verdict]}
      </p>
      <div className="grid gap-1 mt-1">
        {found.options.map((o) => (
          <label key={o} className="flex items-center gap-2.5 min-h-[34px] hand:min-h-[48px]">
            <input
              type="radio"
              name="next"
              className="size-5 accent-[var(--color-rust)]"
              checked={chosen === o}
              onChange={() => onChoose(o)}
            />
            {o}
          </label>
        ))}
      </div>
    </Note>
  )
}
