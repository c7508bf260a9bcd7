import type { KeptEnvelope } from './deviceStore'

/** What was done with a tree on this device and is not in the ledger yet. */
export interface Here {
  kind: 'signed' | 'handed back'
  /** Epoch ms. */
  at: number
}

interface Tree {
  id: string
  status: string
  confirmedAt: number | null
  releasedAt: number | null
  found: string | null
  seen: object
}

/**
 * The trees of a job with what this device has pressed and nobody answered yet: begun, released, handed back, signed. Presses at steps are
 * folded where the steps are.
 *
 * @example withEnvelopes([{ id: 't', confirmedAt: null, … }], [{ step: 'confirm-tree', at: 5, content: { jobSubjectId: 't' }, … }]) // confirmedAt: 5
 */
export function withEnvelopes<T extends Tree>(
  trees: readonly T[],
  waiting: readonly Pick<KeptEnvelope, 'step' | 'at' | 'content' | 'trees'>[],
): (T & { here: Here | null })[] {
  const done = new Map<string, Partial<Tree> & { here?: Here }>()
  const add = (id: string, change: Partial<Tree> & { here?: Here }) =>
    done.set(id, { ...done.get(id), ...change })
  for (const { step, at, content, trees: ids } of waiting)
    for (const id of ids)
      if (step === 'confirm-tree' || step === 'begin-work')
        add(id, { confirmedAt: at, seen: content['seen'] ?? {} })
      else if (step === 'release-line') add(id, { releasedAt: at, found: content['found'] as string })
      else if (step === 'hand-back') add(id, { here: { kind: 'handed back', at } })
      else if (step === 'sign-record') add(id, { here: { kind: 'signed', at } })
  return trees.map((tree) => {
    const { here = null, ...change } = done.get(tree.id) ?? {}
    // What has come in since stands as the server says.
    const begun = tree.confirmedAt !== null ? { confirmedAt: tree.confirmedAt, seen: tree.seen } : {}
    return { ...tree, ...change, ...begun, here: tree.status === 'open' ? here : null }
  })
}
