'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import type { TreeView } from '@/server/read/tree'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

/** Says of a tree that is not among the standing ones why, and puts it back if that was a mistake. */
export function NotStanding({ view }: { view: TreeView }) {
  const { tree } = view
  const may = useMay()
  const router = useRouter()
  const { send, busy, problem } = useVerb('stand-again')
  if (tree.status === 'standing') return null
  return (
    <Note as="div" says="stop" className="mt-3 max-w-3xl">
      <p>
        {view.into ? (
          <>
            This is{' '}
            <Link href={`/trees/${view.into.id}`} className="underline font-bold">
              {view.into.tag}
            </Link>
            , listed twice. Its history counts there.
          </>
        ) : (
          <>
            Taken from the list{tree.removedAt && ` on ${shortDate(tree.removedAt, view.timeZone)}`}:{' '}
            {tree.removedWords}
          </>
        )}
      </p>
      {may('stand-again') && (
        <Button
          className="mt-2"
          disabled={busy}
          onClick={async () => {
            if (await send({ treeId: tree.id })) router.refresh()
          }}
        >
          {view.into ? 'It is another tree: put it back' : 'It stands: put it back'}
        </Button>
      )}
      <ProblemNote problem={problem} />
    </Note>
  )
}
