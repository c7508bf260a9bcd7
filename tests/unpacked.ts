import { openPromise } from 'yauzl'

/** The files of a zip by another reader than its writer. */
export async function unpacked(file: string): Promise<Map<string, Buffer>> {
  const zip = await openPromise(file, { autoClose: false })
  const files = new Map<string, Buffer>()
  for await (const entry of zip.eachEntry()) {
    const pieces: Buffer[] = []
    for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece as Buffer)
    files.set(entry.fileName, Buffer.concat(pieces))
  }
  zip.close()
  return files
}
