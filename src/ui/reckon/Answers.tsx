import type { Problem } from '@/core/problem'
import { figureText } from './figureText'
import type { Sheet } from './sheet'
import type { Reckoned } from './useReckoning'
import { Note } from '../pieces/Note'

/** The answer, large: the person's own units first, the other system beneath. */
export function Answers({
  sheet,
  reckoned,
  units,
}: {
  sheet: Sheet
  reckoned: Reckoned | null
  units: 'us' | 'metric'
}) {
  if (!reckoned) return <p className="text-ink2">Reckoning …</p>
  const own = units === 'us' ? reckoned.us : reckoned.si
  const other = units === 'us' ? reckoned.si : reckoned.us
  if (!own.ok) return <Refusal problem={own.problem} />
  return (
    <dl className="grid grid-cols-[repeat(auto-fit,minmax(150px,1fr))] gap-x-6 gap-y-3" aria-live="polite">
      {sheet.figures.map((figure, i) => {
        const text = figureText(figure, own.value, units === 'us' ? 'us' : 'si')
        if (text === null) return null
        const second = other.ok ? figureText(figure, other.value, units === 'us' ? 'si' : 'us') : null
        const long = text.length > 16
        return (
          <div key={figure.path} className={long ? 'col-span-full' : undefined}>
            <dt className="label">{figure.label}</dt>
            <dd>
              <span
                className={`font-head font-bold leading-tight block ${long ? 'text-lead' : i === 0 && text.length < 10 ? 'text-figure' : 'text-title'}`}
              >
                {text}
              </span>
              {second !== null && second !== text && <span className="text-ink2">{second}</span>}
            </dd>
          </div>
        )
      })}
    </dl>
  )
}

function Refusal({ problem }: { problem: Problem }) {
  return (
    <Note says={problem.code === 'missing' ? 'know' : 'stop'} role="status">
      {problem.message}
    </Note>
  )
}
