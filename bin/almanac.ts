import { report } from '@/almanac/report'

console.log(report())
