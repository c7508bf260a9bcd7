import type { Cause, Finding } from '@/core/diagnose/almanac'
import type { Explanation } from '@/core/diagnose/explain'
import { asGroup } from '@/core/diagnose/group'
import { showWeight } from '@/core/diagnose/showWeight'

/** An explanation lighter than this is not worth a line. */
const WORTH_A_LINE = 0.05
const MOST_LINES = 3

/** What is at work together: each explanation as one line, with what it leaves unexplained. */
export function Explanations({
  explanations,
  causes,
  findings,
  names,
}: {
  explanations: readonly Explanation[]
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  names: Readonly<Record<string, string>>
}) {
  const shown = explanations.filter((e, i) => e.probability >= WORTH_A_LINE || i === 0).slice(0, MOST_LINES)
  return (
    <section className="mt-5">
      <h2>What is at work together</h2>
      <ol className="mt-1 border-t border-line">
        {shown.map((e, i) => (
          <li
            key={e.causes.join(' ')}
            className="grid grid-cols-[56px_minmax(0,1fr)] gap-x-3 py-2 border-b border-line items-baseline"
          >
            <span className="font-head font-bold text-lead text-right">{showWeight(e.probability)}</span>
            <span>
              <Chain explanation={e} causes={causes} names={names} strong={i === 0} />
              {e.leaves.length > 0 && (
                <span className="block text-small text-plum">
                  leaves unexplained:{' '}
                  {e.leaves.map((f) => (findings.get(f)?.name ?? f).toLowerCase()).join(', ')}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}

/** The causes of one explanation, in the order in which one leads to the other. */
function Chain({
  explanation,
  causes,
  names,
  strong,
}: {
  explanation: Explanation
  causes: readonly Cause[]
  names: Readonly<Record<string, string>>
  strong: boolean
}) {
  if (explanation.causes.length === 0)
    return (
      <span className={strong ? 'font-bold' : ''}>
        {explanation.leaves.length > 0 ? 'None of the causes' : 'Nothing that calls for work'}
      </span>
    )
  const group = asGroup(explanation.causes, causes)
  return (
    <span className={strong ? 'font-head font-bold text-lead leading-tight' : ''}>
      {group.map(({ id, on, how }, i) => (
        <span key={id}>
          {i > 0 && (
            <span className="text-ink2 font-text font-normal">
              {' '}
              {/* What hangs on the same one as its neighbour is said in one breath. */}
              {how === null || group[i - 1]!.on === on
                ? 'and'
                : how === 'feeds'
                  ? '→ feeds'
                  : '→ opens the door for'}{' '}
            </span>
          )}
          {i === 0 ? (names[id] ?? id) : (names[id] ?? id).toLowerCase()}
        </span>
      ))}
    </span>
  )
}
