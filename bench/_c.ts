import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { HOSTS } from '@/almanac/hosts'
import { seeded } from '@/core/decide/random'
import { drawCase, examined } from '@/core/diagnose/simulate'
import { calibrate } from '@/core/diagnose/calibration'
import { weigh } from '@/core/diagnose/weigh'
for (const looked of [0.6,0.85,0.95,1]) {
const r = seeded(5); const out=[]; const bad: Record<string,number>={}
const t=performance.now()
for (let i=0;i<3000;i++){ const host=HOSTS[Math.floor(r()*HOSTS.length)]!.id; const month=1+Math.floor(r()*12)
 const c=drawCase(host,month,CAUSES,FINDING_BY_ID,r); const seen=examined(c,FINDING_BY_ID,r,{looked,wrong:0.02,unsure:0.05})
 const w=weigh({host,month,seen,causes:CAUSES,findings:FINDING_BY_ID}); const rank=w.findIndex(x=>x.cause===c.cause)+1
 if(rank>1){const k=c.cause+' > '+w[0]!.cause; bad[k]=(bad[k]??0)+1}
 out.push({probability:w[0]!.probability,rank}) }
console.log(looked, calibrate(out), ((performance.now()-t)/3000).toFixed(2),'ms'); if(looked===0.95) console.log(Object.entries(bad).sort((a,b)=>b[1]-a[1]).slice(0,25)) }
