'use client'
import { useState } from 'react'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import type { JobTree } from './job'

/** A line that was signed to be done only if something is found: the crew lead says what, and releases it. */
export function ReleaseLine({
  tree,
  onlyIf,
  onReleased,
}: {
  tree: JobTree
  onlyIf: string
  onReleased: () => void
}) {
  const may = useMay()
  const { send, busy, problem } = useVerb('release-line')
  const [found, setFound] = useState('')
  return (
    <section aria-label="Only if" className="max-w-xl mb-4">
      <Note>
        Signed to be done at {tree.tag} only if <b>{onlyIf}</b>. If not, hand it back below.
      </Note>
      {may('release-line') ? (
        <>
          <Field
            className="mt-3"
            label="What was found"
            value={found}
            onChange={(e) => setFound(e.target.value)}
            problem={problem?.field === 'found' ? problem.message : null}
          />
          <ProblemNote problem={problem?.field === 'found' ? null : problem} />
          <Button
            now
            className="hand-tall mt-2"
            disabled={busy || found.trim() === ''}
            onClick={async () => {
              if ((await send({ jobSubjectIds: [tree.id], found })) !== null) onReleased()
            }}
          >
            It was found: release it
          </Button>
        </>
      ) : (
        <p className="text-ink2 mt-2">The crew lead releases it.</p>
      )}
    </section>
  )
}
