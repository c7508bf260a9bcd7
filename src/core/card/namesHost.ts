import { isOf } from '../kind/kind'

/** Whether a use leaves a kind of tree out, by itself or by its wider kind. `leavesOut({ notOn: ['maple'] }, 'maple.red')` is true */
export function leavesOut({ notOn }: { notOn?: readonly string[] }, host: string): boolean {
  return isOf(notOn ?? [], host)
}

/**
 * Whether a use is for a kind of tree: it names it, or any ornamental kind without this one.
 * @example namesHost({ hosts: 'any', notOn: ['spruce'] }, 'spruce') // false
 */
export function namesHost(
  use: { hosts: 'any' | readonly string[]; notOn?: readonly string[] },
  host: string,
): boolean {
  if (leavesOut(use, host)) return false
  return use.hosts === 'any' || isOf(use.hosts, host)
}
