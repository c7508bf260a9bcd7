import type { Problem } from '@/core/problem'

/** A problem, said where it happened. */
export function ProblemNote({ problem, id }: { problem: Problem | null; id?: string }) {
  return (
    <div role="alert" id={id}>
      {problem && <p className="note note-stop mt-2">{problem.message}</p>}
    </div>
  )
}
