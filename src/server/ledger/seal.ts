import { createHash, createPrivateKey, createPublicKey, sign, verify, type KeyObject } from 'node:crypto'
import type { SealRow } from '@/db/queries/seal'
import { serverEnvironment } from '../environment'

interface LedgerKey {
  id: string
  secret: KeyObject
  open: KeyObject
}

// What wraps a bare 32-byte seed as a private key of this kind (RFC 8410).
const ED25519 = Buffer.from('302e020100300506032b657004220420', 'hex')

let keys: { from: string; keys: LedgerKey[] } | undefined

/** The keys of the environment: the first seals, all are believed. */
function ledgerKeys(): LedgerKey[] {
  const { LEDGER_KEY } = serverEnvironment()
  if (keys?.from !== LEDGER_KEY)
    keys = {
      from: LEDGER_KEY,
      keys: LEDGER_KEY.split(',').map((seed) => {
        const secret = createPrivateKey({
          key: Buffer.concat([ED25519, Buffer.from(seed.trim(), 'hex')]),
          format: 'der',
          type: 'pkcs8',
        })
        const open = createPublicKey(secret)
        const id = createHash('sha256')
          .update(open.export({ format: 'der', type: 'spki' }))
          .digest('hex')
          .slice(0, 16)
        return { id, secret, open }
      }),
    }
  return keys.keys
}

/** The keys by which seals are made and believed, each by its fingerprint; nothing of the keys themselves. */
export function keyNames(): string[] {
  return ledgerKeys().map((k) => k.id)
}

type Sealed = Pick<SealRow, 'firmId' | 'seq' | 'hash' | 'sealedAt'>

function covered(s: Sealed): Buffer {
  return Buffer.from(`elmhorn seal\n${s.firmId}\n${s.seq}\n${s.hash}\n${s.sealedAt.toISOString()}`, 'utf8')
}

/** Seals an entry of the chain: a signature over firm, number, hash and time. */
export function seal(s: Sealed): SealRow {
  const key = ledgerKeys()[0]!
  return { ...s, key: key.id, signature: sign(null, covered(s), key.secret).toString('base64url') }
}

/** True when a seal was made with one of our keys over exactly this. */
export function isTrueSeal(s: SealRow): boolean {
  const key = ledgerKeys().find((k) => k.id === s.key)
  return key !== undefined && verify(null, covered(s), key.open, Buffer.from(s.signature, 'base64url'))
}
