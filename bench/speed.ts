import { weighTree } from '@/almanac/weighing'
import { HOSTS } from '@/almanac/hosts'
const SEEN = [{ 'crown-thin-top': 'there', 'leaf-sticky': 'not-there' }, { 'leaf-black-film': 'there', 'leaf-sticky': 'there' }, { 'flagging-limb': 'there' }] as const
const t: number[] = []
for (let r = 0; r < 8; r++) for (const h of HOSTS) for (const s of SEEN) { const b = performance.now(); weighTree(h.id, 6, s); if (r > 2) t.push(performance.now() - b) }
t.sort((a, b) => a - b)
console.log('p50', t[t.length >> 1]!.toFixed(2), 'p95', t[Math.floor(t.length * .95)]!.toFixed(2), 'max', t.at(-1)!.toFixed(1))
