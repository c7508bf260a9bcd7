import { isOf } from '../kind/kind'

/**
 * Whether a use is for a kind of tree: it names it, or any ornamental kind without this one.
 * @example namesHost({ hosts: 'any', notOn: ['spruce'] }, 'spruce') // false
 */
export function namesHost(
  use: { hosts: 'any' | readonly string[]; notOn?: readonly string[] },
  host: string,
): boolean {
  if (use.notOn && isOf(use.notOn, host)) return false
  return use.hosts === 'any' || isOf(use.hosts, host)
}
