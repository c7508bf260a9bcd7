import { layoutPorts, type LayoutInput } from '@/core/ports/layout'
import { toSI } from '@/core/quantity/units'

/** The ports solver on whole circles of 360 bearings, in Node. */
const inch = (n: number) => toSI(n, 'in')
const trunk = (count: number, maxGap?: number): LayoutInput => ({
  portGirth: inch(120),
  count,
  minSpacing: inch(2),
  maxGap: maxGap === undefined ? undefined : inch(maxGap),
  flares: [10, 75, 140, 205, 280].map((bearing) => ({ bearing, halfWidth: 24 })),
  exclusions: [{ from: 95, to: 118 }],
  thinSectors: [{ from: 300, to: 40, severity: 0.6 }],
  earlierHoles: [10, 140, 280].map((bearing) => ({ bearing, years: 1 })),
})

console.log('\n| ports solver, Node | first call, ms | p50, ms | p95, ms |\n| --- | ---: | ---: | ---: |')
for (const [name, input] of [
  ['9 ports, gap 16 in', trunk(9, 16)],
  ['24 ports, gap 11 in', trunk(24, 11)],
  ['24 ports, gap 6 in, cannot be met', trunk(24, 6)],
  ['32 ports, no gap rule', trunk(32)],
] as const) {
  const times = Array.from({ length: 60 }, () => {
    const began = performance.now()
    layoutPorts(input)
    return performance.now() - began
  })
  const sorted = [...times].sort((a, b) => a - b)
  console.log(`| ${name} | ${times[0]!.toFixed(1)} | ${sorted[30]!.toFixed(1)} | ${sorted[57]!.toFixed(1)} |`)
}
