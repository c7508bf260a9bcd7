'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { PrescribeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'

/** What stands in the way of signing, with the way out. */
export interface Blockage {
  text: string
  href?: string
  link?: string
}

export function blockedBy(view: PrescribeView): Blockage | null {
  const t = view.tree.id
  if (view.handed)
    return {
      text:
        view.handed.status === 'done'
          ? 'This prescription is done and recorded.'
          : `This prescription is with the crew for ${view.handed.onDate ?? 'a day to come'}.`,
      href: view.handed.jobId ? `/run/${view.handed.jobId}` : '/run',
      link: 'Open the work',
    }
  if (!view.reading)
    return {
      text: 'The trunk has not been measured, so nothing can be dosed.',
      href: `/trees/${t}#measure`,
      link: 'Measure it',
    }
  if (!view.diagnosis)
    return {
      text: 'No cause has been signed, so nothing can be prescribed for it.',
      href: `/trees/${t}/examine`,
      link: 'Examine',
    }
  if (!view.decision)
    return {
      text: 'Nothing has been decided on the signed cause.',
      href: `/trees/${t}/decide`,
      link: 'Decide',
    }
  if (view.decision.action !== 'treat')
    return {
      text: 'The decision is not to treat this tree.',
      href: `/trees/${t}/decide`,
      link: 'See the decision',
    }
  if (!view.tree.identityConfirmedAt && view.kind?.confusedWith)
    return {
      text: 'Confirm what kind of tree it is first: its look-alike would not be helped by this.',
      href: `/trees/${t}`,
      link: 'Confirm it',
    }
  if (view.cards.length === 0)
    return { text: 'No label card on the shelf names this cause on this kind of tree for injection.' }
  return null
}

export function Blocked({ why, view }: { why: Blockage; view: PrescribeView }) {
  return (
    <>
      <p className="note mt-3 flex flex-wrap items-center gap-3">
        {why.text}
        {why.href && (
          <Link href={why.href} className="btn sm:!min-h-[34px]">
            {why.link} →
          </Link>
        )}
      </p>
      {view.handed?.status === 'handed' && view.role === 'arborist' && <TakeBack view={view} />}
    </>
  )
}

/** Takes the prescription back from the crew, with a reason, as long as nothing is drilled. */
function TakeBack({ view }: { view: PrescribeView }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('withdraw-prescription')
  const [words, setWords] = useState('')
  return (
    <details className="mt-2 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-1">
        Take it back from the crew
      </summary>
      <form
        className="flex flex-wrap items-end gap-3 mt-2"
        noValidate
        onSubmit={async (e) => {
          e.preventDefault()
          const done = await send({ treeId: view.tree.id, prescriptionId: view.handed!.id, words })
          if (done !== null) router.refresh()
        }}
      >
        <div className="grow">
          <Field
            label="Why"
            value={words}
            onChange={(e) => setWords(e.target.value)}
            problem={problem?.field === 'words' ? problem.message : null}
          />
        </div>
        <button type="submit" className="btn" disabled={busy}>
          Take it back
        </button>
      </form>
      <ProblemNote problem={problem?.field === 'words' ? null : problem} />
    </details>
  )
}
