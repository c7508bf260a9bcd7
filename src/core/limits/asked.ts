import { refuse, type Result } from '../problem'

/** A tree among which a limit is parted: any name, and how much it matters that it is treated. */
export interface Asked {
  id: string
  priority: number
}

/** Amounts already applied must not be below zero; null when they are not. */
export function refusedApplied(applied: readonly number[]): Result<never> | null {
  const i = applied.findIndex((m) => !(m >= 0))
  return i < 0
    ? null
    : refuse('out-of-range', `applied[${i}]`, 'What was applied cannot be below zero; check the sign.')
}

/** Every tree has an id of its own; `seen` are those of the trees before it, to which this one's is added. */
export function refusedId(tree: Asked, i: number, seen: Set<string>): Result<never> | null {
  if (tree.id === '') return refuse('missing', `trees[${i}].id`, 'The tree has no id; give it one.')
  if (seen.has(tree.id))
    return refuse('out-of-range', `trees[${i}].id`, 'Two trees have the same id; give each its own.')
  seen.add(tree.id)
  return null
}

/** A priority is a number from 0 to a million; null when it is. */
export function refusedPriority(tree: Asked, i: number): Result<never> | null {
  return tree.priority >= 0 && tree.priority <= 1e6
    ? null
    : refuse('out-of-range', `trees[${i}].priority`, 'A priority is a number from 0 to 1,000,000.')
}
