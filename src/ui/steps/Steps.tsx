import { Link } from '@/ui/pieces/Link'
import { isBehind, type Stage } from '@/core/plan/stage'
import type { Length } from '@/core/quantity/units'

export interface StepState {
  diameterM: Length | null
  stage: Stage
}

const STEPS = ['measure', 'examine', 'weigh', 'decide', 'prescribe', 'run', 'follow up'] as const
export type StepName = (typeof STEPS)[number]

/** Where a tree stands in the chain of work; the step at hand is named. */
export function Steps({ treeId, state, here }: { treeId: string; state: StepState; here?: StepName }) {
  const done: Record<StepName, boolean> = {
    measure: state.diameterM !== null,
    examine: isBehind('examine', state.stage),
    weigh: isBehind('weigh', state.stage),
    decide: isBehind('decide', state.stage),
    prescribe: isBehind('prescribe', state.stage),
    run: isBehind('run', state.stage),
    'follow up': isBehind('check', state.stage),
  }
  const href: Partial<Record<StepName, string>> = {
    measure: `/trees/${treeId}`,
    examine: `/trees/${treeId}/examine`,
    weigh: `/trees/${treeId}/weigh`,
    decide: `/trees/${treeId}/decide`,
    prescribe: `/trees/${treeId}/prescribe`,
    run: '/run',
    'follow up': '/follow-up',
  }
  return (
    <ol
      className="no-print flex flex-wrap gap-x-3 gap-y-1 text-small"
      aria-label="Steps of the work on this tree"
    >
      {STEPS.map((step) => {
        const now = step === here
        return (
          <li key={step}>
            <Link
              href={href[step]!}
              aria-current={now ? 'step' : undefined}
              className={`inline-flex items-center gap-1.5 py-1 no-underline hover:underline ${now ? 'font-bold text-rust' : 'text-ink2'}`}
            >
              <span
                aria-hidden="true"
                className={`inline-block size-[9px] rounded-full border ${now ? 'bg-rust border-rust' : done[step] ? 'bg-moss border-moss' : 'border-ink2'}`}
              />
              {step}
              <span className="sr-only">{done[step] ? ', done' : now ? ', now' : ', not yet'}</span>
            </Link>
          </li>
        )
      })}
    </ol>
  )
}

/** What the page of a tree leads to next. */
export function nextStep(treeId: string, s: StepState): { href: string; text: string } {
  if (s.diameterM === null) return { href: `/trees/${treeId}#measure`, text: 'Measure the trunk' }
  return NEXT[s.stage](treeId)
}

const NEXT: Record<Stage, (treeId: string) => { href: string; text: string }> = {
  examine: (id) => ({ href: `/trees/${id}/examine`, text: 'Examine' }),
  weigh: (id) => ({ href: `/trees/${id}/weigh`, text: 'Weigh the findings' }),
  decide: (id) => ({ href: `/trees/${id}/decide`, text: 'Decide' }),
  otherwise: (id) => ({ href: `/trees/${id}#promised`, text: 'See what is promised' }),
  prescribe: (id) => ({ href: `/trees/${id}/prescribe`, text: 'Prescribe' }),
  run: () => ({ href: '/run', text: 'Open the crew’s work' }),
  check: (id) => ({ href: `/trees/${id}#promised`, text: 'See what is promised' }),
  done: () => ({ href: '/follow-up', text: 'See the promised checks' }),
}
