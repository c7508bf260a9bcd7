'use client'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import type { JobTree } from './job'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useKeeping } from '@/ui/field/useKeeping'
import { useStep } from '@/ui/form/useStep'
import { releaseLineAsks } from '@/asks/work'

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
  const by = useStep(
    'release-line',
    undefined,
    useKeeping('release-line', { trees: (input) => input.jobSubjectIds }),
  )
  return (
    <section aria-label="Only if" className="max-w-xl mb-4">
      <Note>
        Signed to be done at {tree.tag} only if <b>{onlyIf}</b>. If not, hand it back below.
      </Note>
      {may('release-line') ? (
        <AskedForm
          asks={releaseLineAsks}
          start={{ found: '' }}
          fixed={{ jobSubjectIds: [tree.id] }}
          by={by}
          onDone={onReleased}
          keep="It was found: release it"
          className="grid gap-2 mt-3"
        >
          <Asked at="found" />
        </AskedForm>
      ) : (
        <p className="text-ink2 mt-2">The crew lead releases it.</p>
      )}
    </section>
  )
}
