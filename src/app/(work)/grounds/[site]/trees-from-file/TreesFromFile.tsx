'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { TreeImportsView } from '@/server/read/treeImports'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { AskingRows } from './AskingRows'
import { Columns } from './Columns'
import { EarlierLists } from './EarlierLists'
import { Points } from './Points'
import { useTreeFile } from './useTreeFile'

const many = (n: number, one: string, more = `${one}s`) =>
  `${n.toLocaleString('en-US')} ${n === 1 ? one : more}`

/** Trees from a file: chosen, its columns and what asks something shown, then taken; nothing before one says so. */
export function TreesFromFile({ view }: { view: TreeImportsView }) {
  const router = useRouter()
  const work = useTreeFile(view.site.id)
  const { looked, taken } = work
  const asking = looked ? looked.refused.length : 0
  return (
    <div className="max-w-6xl">
      <p className="text-small text-ink2">
        <Link href="/grounds">Grounds</Link> · <Link href={`/grounds/${view.site.id}`}>{view.site.name}</Link>{' '}
        · trees from a file
      </p>
      {taken ? (
        <>
          <h1>
            {taken.new > 0 ? many(taken.new, 'tree') : 'Nothing new'}
            {taken.new > 0 && (taken.new === 1 ? ' is' : ' are')} {taken.new > 0 && 'here'}
          </h1>
          <Note as="div" says="good" className="mt-3 max-w-2xl" role="status">
            <p>
              {[
                `${many(taken.new, 'new tree')}`,
                taken.changed > 0 && `${many(taken.changed, 'tree')} changed`,
                taken.same > 0 && `${taken.same.toLocaleString('en-US')} as they were`,
                taken.refused.length > 0 && `${many(taken.refused.length, 'row')} left out`,
              ]
                .filter(Boolean)
                .join(', ')}
              . It can be taken back below for seven days.
            </p>
            {taken.unplaced > 0 && (
              <p className="mt-1">
                {many(taken.unplaced, 'tree')} had no position and {taken.unplaced === 1 ? 'lies' : 'lie'}{' '}
                beside the plan until somebody moves {taken.unplaced === 1 ? 'it' : 'them'}.
              </p>
            )}
          </Note>
          <div className="flex flex-wrap gap-2 mt-3">
            <ButtonLink href={`/grounds/${view.site.id}`} now>
              To the trees →
            </ButtonLink>
            <Button
              onClick={() => {
                work.anew()
                router.refresh()
              }}
            >
              Another file
            </Button>
          </div>
        </>
      ) : looked ? (
        <>
          <h1>
            {looked.new + looked.changed === 0
              ? 'Nothing new in this file'
              : [
                  looked.new > 0 && many(looked.new, 'new tree'),
                  looked.changed > 0 && many(looked.changed, 'changed one'),
                ]
                  .filter(Boolean)
                  .join(', ')}
            {asking > 0 && `, ${many(asking, 'row')} ${asking === 1 ? 'asks' : 'ask'} something`}
          </h1>
          <p className="text-ink2 mt-1">
            {work.file!.name}, {many(looked.rows, 'row')}, {looked.parted}, {looked.encoding}.
            {looked.same > 0 && ` ${looked.same.toLocaleString('en-US')} are here already, as they are.`}{' '}
            Nothing is taken before you say so.
          </p>
        </>
      ) : (
        <>
          <h1>Trees from a file</h1>
          <p className="text-ink2 mt-1">
            A list as CSV (from any spreadsheet) or GeoJSON. Columns may have any names. You see what it would
            do before anything is taken.
          </p>
        </>
      )}
      {!taken && (
        <div className="mt-3">
          {!looked && <Chooser busy={work.busy === 'look'} onFile={work.choose} />}
          <ProblemNote problem={work.problem} />
        </div>
      )}
      {looked && !taken && (
        <div className="grid gap-7 mt-4 lg:grid-cols-[minmax(0,1fr)_330px]">
          <div className="min-w-0">
            <Columns work={work} looked={looked} />
            <AskingRows work={work} looked={looked} kinds={view.kinds} />
          </div>
          <div className="bg-sheet border border-line p-4 h-fit grid gap-3">
            <Points points={looked.points} />
            {looked.unplaced > 0 && (
              <p className="text-small text-ink2">
                {many(looked.unplaced, 'tree')} without a position: beside the plan until they are placed.
              </p>
            )}
            <Button
              now
              className="w-full"
              disabled={work.busy !== null || looked.new + looked.changed === 0}
              onClick={work.take}
            >
              {work.busy === 'take'
                ? work.progress
                  ? `${work.progress.done.toLocaleString('en-US')} of ${work.progress.of.toLocaleString('en-US')}`
                  : 'Taking'
                : looked.new + looked.changed === 0
                  ? 'Nothing to take'
                  : `Take ${many(looked.new + looked.changed, 'tree')} →`}
            </Button>
            {work.busy === 'take' && (
              <>
                <progress
                  className="w-full"
                  max={work.progress?.of ?? 1}
                  value={work.progress?.done ?? 0}
                  aria-label="How far it is"
                />
                <Button quiet onClick={work.stop}>
                  Stop; nothing is taken
                </Button>
              </>
            )}
            {work.busy !== 'take' && (
              <p className="text-center text-small text-ink2">
                can be taken back for seven days ·{' '}
                <button type="button" className="underline underline-offset-2" onClick={work.anew}>
                  another file
                </button>
              </p>
            )}
          </div>
        </div>
      )}
      <EarlierLists view={view} />
    </div>
  )
}

/** Where a file is dropped or chosen. */
function Chooser({ busy, onFile }: { busy: boolean; onFile: (file: File) => void }) {
  const [over, setOver] = useState(false)
  return (
    <label
      className={`block max-w-2xl border-2 border-dashed p-8 text-center cursor-pointer ${over ? 'border-rust bg-rust-soft' : 'border-ink2 bg-sheet'} focus-within:outline focus-within:outline-3 focus-within:outline-rust`}
      onDragOver={(e) => {
        e.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault()
        setOver(false)
        const file = e.dataTransfer.files[0]
        if (file) onFile(file)
      }}
    >
      <span className="font-bold">{busy ? 'Reading it …' : 'Drop the file here, or choose it'}</span>
      <span className="block text-ink2 mt-1">.csv, .txt, .geojson, up to 50 MB</span>
      <input
        type="file"
        className="sr-only"
        accept=".csv,.txt,.tsv,.geojson,.json,text/csv"
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
    </label>
  )
}
