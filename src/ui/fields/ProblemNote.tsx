import { clockTime } from '../when'
import type { SentProblem } from './useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { DataTable } from '../pieces/DataTable'

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
        <Note as="div" says="stop" className="mt-2">
          <p>{problem.message}</p>
          {problem.stands && <Both stands={problem.stands} sent={problem.sent} />}
          {problem.stands && onAnew && (
            <Button className="mt-2" onClick={onAnew}>
              Both are meant: send mine as a new one
            </Button>
          )}
        </Note>
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
    <DataTable
      caption="What was kept and what was sent"
      className="mt-2"
      columns={[
        { head: '' },
        { head: `Kept by ${stands.by}, ${clockTime(Date.parse(stands.at))}` },
        { head: 'Sent now' },
      ]}
      rows={rows.map((k) => ({ key: k, name: NAMES[k] ?? k, cells: [told(kept[k]), told(now[k])] }))}
    />
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
  return typeof value === 'string' ? value : JSON.stringify(value)
}
