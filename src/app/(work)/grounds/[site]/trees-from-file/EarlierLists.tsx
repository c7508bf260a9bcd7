'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { TreeImportsView } from '@/server/read/treeImports'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

/** Lists that were taken here before, and taking them back. */
export function EarlierLists({ view }: { view: TreeImportsView }) {
  const may = useMay()
  const router = useRouter()
  const undo = useVerb('undo-import')
  const [said, setSaid] = useState<string | null>(null)
  if (view.lists.length === 0) return null
  return (
    <section className="mt-8 max-w-3xl">
      <h2>Lists taken here</h2>
      <ul className="border-t border-line mt-2">
        {view.lists.map((l) => (
          <li key={l.id} className="border-b border-line py-2 flex flex-wrap items-center gap-x-4 gap-y-1">
            <span className="mr-auto">
              <b>{l.fileName ?? 'from another program'}</b> · {l.new.toLocaleString('en-US')} new
              {l.changed > 0 && `, ${l.changed.toLocaleString('en-US')} changed`}
              <span className="block text-small text-ink2">
                {shortDate(l.at, view.timeZone)}, {l.by}
                {l.undone && ' · taken back'}
              </span>
            </span>
            {l.mayUndo && may('undo-import') && (
              <Button
                quiet
                disabled={undo.busy}
                aria-label={`Take back ${l.fileName ?? 'the list'}`}
                onClick={async () => {
                  const done = await undo.send({ importId: l.id })
                  if (!done) return
                  setSaid(
                    `${done.trees.toLocaleString('en-US')} trees, ${done.readings} readings and ${done.changes} changes are taken back.${
                      done.left.length > 0
                        ? ` Left, as somebody has worked with them: ${done.left
                            .slice(0, 8)
                            .map((t) => t.tag)
                            .join(', ')}${done.left.length > 8 ? ` and ${done.left.length - 8} more` : ''}.`
                        : ''
                    }`,
                  )
                  router.refresh()
                }}
              >
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p role="status" className="mt-2">
        {said}
      </p>
      <ProblemNote problem={undo.problem} />
    </section>
  )
}
