import { ok, refuse, type Result } from '@/core/problem'
import { newestVersion, useById, type UseRow } from '@/db/queries/card'
import type { Context } from './verb'

/** A use of the newest version of its card; a replaced one is worked by no more. */
export async function useOnShelf({ sql }: Pick<Context, 'sql'>, useId: string): Promise<Result<UseRow>> {
  const row = await useById(sql, useId)
  if (!row) return refuse('unknown', 'useId', 'There is no such label card.')
  const { product } = row
  const newest = await newestVersion(sql, product.code)
  return newest > product.version
    ? refuse(
        'conflict',
        'useId',
        `${product.name} v${product.version} was replaced by v${newest} since this page was opened; load it again and work the dose out by the new card.`,
      )
    : ok(row)
}
