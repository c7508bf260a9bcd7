import type { Values } from './lines'

/** A figure of the plans of several trees, added up. `inAll([{ posts: 4 }, { posts: 5 }], 'posts') === 9` */
export function inAll(shapes: readonly Values[], figure: string): number {
  return shapes.reduce((sum, shape) => sum + Number(shape[figure] ?? 0), 0)
}
