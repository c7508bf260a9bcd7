import { OwnNote } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { notFound } from 'next/navigation'
import { almanacOf, almanacView } from '@/server/read/almanac'
import { KIND_WORD, type EntryKind } from '@/almanac/entries'
import { CauseEntry } from './CauseEntry'
import { FindingEntry, HostEntry } from './TreeEntries'
import { CautionEntry, MethodEntry, SchoolEntry } from './WorkEntries'
import { Ours } from './Ours'

export const metadata = { title: 'Almanac' }

export default async function EntryPage({ params }: { params: Promise<{ kind: string; id: string }> }) {
  const { kind, id } = await params
  if (!Object.hasOwn(KIND_WORD, kind)) notFound()
  const view = await almanacView()
  const almanac = almanacOf(view)
  const own = view.own.find((o) => o.entry.kind === kind && 'id' in o.entry && o.entry.id === id)
  const entry = {
    cause: <CauseEntry id={id} view={view} almanac={almanac} />,
    finding: <FindingEntry id={id} view={view} almanac={almanac} />,
    host: <HostEntry id={id} view={view} almanac={almanac} />,
    method: <MethodEntry id={id} />,
    school: <SchoolEntry id={id} view={view} />,
    caution: <CautionEntry id={id} />,
  }[kind as EntryKind]
  return (
    <div className="max-w-5xl">
      <p className="text-ink2">
        <Link href="/almanac" className="underline">
          Almanac
        </Link>{' '}
        · {KIND_WORD[kind as EntryKind].toLowerCase()}
      </p>
      {entry}
      {own && (
        <div className="mt-4 max-w-3xl">
          <Ours own={own} whole />
        </div>
      )}
      {kind !== 'caution' && (
        <OwnNote
          entry={`${kind}:${id}`}
          note={view.notes.find((n) => n.entry === `${kind}:${id}`) ?? null}
          view={view}
        />
      )}
    </div>
  )
}
