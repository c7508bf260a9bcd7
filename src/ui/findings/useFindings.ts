'use client'
import { useCallback, useMemo } from 'react'
import type { FindingState } from '@/core/diagnose/almanac'
import type { FindingDetail } from '@/core/diagnose/detail'
import { newId } from '@/ui/fields/newId'
import { firmNow } from '@/ui/shell/firmClock'
import type { KeptEnvelope } from '../field/deviceStore'
import {
  addToOutbox,
  numbered,
  outboxNow,
  pressedAt,
  seenRefusal,
  useOutbox,
  whenSent,
} from '../field/outbox'
import { isSeen } from '../field/givenBack'
import { foldFindings, type Looked } from './foldFindings'

/** The examination that is written into. */
export interface Examination {
  treeId: string
  /** The running one, or the id of the one that the first press opens. */
  assessmentId: string
  /** It was there when the page was drawn. */
  running: boolean
  /** A signed one that it comes after. */
  after?: string | null
}

const ofTree = ({ treeId, after }: Examination, envelopes: readonly KeptEnvelope[]) =>
  envelopes.filter(
    (e) => isSeen(e) && e.trees[0] === treeId && (!after || e.content['assessmentId'] !== after),
  )

/** The examination that presses go into: what this device has begun without an answer is gone on with. */
function goingOn(examination: Examination): string {
  if (examination.running) return examination.assessmentId
  const { seen, waiting } = outboxNow()
  const known = ofTree(examination, [...seen, ...waiting]).at(-1)
  return (known?.content['assessmentId'] as string | undefined) ?? examination.assessmentId
}

/**
 * The findings of an examination: on the device and on the screen at once, sent behind it in the order of the hand, without a signal too.
 * Only a rule gives a press back; its row says so until it is pressed again. A finding taken over from before brings what was noted
 * beside it.
 */
export function useFindings(examination: Examination, first: Looked) {
  const { treeId, assessmentId, running, after } = examination
  const box = useOutbox()
  const own = useMemo(
    () => ({ treeId, assessmentId, running, after }),
    [treeId, assessmentId, running, after],
  )
  const waiting = useMemo(() => ofTree(own, box.waiting), [own, box.waiting])
  const { seen, details } = useMemo(
    () => foldFindings(first, [...ofTree(own, box.seen), ...waiting]),
    [first, own, box.seen, waiting],
  )
  const given = useMemo(
    () => box.refused.filter((r) => r.trees[0] === treeId && r.job === null),
    [box.refused, treeId],
  )
  const press = useCallback(
    (content: { finding: string } & ({ state: FindingState | null } | { detail: FindingDetail })) => {
      for (const r of outboxNow().refused)
        if (r.trees[0] === treeId && r.stepIds.includes(content.finding)) seenRefusal(r.id)
      return addToOutbox({
        id: newId(),
        job: null,
        n: numbered(1),
        at: pressedAt(firmNow()),
        away: outboxNow().silentSince !== null,
        step: 'state' in content ? 'set-finding' : 'set-detail',
        content: { treeId, assessmentId: goingOn(own), ...content },
        trees: [treeId],
      })
    },
    [treeId, own],
  )
  const note = useCallback((finding: string, detail: FindingDetail) => press({ finding, detail }), [press])
  const set = useCallback(
    (finding: string, state: FindingState, detail?: FindingDetail) => {
      void press({ finding, state: state === 'not-looked' ? null : state })
      if (detail) void note(finding, detail)
    },
    [press, note],
  )
  /** Resolves when everything pressed so far is taken or refused, or nobody answers. */
  const settled = useCallback(() => whenSent(treeId), [treeId])
  return {
    seen,
    details,
    set,
    note,
    problem: given[0]?.problem ?? null,
    /** On its way. */
    saving: waiting.length > 0 && box.silentSince === null,
    /** Kept on the device, for nobody answers. */
    here: box.silentSince === null ? 0 : waiting.length,
    settled,
    refused: useMemo(() => new Set(given.flatMap((r) => r.stepIds)), [given]),
    goingOn: useCallback(() => goingOn(own), [own]),
  }
}
