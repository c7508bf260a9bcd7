import { ask } from '@/calc/calculators'
import { checkLedger as check } from '../ledger/check'
import { readStrictJson } from '../strictJson'
import { runAfterPages } from './nice'
import type { HeavyTasks } from './pool'

runAfterPages()

/** Reads a question and puts it to a calculator; null for text that is no JSON. */
export function reckon({ name, text }: HeavyTasks['reckon']['input']): HeavyTasks['reckon']['output'] {
  const json = readStrictJson(text)
  if (json === null) return null
  return 'problem' in json ? { ok: false, problem: json.problem } : ask(name, json.value)
}

/** Checks a firm's whole ledger. */
export function checkLedger({
  firmId,
}: HeavyTasks['check-ledger']['input']): Promise<HeavyTasks['check-ledger']['output']> {
  return check(firmId)
}
