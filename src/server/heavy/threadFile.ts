import { existsSync } from 'node:fs'
import path from 'node:path'

/** The bundled file of a thread or process; the source itself where nothing was bundled, as in tests. */
export function threadFile(name: string): { filename: string; execArgv: string[] } {
  const bundled = path.join(process.cwd(), '.threads', `${name}.mjs`)
  return existsSync(bundled)
    ? { filename: bundled, execArgv: [] }
    : {
        filename: path.join(process.cwd(), 'src/server/heavy', `${name}.ts`),
        execArgv: ['--import', 'tsx'],
      }
}
