import { checksNeeded, rehearse } from '@/almanac/rehearsal'
import { report } from '@/almanac/report'
import { HOSTS } from '@/almanac/hosts'
import { weighTree } from '@/almanac/weighing'
import { seeded } from '@/core/decide/random'

/** How good the weighing is on made-up trees, and what the almanac does not part. */
const percent = (share: number) => `${(share * 100).toFixed(1)} %`
console.log(
  '\n| 5,000 made-up trees, 2 % of looks wrong, 3 % unsure | leads | among three | calibration error |\n| --- | ---: | ---: | ---: |',
)
for (const looked of [1, 0.95, 0.85, 0.6]) {
  const c = rehearse(5000, { looked, wrong: 0.02, unsure: 0.03 }, seeded(41))
  console.log(
    `| ${percent(looked)} of the findings looked at | ${percent(c.top1)} | ${percent(c.top3)} | ${c.error.toFixed(3)} |`,
  )
}
const n = checksNeeded(600, seeded(43))
console.log(
  `\nchecks until a cause leads with 0.85, from one sign, 600 trees: ${n.asked.toFixed(1)} as asked, ${n.shuffled.toFixed(1)} in random order, ${n.all.toFixed(1)} in all; the leader was right in ${percent(n.right)}`,
)
const times = HOSTS.map((h) => {
  const began = performance.now()
  for (let i = 0; i < 20; i++) weighTree(h.id, 6, { 'crown-thin-top': 'there', 'leaf-sticky': 'not-there' })
  return (performance.now() - began) / 20
}).sort((a, b) => a - b)
console.log(
  `one question with its next checks: p50 ${times[18]!.toFixed(1)} ms, slowest host ${times.at(-1)!.toFixed(1)} ms`,
)

console.log(`\n${report()}`)
