import type { ReactNode } from 'react'
import type { Problem } from '@/core/problem'
import { Button } from '../pieces/Button'
import { Note } from '../pieces/Note'

/** A question about what was typed, beside the hand that pressed: the ways out, and keeping it as it is. */
export function Doubt({
  problem,
  busy,
  keep = 'It is right, keep it',
  onKeep,
  children,
}: {
  problem: Problem | null
  busy: boolean
  keep?: string
  /** Sends it again with the doubt answered. */
  onKeep: (code: string) => void
  /** Other ways out, as buttons. */
  children?: ReactNode
}) {
  if (problem?.code !== 'doubt') return null
  return (
    <Note as="div" role="alert">
      <p>{problem.message}</p>
      <div className="flex flex-wrap gap-2 mt-2">
        {children}
        <Button disabled={busy} onClick={() => onKeep(problem.field)}>
          {keep}
        </Button>
      </div>
    </Note>
  )
}
