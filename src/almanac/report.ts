import { chanceThere, causesOf } from '@/core/diagnose/weigh'
import { CAUSES } from './causes'
import { FINDINGS } from './findings'
import { HOSTS } from './hosts'
import { checkAlmanac } from './schema'

/** Findings that part two causes by at least this are a check worth making. */
const PARTS = 0.5

/** What the almanac covers and what it does not: causes per host, findings that part nothing, pairs nothing parts. */
export function coverage() {
  const perHost = HOSTS.map((h) => ({ host: h.id, causes: causesOf(h.id, CAUSES).length }))
  const unparted = new Set<string>()
  const parting = new Set<string>()
  for (const h of HOSTS) {
    const own = causesOf(h.id, CAUSES)
    for (const [i, a] of own.entries())
      for (const b of own.slice(i + 1)) {
        const found = FINDINGS.filter(
          (f) => f.place !== 'lab' && Math.abs(chanceThere(f, a) - chanceThere(f, b)) >= PARTS,
        )
        for (const f of found) parting.add(f.id)
        if (found.length === 0) unparted.add(`${a.id} and ${b.id}`)
      }
  }
  return {
    perHost,
    partNothing: FINDINGS.filter((f) => f.place !== 'lab' && !parting.has(f.id)).map((f) => f.id),
    unparted: [...unparted],
  }
}

/** `npm run almanac`: checks every entry and prints the coverage. Also run before each build. */
export function report(): string {
  checkAlmanac()
  const c = coverage()
  return [
    `${CAUSES.length} causes, ${FINDINGS.length} findings, ${HOSTS.length} hosts: every entry is whole.`,
    `Causes per host: ${c.perHost.map((h) => `${h.host} ${h.causes}`).join(', ')}.`,
    `Findings that part no pair by half: ${c.partNothing.join(', ') || 'none'}.`,
    `Pairs on one host that no single finding parts by half: ${c.unparted.join('; ') || 'none'}.`,
  ].join('\n')
}
