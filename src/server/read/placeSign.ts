import { inFirm } from '@/db/client'
import { closureOf, type PlaceClosure } from '@/db/queries/closure'
import { placeCode, placeOfCode } from '../messages/placeCode'
import { serverEnvironment } from '../environment'
import { isId, reading } from './reader'

/** What the sign of a place says to whoever reads its code; null where the code leads nowhere. */
export async function placeOfSign(code: string): Promise<PlaceClosure | null> {
  const place = placeOfCode(code)
  if (!place) return null
  return (await inFirm(place.firmId, (sql) => closureOf(sql, place.siteId))) ?? null
}

/** The sign of a site, to be printed: how it stands, and the address its code leads to. */
export function signView(siteId: string) {
  return reading(async ({ sql, person }) => {
    const closure = isId(siteId) ? await closureOf(sql, siteId) : undefined
    if (!closure) return null
    const { PUBLIC_URL } = serverEnvironment()
    return { ...closure, path: `/closed/${placeCode(person.firmId, siteId)}`, origin: PUBLIC_URL ?? null }
  })
}

export type SignView = NonNullable<Awaited<ReturnType<typeof signView>>>
