'use client'
import { useState } from 'react'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import type { JobTree } from './job'

/** Hands this tree, or all that are not begun, back to the arborist with the reason. */
export function HandBack({
  tree,
  rest,
  withIt,
  onBack,
}: {
  tree: JobTree
  /** Every tree of this work at which nothing was begun. */
  rest: JobTree[]
  /** A tree under everything that comes out of the same tank, by id. */
  withIt: (tree: JobTree) => string[]
  onBack: () => void
}) {
  const { send, busy, problem } = useVerb('hand-back')
  const [words, setWords] = useState('')
  if (rest.length === 0) return null
  const one = rest.some((t) => t.id === tree.id)
  async function back(trees: JobTree[]) {
    if ((await send({ jobSubjectIds: trees.flatMap(withIt), words })) !== null) onBack()
  }
  return (
    <details className="no-print mt-4 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-2">
        Hand back to the arborist
      </summary>
      <Field
        label="Why"
        placeholder="the gate is locked"
        value={words}
        onChange={(e) => setWords(e.target.value)}
        problem={problem?.field === 'words' ? problem.message : null}
      />
      <ProblemNote problem={problem?.field === 'words' ? null : problem} />
      <div className="flex flex-wrap gap-2 mt-2">
        {one && (
          <Button disabled={busy} onClick={() => void back([tree])}>
            Hand {tree.tag} back
          </Button>
        )}
        {rest.length > 1 && (
          <Button quiet disabled={busy} onClick={() => void back(rest)}>
            All {rest.length} that are not begun
          </Button>
        )}
      </div>
    </details>
  )
}
