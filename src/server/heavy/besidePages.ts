import { fork, type ChildProcess } from 'node:child_process'
import { setPriority } from 'node:os'
import { threadFile } from './threadFile'

interface Keeper {
  child: ChildProcess
  asked: Map<number, (matches: boolean) => void>
  next: number
}

const holder = globalThis as unknown as { elmhornPasswords?: Keeper }

/** Puts a process after the pages in line for a core. Where that cannot be set, it is at least beside them. */
export function runAfter(pid: number | undefined): void {
  try {
    if (pid !== undefined) setPriority(pid, 15)
  } catch {
    // Not on this system.
  }
}

function keeper(): Keeper {
  if (holder.elmhornPasswords?.child.connected) return holder.elmhornPasswords
  const { filename, execArgv } = threadFile('passwords')
  const child = fork(filename, { execArgv, env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV } })
  runAfter(child.pid)
  child.unref()
  child.channel?.unref()
  const asked = new Map<number, (matches: boolean) => void>()
  child.on('message', ({ id, matches }: { id: number; matches: boolean }) => {
    asked.get(id)?.(matches)
    asked.delete(id)
  })
  // Whoever was being looked at when it ended is asked to try again, not let in.
  child.on('exit', () => {
    for (const answer of asked.values()) answer(false)
    asked.clear()
  })
  return (holder.elmhornPasswords = { child, asked, next: 1 })
}

/** True when the password belongs to the hash; looked at beside the process that serves pages. */
export function verifyBesidePages(hash: string, password: string): Promise<boolean> {
  const k = keeper()
  const id = k.next++
  return new Promise((resolve) => {
    k.asked.set(id, resolve)
    k.child.send({ id, hash, password }, (error) => {
      if (!error) return
      k.asked.delete(id)
      resolve(false)
    })
  })
}
