import { findingName } from '@/almanac/findings'
import type { FindingState, Seen } from '@/core/diagnose/almanac'

const SAID: [state: FindingState, word: string][] = [
  ['there', 'There'],
  ['not-there', 'Looked for and not there'],
  ['unsure', 'Unsure'],
]

/** What was seen in an examination, in words: for a sheet that leaves the house. */
export function SeenList({ seen }: { seen: Seen }) {
  const of = (state: FindingState) =>
    Object.entries(seen)
      .filter(([, s]) => s === state)
      .map(([finding]) => findingName(finding).toLowerCase())
  return (
    <>
      {SAID.map(([state, word]) => {
        const names = of(state)
        return state === 'unsure' && names.length === 0 ? null : (
          <p key={state}>
            <b>{word}:</b> {names.join(', ') || 'nothing yet'}.
          </p>
        )
      })}
    </>
  )
}
