import { idEndOf, tagCode } from './tagCode'

/** What was read off a tag by a camera, set against the tree that is meant. */
export type ScannedTag<Tree> = { is: 'meant' } | { is: 'another'; tree: Tree } | { is: 'unknown' }

/** The short code in what a camera read: an address that ends in it, or the code alone; null for anything else. */
export function codeIn(read: string): string | null {
  const code = /(?:^|\/t\/)([0-9A-Za-z]{10})\/?$/.exec(read.trim())?.[1] ?? null
  return code !== null && idEndOf(code) !== null ? code : null
}

/**
 * Whether a tag that was read is that of the tree that is meant, of another of the job, or of none of them.
 *
 * @example scannedTag('https://trees.example/t/000000007Z', ash14, [ash14, ash15]).is // 'meant'
 */
export function scannedTag<Tree extends { treeId: string }>(
  read: string,
  meant: Tree,
  others: readonly Tree[],
): ScannedTag<Tree> {
  const code = codeIn(read)
  if (code === null) return { is: 'unknown' }
  const end = idEndOf(code)
  const isOf = (tree: Tree) => idEndOf(tagCode(tree.treeId)) === end
  if (isOf(meant)) return { is: 'meant' }
  const tree = others.find(isOf)
  return tree ? { is: 'another', tree } : { is: 'unknown' }
}
