import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'

/** Where the runs of one test keep their own. */
export const folder = mkdtempSync(path.join(tmpdir(), 'elmhorn-own-'))
/** The environment without what would name a database or a key. */
const ENV = Object.fromEntries(
  Object.entries(process.env).filter(
    ([k]) => !/^(DATABASE|LEDGER|SESSION|WEATHER|ELMHORN|PUBLIC_URL|OUTBOX|PORT|HOST|NODE_ENV)/.test(k),
  ),
)
/** The environment of one firm's own folder. */
export const own = (name: string): NodeJS.ProcessEnv => ({
  ...ENV,
  NODE_ENV: 'production',
  ELMHORN_DATA: path.join(folder, name),
  OUTBOX_DIR: path.join(folder, name, 'outbox'),
})

export const freePort = () =>
  new Promise<number>((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number }
      s.close(() => resolve(port))
    })
  })

export interface Served {
  base: string
  code: string | null
  stop: () => Promise<number | null>
  /** Ends the app as a lost machine does; what started it goes with it. */
  kill: () => Promise<void>
}
const running: ChildProcess[] = []

/** Starts `bin/serve` and waits until it says where it is. */
export async function serve(name: string, more: Readonly<Record<string, string>> = {}): Promise<Served> {
  const port = await freePort()
  const child = spawn('bash', ['bin/serve'], {
    env: { ...own(name), PORT: String(port), TRUST_PROXY: '1', ...more },
  })
  running.push(child)
  let said = ''
  await new Promise<void>((resolve, reject) => {
    const hear = (piece: Buffer) => {
      said += piece.toString()
      if (/Elmhorn is at .*\n/.test(said)) setTimeout(resolve, 300)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', (piece: Buffer) => (said += piece.toString()))
    child.on('exit', () => reject(new Error(said)))
  })
  return {
    base: `http://127.0.0.1:${port}`,
    code: /Set-up code: (\S+)/.exec(said)?.[1] ?? null,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', (code) => resolve(code))
        child.kill('SIGTERM')
      }),
    kill: () =>
      new Promise((resolve) => {
        child.on('exit', () => resolve())
        execFileSync('pkill', ['-9', '-P', String(child.pid), '-f', 'serve.mjs'])
      }),
  }
}

/** Ends what still runs and takes the folder away. */
export function cleanUp(): void {
  for (const child of running) child.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}

/** A firm and its first person, as they are set up. */
export const SETUP = {
  firm: {
    name: 'Fennick Tree Care',
    town: 'Larkwell',
    latitude: 42.31,
    longitude: -75.22,
    timeZone: 'America/New_York',
    units: 'us',
    jurisdiction: 'united-states',
  },
  person: {
    name: 'Ilse Fennick',
    email: 'ilse@fennick.example',
    password: 'four words in a row',
    licence: 'FX-1',
  },
}
