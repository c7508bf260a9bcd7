import { createHash } from 'node:crypto'
import { readFile, readdir } from 'node:fs/promises'
import path from 'node:path'

/** Letters of the languages that pages are written in; others are fetched when they are needed. */
const FONT = /-latin-(ext-)?wght-normal\..*\.woff2$/

/** Where a build lies. */
const dist = () => path.join(process.cwd(), process.env.NEXT_DIST_DIR ?? '.next')
const json = async <T>(...parts: string[]) =>
  JSON.parse(await readFile(path.join(dist(), ...parts), 'utf8')) as T

/** How a script of the build names another that it fetches when it is needed. */
const FETCHED = /static\/chunks\/[\w.~-]+\.(?:js|css)/g

/** Scripts with all that they fetch later, and what that fetches: a part that a press opens has to be there as well. */
async function withFetched(scripts: readonly string[]): Promise<Set<string>> {
  const all = new Set(scripts)
  // What is added while it is gone through is gone through too.
  for (const script of all) {
    if (!script.endsWith('.js')) continue
    const text = await readFile(path.join(dist(), script), 'utf8')
    for (const [name] of text.matchAll(FETCHED)) all.add(name)
  }
  return all
}

/** Everything that the shell loads, as the build names it: scripts, those that a press opens, styles and fonts. */
async function filesOfShell(): Promise<string[]> {
  const page = 'server/app/field/page'
  const [build, later, said, media] = await Promise.all([
    json<{ rootMainFiles: string[] }>('build-manifest.json'),
    json<Record<string, { files: string[] }>>(page, 'react-loadable-manifest.json'),
    readFile(path.join(dist(), `${page}_client-reference-manifest.js`), 'utf8'),
    readdir(path.join(dist(), 'static/media')),
  ])
  // The manifest is a script that fills one global; the last `=` begins what it is.
  const manifest = JSON.parse(said.slice(said.indexOf('] = ') + 4).replace(/;\s*$/, '')) as {
    entryJSFiles: Record<string, string[]>
    entryCSSFiles: Record<string, { path: string }[]>
  }
  const scripts = await withFetched([
    ...build.rootMainFiles,
    ...Object.values(manifest.entryJSFiles).flat(),
    ...Object.values(later).flatMap((l) => l.files),
  ])
  return [
    ...new Set([
      ...scripts,
      ...Object.values(manifest.entryCSSFiles).flatMap((css) => css.map((c) => c.path)),
      ...media.filter((name) => FONT.test(name)).map((name) => `static/media/${name}`),
    ]),
  ].sort()
}

let made: Promise<string> | null = null

/** The service worker with the list of what it keeps; it changes with every build, and with nothing else. */
export function workerScript(): Promise<string> {
  return (made ??= (async () => {
    const [files, script] = await Promise.all([
      filesOfShell(),
      readFile(path.join(process.cwd(), '.threads/fieldWorker.js'), 'utf8'),
    ])
    // What a file is called says what is in it; the shell names its files.
    const revision = createHash('sha256').update(files.join()).digest('base64url').slice(0, 16)
    const keeps = [
      { url: '/field', revision },
      ...files.map((file) => ({ url: `/_next/${file}`, revision: null })),
    ]
    return `self.FIELD = ${JSON.stringify(keeps)};\n${script}`
  })().catch((error: unknown) => {
    made = null
    throw error
  }))
}
