import { ALSO_CALLED } from './alsoCalled'
import { CAUSES } from './causes'
import { FINDINGS } from './findings'
import { HOSTS } from './hosts'
import type { OwnEntry } from './ownEntry'

export interface Called {
  kind: 'cause' | 'finding' | 'host'
  id: string
  name: string
  /** How well the text fits: 0 the whole name, 1 its beginning, 2 the beginning of a word, 3 within. */
  fits: number
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/**
 * Entries of the almanac by any name people use for them, the best fit first. `entriesCalled('EAB')[0].id` is
 * `emerald-ash-borer`; a word on the screen, an old name, a Latin one and the letters of a crew all lead there. `own` is what the
 * firm has added: its kinds, causes and findings are found like any other.
 */
export function entriesCalled(text: string, most = 6, own: readonly OwnEntry[] = []): Called[] {
  const wanted = plain(text)
  if (wanted === '') return []
  const found: Called[] = []
  const look = (kind: Called['kind'], id: string, name: string, names: readonly string[]) => {
    let fits = 9
    for (const n of names.map(plain)) {
      if (n === wanted) fits = Math.min(fits, 0)
      else if (n.startsWith(wanted)) fits = Math.min(fits, 1)
      else if (` ${n}`.includes(` ${wanted}`)) fits = Math.min(fits, 2)
      else if (wanted.length >= 4 && n.includes(wanted)) fits = Math.min(fits, 3)
    }
    if (fits < 9) found.push({ kind, id, name, fits })
  }
  for (const h of HOSTS) look('host', h.id, h.name, [h.name, h.botanical, ...(ALSO_CALLED[h.id] ?? [])])
  for (const c of CAUSES) look('cause', c.id, c.name, [c.name, c.id, ...(ALSO_CALLED[c.id] ?? [])])
  for (const f of FINDINGS) look('finding', f.id, f.name, [f.name])
  for (const e of own) {
    if (e.kind === 'host') look('host', e.id, e.name, [e.name, e.botanical])
    if (e.kind === 'cause' || e.kind === 'finding') look(e.kind, e.id, e.name, [e.name])
  }
  const order = { cause: 0, host: 1, finding: 2 }
  return found
    .sort((a, b) => a.fits - b.fits || order[a.kind] - order[b.kind] || (a.name < b.name ? -1 : 1))
    .slice(0, most)
}
