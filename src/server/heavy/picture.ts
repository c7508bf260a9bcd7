import sharp from 'sharp'

// A process of its own for one picture: what it decodes with cannot be stopped inside a thread, a process can be ended.
// Bytes come in on standard input; a line with width and height and then the JPEG go out on standard output.

/** The longest side a kept picture has, pixels: enough to see an exit hole on a hand's width of bark. */
const LONGEST = 1600
/** More pixels than any camera in a pocket writes unless told to; asked of the head, before anything is decoded. */
const MOST_PIXELS = 60_000_000
/** A picture that is sent line by line over and over is decoded as a whole first. */
const MOST_INTERLACED = 16_000_000
const KINDS = new Set(['jpeg', 'png', 'webp'])

sharp.concurrency(1)
sharp.cache(false)

async function main() {
  const parts: Buffer[] = []
  for await (const part of process.stdin) parts.push(part as Buffer)
  const bytes = Buffer.concat(parts)
  const head = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata()
  const pixels = (head.width ?? 0) * (head.height ?? 0) * Math.max(1, head.pages ?? 1)
  if (!KINDS.has(head.format ?? '')) throw new Error('kind')
  if (pixels > MOST_PIXELS || (head.format !== 'jpeg' && head.isProgressive && pixels > MOST_INTERLACED))
    throw new Error('pixels')
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    .rotate()
    .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 80, mozjpeg: false })
    .toBuffer({ resolveWithObject: true })
  process.stdout.write(`${info.width} ${info.height}\n`)
  process.stdout.write(data)
}

main().catch((error: Error) => {
  process.stderr.write(error.message === 'pixels' || /pixel limit/.test(error.message) ? 'pixels' : 'kind')
  process.exitCode = 2
})
