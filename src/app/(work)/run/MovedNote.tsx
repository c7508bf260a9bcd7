import type { FollowUpView } from '@/server/read/work'
import { shortDate, writtenDate } from '@/ui/when'

/** What was moved to another day, or ended, by whom and why. */
export function MovedNote({ moved, timeZone }: { moved: FollowUpView['moved']; timeZone: string }) {
  if (moved.length === 0) return null
  return (
    <ul aria-label="Moved" className="mt-2 text-ink2">
      {moved.map((m) => (
        <li key={`${m.at} ${m.fromOn} ${m.toOn}`}>
          {m.trees > 1 && `${m.trees} trees `}
          {m.toOn === null
            ? `Ended, promised for ${writtenDate(m.fromOn)}`
            : `${m.trees > 1 ? 'moved' : 'Moved'} from ${writtenDate(m.fromOn)} to ${writtenDate(m.toOn)}`}
          : {m.why} · {m.by}, {shortDate(m.at, timeZone)}
        </li>
      ))}
    </ul>
  )
}
