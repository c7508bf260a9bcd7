import { seal } from '@/server/ledger/seal'
import { makeScaleFirm, LARGE } from './scaleFirm'
makeScaleFirm(process.env.DATABASE_OWNER_URL!, { ...LARGE, seal }, '2026-06-12', console.log).catch((e) => { console.error(e); process.exit(1) })
