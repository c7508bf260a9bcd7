'use client'
import { useState } from 'react'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { FINDING_BY_ID } from '@/almanac/findings'
import type { ExamineView } from '@/server/read/tree'

/** What a whole site shares: its site and soil findings, from the tree examined last, those not looked at here. */
export function sharedFrom(view: ExamineView, seen: Seen): { finding: string; state: FindingState }[] {
  return (view.lastOnSite?.findings ?? []).filter(({ finding }) => {
    const place = FINDING_BY_ID.get(finding)?.place
    return (place === 'site' || place === 'soil') && ONLY_HERE.has(finding) === false && !seen[finding]
  })
}

/** Said of one tree, though it stands under the site. */
const ONLY_HERE = new Set(['only-this-tree', 'planted-recently', 'pruned-in-risk-season', 'roots-dark-soft'])

/**
 * Copies what the site shares in one press (key c), and says so. It keeps its place whatever is marked meanwhile, so that
 * the rows beneath do not move.
 */
export function CopyShared({
  view,
  seen,
  onCopy,
  copied,
}: {
  view: ExamineView
  seen: Seen
  onCopy: () => void
  copied: number
}) {
  const [offered] = useState(() => sharedFrom(view, seen).length > 0)
  if (!offered) return null
  const left = sharedFrom(view, seen).length
  return (
    <p className="note mt-3 flex items-center gap-3 justify-between min-h-[64px] max-sm:min-h-[150px] max-sm:flex-wrap">
      <span role="status">
        {copied > 0
          ? `${copied} ${copied === 1 ? 'finding' : 'findings'} of the site copied from ${view.lastOnSite!.tag}. Change what differs here.`
          : left > 0
            ? `${view.lastOnSite!.tag} was examined last on this site: ${left} of its site and soil findings are not looked at here.`
            : `All that ${view.lastOnSite!.tag} tells of the site is looked at here.`}
      </span>
      <button
        type="button"
        className="btn shrink-0"
        title="Copy what the site shares ( c )"
        disabled={left === 0}
        onClick={onCopy}
      >
        Copy what the site shares <kbd className="text-ink2">c</kbd>
      </button>
    </p>
  )
}
