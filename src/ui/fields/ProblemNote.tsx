import { clockTime } from '../when'
import type { SentProblem } from './useVerb'

/**
 * A problem, said where it happened. Where something was kept under the same press before, what stands and what was sent
 * are shown side by side; `onAnew` sends what was typed as a new one.
 */
export function ProblemNote({
  problem,
  id,
  onAnew,
}: {
  problem: SentProblem | null
  id?: string
  onAnew?: () => void
}) {
  return (
    <div role="alert" id={id}>
      {problem && (
        <div className="note note-stop mt-2">
          <p>{problem.message}</p>
          {problem.stands && <Both stands={problem.stands} sent={problem.sent} />}
          {problem.stands && onAnew && (
            <button type="button" className="btn mt-2" onClick={onAnew}>
              Both are meant: send mine as a new one
            </button>
          )}
        </div>
      )}
    </div>
  )
}

/** What was kept and what was sent now, where they differ. */
function Both({ stands, sent }: { stands: NonNullable<SentProblem['stands']>; sent: unknown }) {
  const [kept, now] = [stands.input, sent].map((v) => (v && typeof v === 'object' ? v : {})) as [
    Record<string, unknown>,
    Record<string, unknown>,
  ]
  const rows = [...new Set([...Object.keys(kept), ...Object.keys(now)])].filter(
    (k) => !/id$/i.test(k) && told(kept[k]) !== told(now[k]),
  )
  return (
    <table className="mt-2 text-[0.92rem]">
      <thead>
        <tr className="text-left">
          <th className="pr-4 font-normal" />
          <th className="pr-4">
            Kept by {stands.by}, {clockTime(Date.parse(stands.at))}
          </th>
          <th>Sent now</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((k) => (
          <tr key={k}>
            <th scope="row" className="pr-4 text-left font-normal">
              {NAMES[k] ?? k}
            </th>
            <td className="pr-4 font-bold">{told(kept[k])}</td>
            <td className="font-bold">{told(now[k])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const NAMES: Record<string, string> = {
  stems: 'reading',
  bareUnit: 'unit',
  eastM: 'metres east',
  northM: 'metres north',
  host: 'kind',
  value: 'result',
  nextStep: 'what is next',
  onDate: 'day',
  portGirth: 'girth at the ports',
  liveCrownPercent: 'live crown, %',
}

function told(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing'
  if (Array.isArray(value)) return value.length === 0 ? 'nothing' : value.map(told).join(', ')
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}
