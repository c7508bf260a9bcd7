import { looksNeeded, NO_WORK, PRODUCT, rehearse, type Engine } from '@/almanac/rehearsal'
import { report } from '@/almanac/report'
import { cause as causeOf, CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { HOSTS } from '@/almanac/hosts'
import { weighTree } from '@/almanac/weighing'
import { seeded } from '@/core/decide/random'
import { decisionOf } from '@/core/diagnose/weigh'
import { judge } from './baseline/judge'
import { healthyChance, nextChecks, weigh } from './baseline/weigh'

/** The engine that weighed causes as rivals, on the same almanac: what it would have done is what its leader calls for. */
const RIVALS: Engine = {
  weigh(host, month, seen) {
    const input = { host, month, seen, causes: CAUSES, findings: FINDING_BY_ID }
    const weighed = weigh(input)
    const chance = healthyChance(input)
    const judged = judge({ ...input, weighed, checks: nextChecks(input, 1) })
    const lead = weighed[0]!
    const told = chance > 0.5 || lead.probability < 0.3 ? [] : [lead.cause]
    const feeders = told.length > 0 ? judged.chains.filter((c) => c.role === 'feeds').map((c) => c.cause) : []
    const works = [...told, ...feeders].flatMap((id) => causeOf(id) ?? []).map(decisionOf)
    return {
      weighed: [{ cause: 'healthy', probability: chance }, ...weighed].sort(
        (a, b) => b.probability - a.probability,
      ),
      works: [...new Set(works)].filter((d) => !NO_WORK.includes(d)),
    }
  },
}

/** How good the weighing is on made-up trees, beside the engine it took the place of, and what the almanac does not part. */
const percent = (share: number) => `${(share * 100).toFixed(1)} %`
console.log(
  '\n| 5,000 made-up trees, 1 % of looks wrong, 2 % unsure | engine | a main cause leads | all among three | healthy called so | calibration error | needless per 100 | missed per 100 |\n| --- | --- | ---: | ---: | ---: | ---: | ---: | ---: |',
)
let perHost: ReturnType<typeof rehearse>[string]['perHost'] = new Map()
for (const looked of [1, 0.85]) {
  const r = rehearse(5000, { looked, wrong: 0.01, unsure: 0.02 }, seeded(41), {
    explanations: PRODUCT,
    rivals: RIVALS,
  })
  for (const [name, c] of Object.entries(r))
    console.log(
      `| ${percent(looked)} of the findings looked at | ${name} | ${percent(c.leads)} | ${percent(c.allInThree)} | ${percent(c.healthy)} | ${c.error.toFixed(3)} | ${c.needless.toFixed(1)} | ${c.missed.toFixed(1)} |`,
    )
  if (looked === 1) perHost = r.explanations!.perHost
}
const n = looksNeeded(60, seeded(43))
console.log(
  `\nlooks until asking stops, from one sign, ${n.trees} trees: ${n.asked.toFixed(1)} as asked, ${n.shuffled.toFixed(1)} in random order, ${n.walked.toFixed(1)} in the order of the walk; the leader was right in ${percent(n.right)}`,
)
console.log(
  `a main cause leads, by host: ${[...perHost].map(([h, x]) => `${h} ${percent(x.leads / x.trees)}`).join(', ')}`,
)
const thin = HOSTS.filter((h) => CAUSES.filter((c) => c.hosts !== '*' && c.hosts.includes(h.id)).length < 8)
console.log(`hosts with fewer than eight causes of their own: ${thin.map((h) => h.id).join(', ')}`)
const times = HOSTS.map((h) => {
  const once = () => weighTree(h.id, 6, { 'crown-thin-top': 'there', 'leaf-sticky': 'not-there' })
  for (let i = 0; i < 5; i++) once()
  const began = performance.now()
  for (let i = 0; i < 20; i++) once()
  return (performance.now() - began) / 20
}).sort((a, b) => a - b)
console.log(
  `one weighing with its next looks: p50 ${times[Math.floor(times.length / 2)]!.toFixed(1)} ms, slowest host ${times.at(-1)!.toFixed(1)} ms`,
)

console.log(`\n${report()}`)
