import { Note } from '@/ui/pieces/Note'
/** How the chain of records stands: whole, whole as far as checked, or broken and where. */
export function ChainNote({
  trouble,
  checkedTo,
  checkedAt,
  entries,
}: {
  trouble: { seq: number; words: string } | null
  checkedTo: number | null
  checkedAt: Date | null
  entries: number
}) {
  if (trouble)
    return (
      <Note says="stop" className="mt-3 max-w-3xl" role="alert">
        {trouble.words} Tell the office, and keep the database and the file of seals as they are.
      </Note>
    )
  if (entries === 0) return null
  return (
    <Note says="good" className="mt-3 max-w-3xl">
      {checkedTo === null || checkedAt === null
        ? 'The newest records carry true seals; the whole chain is being checked now.'
        : `Every record carries the hash of the one before and a true seal: ${checkedTo.toLocaleString('en-US')} of ${entries.toLocaleString('en-US')} checked one by one, the newest at this moment.`}
    </Note>
  )
}
