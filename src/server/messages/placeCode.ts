import { createHmac, timingSafeEqual } from 'node:crypto'
import { serverEnvironment } from '../environment'
import { isId } from '../id'

/** As many bytes of the seal stand in a code; nobody guesses one. */
const SEAL = 12

const bytesOf = (id: string) => Buffer.from(id.replaceAll('-', ''), 'hex')
const idOf = (bytes: Buffer) =>
  bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
const sealOf = (bytes: Buffer) =>
  createHmac('sha256', serverEnvironment().SESSION_SECRET)
    .update('place')
    .update(bytes)
    .digest()
    .subarray(0, SEAL)

/** The code on the sign of a site: it tells whoever reads it whether the place is closed, and nothing else of the firm. */
export function placeCode(firmId: string, siteId: string): string {
  const bytes = Buffer.concat([bytesOf(firmId), bytesOf(siteId)])
  return Buffer.concat([bytes, sealOf(bytes)]).toString('base64url')
}

/** Which site a code is of; null for one that was not made here. */
export function placeOfCode(code: string): { firmId: string; siteId: string } | null {
  if (!/^[\w-]{59}$/.test(code)) return null
  const bytes = Buffer.from(code, 'base64url')
  const [ids, seal] = [bytes.subarray(0, 32), bytes.subarray(32)]
  if (seal.length !== SEAL || !timingSafeEqual(seal, sealOf(ids))) return null
  const [firmId, siteId] = [idOf(ids.subarray(0, 16)), idOf(ids.subarray(16))]
  return isId(firmId) && isId(siteId) ? { firmId, siteId } : null
}
