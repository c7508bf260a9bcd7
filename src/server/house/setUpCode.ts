import { createHmac, timingSafeEqual } from 'node:crypto'
import { settingUp } from '@/db/client'
import { firmSetUp } from '@/db/queries/house'
import { serverEnvironment } from '../environment'

/** Letters and digits that are not taken for each other. */
const ALPHABET = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'

/**
 * The code that whoever started the server reads in its words, and types to set up the first firm. It comes from the secret that all
 * copies of the app share, so that any of them may say it and any may take it.
 */
export function setUpCode(): string {
  const mac = createHmac('sha256', serverEnvironment().SESSION_SECRET).update('set-up').digest()
  const letters = [...mac.subarray(0, 8)].map((b) => ALPHABET[b % ALPHABET.length]!).join('')
  return `${letters.slice(0, 4)}-${letters.slice(4)}`
}

/** True for the code, however it is typed: small letters, without its dash. */
export function isSetUpCode(typed: string): boolean {
  const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, '')
  const [a, b] = [Buffer.from(plain(typed)), Buffer.from(plain(setUpCode()))]
  return a.length === b.length && timingSafeEqual(a, b)
}

/** True while no firm was set up here. */
export async function isToBeSetUp(): Promise<boolean> {
  return (await settingUp(null, firmSetUp)) === null
}
