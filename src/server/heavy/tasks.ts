import { kindCalled } from '@/almanac/kindCalled'
import { ask } from '@/calc/calculators'
import { refuse } from '@/core/problem'
import { planStops } from '@/core/roster/planStops'
import { mendedList, readList } from '@/core/treeList/readList'
import { checkLedger as check } from '../ledger/check'
import { readStrictJson } from '../strictJson'
import { tagSheet } from '../tags/tagSheet'
import { readFile } from '../trees/readFile'
import { runAfterPages } from './nice'
import type { HeavyTasks, WeekNews } from './pool'
import { programs } from './programs'
import { weekHelper } from './week'

runAfterPages()

/** Answers once the thread is up, which takes seconds on a busy machine. */
export function awake(): void {}

/** Reads a question and puts it to a calculator; null for text that is no JSON. */
export function reckon({ name, text, own }: HeavyTasks['reckon']['input']): HeavyTasks['reckon']['output'] {
  const json = readStrictJson(text)
  if (json === null) return null
  return 'problem' in json ? { ok: false, problem: json.problem } : ask(name, json.value, { own })
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

/** Plans a firm's own week; tells every better plan, at most twice a second. */
export async function planFirmWeek({
  roster,
  stops,
  anew,
  seconds,
  port,
}: HeavyTasks['plan-week']['input']): Promise<HeavyTasks['plan-week']['output']> {
  try {
    let told = { at: -1, objective: Infinity, bound: -1 }
    return planStops(roster, stops, {
      anew,
      program: await programs(),
      helper: weekHelper,
      seconds,
      tell: (now, plan) => {
        if (now.seconds < told.at + 0.5 || (now.objective === told.objective && now.bound === told.bound))
          return
        told = { at: now.seconds, ...now }
        port.postMessage({ plan: plan(), seconds: now.seconds } satisfies WeekNews)
      },
    })
  } finally {
    port.close()
  }
}

/** Checks a firm's whole ledger. */
export function checkLedger({
  firmId,
}: HeavyTasks['check-ledger']['input']): Promise<HeavyTasks['check-ledger']['output']> {
  return check(firmId)
}

/** Draws sheets of tags. */
export function drawTags({
  sheet,
  skip,
  tags,
}: HeavyTasks['tag-sheet']['input']): Promise<HeavyTasks['tag-sheet']['output']> {
  return tagSheet(sheet, tags, skip)
}

/** Reads a file with trees. Problems as `readFile`; `unknown` for a column that is told and is not in the file. */
export function readTrees({
  bytes,
  kind,
  units,
  columns,
  own,
  mended,
}: HeavyTasks['read-trees']['input']): HeavyTasks['read-trees']['output'] {
  const file = readFile(bytes, kind)
  if (!file.ok) return file
  const { encoding, parted } = file.value
  const list = mended ? mendedList(file.value.list, mended.rows) : file.value.list
  const strange = Object.keys(columns).find((header) => !list.headers.includes(header))
  if (strange !== undefined)
    return refuse('unknown', 'columns', `There is no column “${strange.slice(0, 60)}” in the file.`)
  return {
    ok: true,
    value: {
      ...readList(list, {
        units,
        columns,
        kindCalled: (written) => mended?.kinds[written] ?? kindCalled(written, own),
      }),
      encoding,
      parted,
    },
  }
}
