'use client'
import type { JobTree } from './job'
import { AskedForm, AskedAlso } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useKeeping } from '@/ui/field/useKeeping'
import { useStep } from '@/ui/form/useStep'
import { handBackAsks } from '@/asks/work'

/** Hands this tree, or all that are not begun, back to the arborist with the reason. */
export function HandBack({
  tree,
  rest,
  withIt,
  onBack,
}: {
  tree: JobTree
  /** Every tree of this work at which nothing was begun; one at least. */
  rest: JobTree[]
  /** A tree under everything that comes out of the same tank, by id. */
  withIt: (tree: JobTree) => string[]
  onBack: () => void
}) {
  const by = useStep(
    'hand-back',
    undefined,
    useKeeping('hand-back', { trees: (input) => input.jobSubjectIds }),
  )
  const one = rest.some((t) => t.id === tree.id)
  const all = `All ${rest.length} that are not begun`
  return (
    <AskedForm
      asks={handBackAsks}
      start={{ words: '' }}
      fixed={{ jobSubjectIds: (one ? [tree] : rest).flatMap(withIt) }}
      by={by}
      onDone={onBack}
      keep={one ? `Hand ${tree.tag} back` : all}
      quiet
      more={
        one && rest.length > 1 && <AskedAlso also={{ jobSubjectIds: rest.flatMap(withIt) }}>{all}</AskedAlso>
      }
      className="grid gap-2"
    >
      <Asked at="words" />
    </AskedForm>
  )
}
