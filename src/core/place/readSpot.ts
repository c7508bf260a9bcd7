import { ok, refuse, type Result } from '../problem'
import type { Spot } from './onGlobe'

const ONE = String.raw`([+\u2212-]?\d{1,3}(?:\.\d+)?)\s*°?\s*([NSEW])?`
const BOTH = new RegExp(String.raw`^\s*${ONE}\s*[,;\s]\s*${ONE}\s*$`, 'i')

/**
 * Reads a place as devices and maps write it: degrees north, then degrees east, with signs or letters. Problem: `bad-quantity`, field
 * `coordinates`.
 * @example readSpot('42.3121, -75.2179').value.latitude // 42.3121
 */
export function readSpot(text: string): Result<Spot> {
  const read = BOTH.exec(text)
  const degrees = (number: string, letter = '') =>
    Number(number.replace('\u2212', '-')) * (/[SW]/i.test(letter) ? -1 : 1)
  const [, north = '', ns, east = '', ew] = read ?? []
  const [latitude, longitude] = [degrees(north, ns), degrees(east, ew)]
  const swapped = /[EW]/i.test(ns ?? '') || /[NS]/i.test(ew ?? '')
  return read && !swapped && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180
    ? ok({ latitude, longitude })
    : refuse(
        'bad-quantity',
        'coordinates',
        'Type degrees north, then degrees east, such as 42.31214, \u221275.21790.',
      )
}
