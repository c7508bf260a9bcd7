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

/** Copies what the site shares in one press (key c), and says so. */
export function CopyShared({ view, seen, onCopy }: { view: ExamineView; seen: Seen; onCopy: () => void }) {
  const [copied, setCopied] = useState(0)
  const shared = sharedFrom(view, seen)
  if (copied > 0)
    return (
      <p className="note note-good mt-3" role="status">
        {copied} {copied === 1 ? 'finding' : 'findings'} of the site copied from {view.lastOnSite!.tag}.
        Change what differs here.
      </p>
    )
  if (shared.length === 0) return null
  return (
    <p className="note mt-3 flex flex-wrap items-center gap-3">
      <span>
        {view.lastOnSite!.tag} was examined last on this site: {shared.length} of its site and soil findings
        are not looked at here.
      </span>
      <button
        type="button"
        className="btn"
        title="Copy what the site shares ( c )"
        onClick={() => {
          setCopied(shared.length)
          onCopy()
        }}
      >
        Copy what the site shares <kbd className="text-ink2">c</kbd>
      </button>
    </p>
  )
}
