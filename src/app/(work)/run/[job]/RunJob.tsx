'use client'
import Link from 'next/link'
import { useState } from 'react'
import { isInTree, stageOf } from '@/core/ports/running'
import { showMl } from '@/core/quantity/format'
import type { JobView } from '@/server/read/work'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { SmallRing } from '@/ui/ring/SmallRing'
import { fromToday, writtenDate } from '@/ui/when'
import { Board } from './Board'
import { ConfirmTree } from './ConfirmTree'
import { PortWork } from './PortWork'
import { SignRecord } from './SignRecord'
import { useNow, usePorts } from '@/ui/ports/usePorts'
import type { JobTree } from './job'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

type Tab = 'trees' | 'tree' | 'board' | 'finish'

/** The crew's job: one tree under the hands, all running ports on the board, the record at the end of each tree. */
export function RunJob({ view }: { view: JobView }) {
  const may = useMay()
  const now = useNow(view.now)
  const { trees, act, sending, problem } = usePorts(view, now)
  const [treeId, setTreeId] = useState(
    () => (view.trees.find((t) => t.status === 'open') ?? view.trees[0])?.id ?? '',
  )
  const [tab, setTab] = useState<Tab>('tree')
  const tree = trees.find((t) => t.id === treeId) ?? trees[0]
  if (!tree) return <p>This job has no tree.</p>
  const inTrees = trees.reduce((n, t) => n + t.ports.filter(isInTree).length, 0)
  const early = view.job.onDate > view.today
  const shown = (t: Tab) => (tab === t ? '' : 'max-sm:hidden')

  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-1">
        <div>
          <p className="text-small text-ink2">
            <Link href="/run" className="underline underline-offset-2">
              all work
            </Link>{' '}
            · {view.job.siteName} · {writtenDate(view.job.onDate)}
          </p>
          <h1>
            {tree.tag}{' '}
            <span className="text-ink2 text-base font-text font-normal">
              {trees.indexOf(tree) + 1} of {trees.length}
            </span>
          </h1>
          <p className="text-ink2">
            {tree.kind} · {tree.cause.toLowerCase()} · {tree.labelName} · {showMl(tree.dose.volumeM3)} in{' '}
            {tree.ports.length} ports
          </p>
        </div>
        {inTrees > 0 && <span className="tag tag-straw">{inTrees} still in trees: do not leave them</span>}
      </div>
      {early && (
        <Note className="mt-3">
          This work is booked for {writtenDate(view.job.onDate)}, {fromToday(view.job.onDate, view.today)}.
        </Note>
      )}
      <div className="grid gap-x-8 gap-y-5 mt-3 lg:grid-cols-[190px_minmax(320px,1fr)_minmax(290px,350px)]">
        <section aria-label="Trees of this job" className={shown('trees')}>
          <ul className="border-t border-line">
            {trees.map((t) => (
              <li key={t.id} className="border-b border-line">
                <button
                  type="button"
                  aria-current={t.id === tree.id}
                  onClick={() => {
                    setTreeId(t.id)
                    setTab('tree')
                  }}
                  className={`w-full text-left grid grid-cols-[44px_1fr] gap-2 items-center py-2 min-h-[48px] border-l-[3px] pl-1 ${t.id === tree.id ? 'border-l-rust bg-sheet' : 'border-l-transparent'}`}
                >
                  <SmallRing
                    size={Math.round(26 + Math.min(16, t.dose.diameterM * 30))}
                    marks={t.marks}
                    bearings={trees.length > 40 ? undefined : t.ports.map((p) => p.bearing)}
                    done={t.status === 'recorded'}
                  />
                  <span>
                    <span className="font-bold block">{t.tag}</span>
                    <span className="text-small text-ink2">{standing(t)}</span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label={`Work on ${tree.tag}`} className={shown('tree')}>
          {tree.status === 'recorded' ? (
            <Note as="div" says="good" className="mb-3 flex flex-wrap items-center gap-3">
              Signed and recorded. All {tree.ports.filter((p) => p.outAt !== null).length} are out.
              {tree.recordId && <ButtonLink href={`/ledger/${tree.recordId}`}>Open the record →</ButtonLink>}
            </Note>
          ) : null}
          {tree.status === 'open' && !tree.confirmedAt && may('confirm-tree') ? (
            <ConfirmTree key={tree.id} tree={tree} />
          ) : (
            <PortWork
              key={tree.id}
              tree={tree}
              units={view.units}
              onAct={act}
              onFinish={() => setTab('finish')}
            />
          )}
          <ProblemNote problem={problem} />
        </section>
        <div className="grid gap-6 content-start">
          <section aria-label="Ports in trees" className={shown('board')}>
            <Board trees={trees} now={now} onAct={act} />
          </section>
          <section aria-label="Finish" className={shown('finish')}>
            {tree.status === 'open' ? (
              <SignRecord key={tree.id} view={view} tree={tree} sending={sending} />
            ) : (
              <p className="text-ink2">Choose a tree that is still open to finish it.</p>
            )}
          </section>
        </div>
      </div>
      <nav
        aria-label="Parts of this job"
        className="sm:hidden fixed bottom-0 inset-x-0 z-40 bg-sheet border-t-2 border-ink grid grid-cols-4"
      >
        {(
          [
            ['trees', 'Trees'],
            ['tree', 'This tree'],
            ['board', `In trees ${inTrees}`],
            ['finish', 'Finish'],
          ] as const
        ).map(([t, text]) => (
          <button
            key={t}
            type="button"
            aria-pressed={tab === t}
            onClick={() => setTab(t)}
            className={`h-[64px] border-t-4 font-bold ${tab === t ? 'border-rust text-rust' : 'border-transparent'}`}
          >
            {text}
          </button>
        ))}
      </nav>
    </>
  )
}

function standing(t: JobTree): string {
  if (t.status === 'recorded') return 'recorded'
  if (!t.confirmedAt) return 'not begun'
  const inTree = t.ports.filter(isInTree).length
  if (inTree > 0) return `${inTree} in the tree`
  const done = t.ports.filter((p) => stageOf(p) === 'done' || stageOf(p) === 'given up').length
  return done === t.ports.length ? 'ready to sign' : `${done} of ${t.ports.length} done`
}
