import { ask } from '@/calc/calculators'
import { checkLedger as check } from '../ledger/check'
import { runAfterPages } from './nice'
import type { HeavyTasks } from './pool'

runAfterPages()

/** Puts a question to a calculator. */
export function reckon({ name, body }: HeavyTasks['reckon']['input']): HeavyTasks['reckon']['output'] {
  return ask(name, body)
}

/** Checks a firm's whole ledger. */
export function checkLedger({
  firmId,
}: HeavyTasks['check-ledger']['input']): Promise<HeavyTasks['check-ledger']['output']> {
  return check(firmId)
}
