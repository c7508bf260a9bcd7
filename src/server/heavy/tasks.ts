import { ask } from '@/calc/calculators'
import { checkLedger as check } from '../ledger/check'
import { readStrictJson } from '../strictJson'
import { runAfterPages } from './nice'
import type { HeavyTasks } from './pool'
import { programs } from './programs'
import { weekHelper } from './week'

runAfterPages()

/** Reads a question and puts it to a calculator; null for text that is no JSON. */
export function reckon({ name, text }: HeavyTasks['reckon']['input']): HeavyTasks['reckon']['output'] {
  const json = readStrictJson(text)
  if (json === null) return null
  return 'problem' in json ? { ok: false, problem: json.problem } : ask(name, json.value)
}

/** The same for what takes many seconds, with a solver of linear programs and a second thread. */
export async function reckonWeek({
  text,
}: HeavyTasks['week']['input']): Promise<HeavyTasks['week']['output']> {
  const json = readStrictJson(text)
  if (json === null) return null
  return 'problem' in json
    ? { ok: false, problem: json.problem }
    : ask('week', json.value, { program: await programs(), helper: weekHelper })
}

/** Checks a firm's whole ledger. */
export function checkLedger({
  firmId,
}: HeavyTasks['check-ledger']['input']): Promise<HeavyTasks['check-ledger']['output']> {
  return check(firmId)
}
