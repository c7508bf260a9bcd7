import type { ExamineView } from '@/server/read/examine'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

/**
 * Copies what the site shares in one press (key c), and says so. It keeps its place whatever is marked meanwhile, so that
 * the rows beneath do not move.
 */
export function CopyShared({
  last,
  left,
  copied,
  onCopy,
}: {
  last: NonNullable<ExamineView['lastOnSite']>
  /** How many findings are still to be copied. */
  left: number
  copied: number
  onCopy: () => void
}) {
  return (
    <Note className="mt-3 flex items-center gap-3 justify-between min-h-[64px] hand:min-h-[150px] max-sm:flex-wrap">
      <span role="status">
        {copied > 0
          ? `${copied} ${copied === 1 ? 'finding' : 'findings'} of the site copied from ${last.tag}. Change what differs here.`
          : left > 0
            ? `${last.tag} was examined last on this site: ${left} of its site and soil findings are not looked at here.`
            : `All that ${last.tag} tells of the site is looked at here.`}
      </span>
      <Button
        className="shrink-0"
        title="Copy what the site shares ( c )"
        disabled={left === 0}
        onClick={onCopy}
      >
        Copy what the site shares <kbd className="text-ink2">c</kbd>
      </Button>
    </Note>
  )
}
