/** How a text file was written. */
export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252'

/**
 * A file as text: UTF-8 with or without its mark, UTF-16 with its mark or with every other byte empty, else Windows-1252. Null for what
 * is no text at all: a picture, a workbook, an archive.
 */
export function decoded(bytes: Uint8Array): { text: string; encoding: Encoding } | null {
  const [a, b, c] = bytes
  const as = (label: string) => new TextDecoder(label, { fatal: true })
  try {
    if (a === 0xff && b === 0xfe) return { text: as('utf-16le').decode(bytes), encoding: 'UTF-16' }
    if (a === 0xfe && b === 0xff) return { text: as('utf-16be').decode(bytes), encoding: 'UTF-16' }
    if (a === 0xef && b === 0xbb && c === 0xbf) return { text: as('utf-8').decode(bytes), encoding: 'UTF-8' }
    const empty = emptyBytes(bytes.subarray(0, 2000))
    if (empty.odd > 300 && empty.even === 0) return { text: as('utf-16le').decode(bytes), encoding: 'UTF-16' }
    if (empty.even > 300 && empty.odd === 0) return { text: as('utf-16be').decode(bytes), encoding: 'UTF-16' }
    if (empty.odd + empty.even > 0) return null
  } catch {
    return null
  }
  try {
    return { text: as('utf-8').decode(bytes), encoding: 'UTF-8' }
  } catch {
    // Bytes that no text has: control characters beside tabs and line ends.
    for (const byte of bytes.subarray(0, 4000))
      if (byte < 0x20 && byte !== 0x09 && byte !== 0x0a && byte !== 0x0d && byte !== 0x0c) return null
    return { text: fromWindows1252(bytes), encoding: 'Windows-1252' }
  }
}

/** What Windows-1252 has where Latin-1 has control characters, from 0x80 on; a few places are empty. */
const FROM_0X80 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'

function fromWindows1252(bytes: Uint8Array): string {
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
    .toString('latin1')
    .replace(/[\u0080-\u009f]/g, (c) => FROM_0X80[c.charCodeAt(0) - 0x80]!)
}

function emptyBytes(bytes: Uint8Array): { even: number; odd: number } {
  let [even, odd] = [0, 0]
  bytes.forEach((byte, i) => {
    if (byte !== 0) return
    if (i % 2 === 0) even++
    else odd++
  })
  return { even, odd }
}
