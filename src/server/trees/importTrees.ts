import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { id as isAnId } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import { BREAST_HEIGHT_M } from '@/core/quantity/format'
import type { TreeField } from '@/core/treeList/fields'
import { kindsUnknownOf, type ListColumn, type ListedTree, type Refused } from '@/core/treeList/readList'
import { inFirm, type FirmSql } from '@/db/client'
import { siteForChange } from '@/db/queries/limit'
import type { PersonRow } from '@/db/queries/person'
import { siteWhole, type SiteWhole } from '@/db/queries/site'
import { noteEvent } from '@/db/queries/step'
import { spreadOfTrees } from '@/db/queries/tree'
import {
  addTreeImport,
  bringReadings,
  bringTrees,
  takeTime,
  changeByList,
  countTreesUp,
  measureTrees,
  treeImportById,
  treesThere,
  undoTreeImport,
  type BroughtReading,
  type BroughtTree,
  type TreeThere,
} from '@/db/queries/treeImport'
import { placeSite } from '@/db/queries/weather'
import { ownHosts } from '../almanac'
import { remark } from '../anew'
import { heavy, type ReadTrees } from '../heavy/pool'
import { nowOf, verb } from '../verb'
import { besidePlan, compared, middleOf, type Compared } from './compared'

/** How a list is to be understood and what is to be done with it. */
export interface ImportAsked {
  siteId: string
  mode: 'look' | 'take'
  /** Nothing is taken where anything is refused. */
  all: boolean
  bytes: Uint8Array
  kind: 'csv' | 'geojson'
  fileName: string | null
  /** Of bare numbers whose column says none; the person’s where left out. */
  units?: 'us' | 'metric'
  columns: Readonly<Record<string, TreeField | null>>
  /** What was mended on the screen: by line a cell typed anew, or left out. */
  mended?: ReadTreesMended
  /** Ends it: nothing is taken. */
  stopped?: AbortSignal
  /** Told how far it is. */
  tell?: (done: number, of: number) => void
}
export type ReadTreesMended = NonNullable<Parameters<typeof heavy<'read-trees'>>[2]['mended']>

/** What a list would do or has done. */
export interface ImportAnswer {
  /** Its id, by which it is taken back; null where nothing was taken. */
  import: string | null
  columns: ListColumn[]
  rows: number
  new: number
  changed: number
  same: number
  refused: Refused[]
  kindsUnknown: { written: string; rows: number }[]
}

/** The same with what the screen shows beside it. */
export interface ImportLooked extends ImportAnswer {
  encoding: ReadTrees['encoding']
  parted: ReadTrees['parted']
  /** Where the first of its trees would stand on the plan, metres east and north. */
  points: [east: number, north: number][]
  /** Trees whose place the list does not tell. */
  unplaced: number
}

/** The answer alone, as programs get it and as it is kept. */
export function answerAlone(looked: ImportLooked): ImportAnswer {
  const { import: id, columns, rows, new: added, changed, same, refused, kindsUnknown } = looked
  return { import: id, columns, rows, new: added, changed, same, refused, kindsUnknown }
}

const AT_ONCE = 2000
const MOST_POINTS = 1500

class Stopped extends Error {}

/**
 * Looks at a list of trees from a file, or takes it: one transaction, in which the rows that are not refused become new trees, new readings
 * and changes. Problems: those of the file; `unknown` for the site; `conflict` where it is put away.
 */
export async function importTrees(person: PersonRow, asked: ImportAsked): Promise<Result<ImportLooked>> {
  const [site, own] = await inFirm(person.firmId, (sql) =>
    Promise.all([siteWhole(sql, asked.siteId), ownHosts(sql)]),
  )
  if (!site) return refuse('unknown', 'site', 'There is no such site; /api/v1/sites lists them.')
  if (site.archivedAt !== null)
    return refuse('conflict', 'site', `${site.name} is put away; take the site back before trees are added.`)
  const read = await heavy(
    'read-trees',
    person.firmId,
    {
      bytes: asked.bytes,
      kind: asked.kind,
      units: asked.units ?? person.units,
      columns: asked.columns,
      own: own.map(({ id, name, botanical }) => ({ id, name, botanical })),
      mended: asked.mended,
    },
    { stopped: asked.stopped },
  )
  if (!read.ok) return read
  const list = read.value
  if (!list.columns.some((c) => c.field === 'tag'))
    return refuse(
      'missing',
      'columns',
      'No column looks like the tag of a tree; say which is, as columns={"ID":"tag"}.',
    )
  const corner =
    site.latitude !== null && site.longitude !== null
      ? { latitude: site.latitude, longitude: site.longitude }
      : middleOf(list.trees)
  const columnOf = (field: 'latitude' | 'east') => list.columns.find((c) => c.field === field)?.header ?? null
  const look = async (sql: FirmSql) =>
    compared(list.trees, await thereOf(sql, site.id, list.trees), corner, columnOf)
  if (asked.mode === 'look') return ok(answerOf(null, list, await inFirm(person.firmId, look)))
  try {
    return ok(
      await inFirm(person.firmId, async (sql) => {
        await takeTime(sql)
        await siteForChange(sql, site.id)
        const found = await look(sql)
        if (asked.all && list.refused.length + found.refused.length > 0)
          return { ...answerOf(null, list, found), new: 0, changed: 0 }
        return take(sql, person, { asked, site, list, found, corner })
      }),
    )
  } catch (error) {
    if (error instanceof Stopped)
      return refuse('conflict', 'body', 'It was stopped; nothing of the list was taken.')
    throw error
  }
}

async function thereOf(
  sql: FirmSql,
  siteId: string,
  rows: readonly ListedTree[],
): Promise<Map<string, TreeThere>> {
  const there = new Map<string, TreeThere>()
  for (let i = 0; i < rows.length; i += AT_ONCE * 2)
    for (const tree of await treesThere(
      sql,
      siteId,
      rows.slice(i, i + AT_ONCE * 2).map((r) => r.tag),
    ))
      there.set(tree.tag, tree)
  return there
}

function answerOf(id: string | null, list: ReadTrees, found: Compared): ImportLooked {
  const lines = new Set(found.refused.map((r) => r.line))
  return {
    import: id,
    columns: list.columns,
    rows: list.rows,
    new: found.brought.length,
    changed: found.changed.length,
    same: found.same,
    refused: [...list.refused, ...found.refused].sort((a, b) => a.line - b.line),
    kindsUnknown: kindsUnknownOf(list.trees.filter((t) => !lines.has(t.line))),
    encoding: list.encoding,
    parted: list.parted,
    points: found.brought
      .flatMap(({ place }) => (place ? [[place.eastM, place.northM] as [number, number]] : []))
      .slice(0, MOST_POINTS),
    unplaced: found.brought.filter((b) => b.place === null).length,
  }
}

async function take(
  sql: FirmSql,
  person: PersonRow,
  {
    asked,
    site,
    list,
    found,
    corner,
  }: {
    asked: ImportAsked
    site: SiteWhole
    list: ReadTrees
    found: Compared
    corner: { latitude: number; longitude: number } | null
  },
): Promise<ImportLooked> {
  const id = uuidv7()
  const at = nowOf(person)
  const of = {
    firmId: person.firmId,
    siteId: site.id,
    importId: id,
    by: person.id,
    at,
    heightM: BREAST_HEIGHT_M,
  }
  const answer = answerOf(id, list, found)
  await addTreeImport(sql, { ...of, id, fileName: asked.fileName, report: answerAlone(answer) })
  const spread = await spreadOfTrees(sql, site.id)
  const beside = besidePlan(answer.unplaced, spread?.west ?? 0, spread?.south ?? 0)
  let next = 0
  const trees: BroughtTree[] = []
  const readings: BroughtReading[] = []
  for (const { row, place } of found.brought) {
    const treeId = uuidv7()
    const lies = place ?? beside[next++]!
    trees.push({
      id: treeId,
      tag: row.tag,
      host: row.kind ?? UNKNOWN_KIND,
      listedAs: row.written,
      eastM: lies.eastM,
      northM: lies.northM,
      placed: place !== null,
      crown: row.crown,
      heightM: row.heightM,
      spreadM: row.spreadM,
      block: row.block,
      planted: row.planted,
      note: row.note,
      diameterM: row.stemsM === null ? null : Math.hypot(...row.stemsM),
    })
    if (row.stemsM !== null) readings.push(readingOf(treeId, row))
  }
  const measured = found.changed.filter((c) => c.isMeasured)
  for (const { there, row } of measured) readings.push(readingOf(there.id, row))
  const other = found.changed.filter((c) => c.isOther).map((c) => c.tree)
  const whole = trees.length + readings.length + other.length
  let done = 0
  const inParts = async <T>(rows: readonly T[], act: (part: readonly T[]) => Promise<void>) => {
    for (let i = 0; i < rows.length; i += AT_ONCE) {
      // What is stopped in the middle is as if it had never begun.
      if (asked.stopped?.aborted) throw new Stopped()
      const part = rows.slice(i, i + AT_ONCE)
      await act(part)
      done += part.length
      asked.tell?.(done, whole)
    }
  }
  await inParts(trees, (part) => bringTrees(sql, of, part))
  await inParts(readings, (part) => bringReadings(sql, of, part))
  await inParts(other, (part) => changeByList(sql, of, part))
  for (let i = 0; i < measured.length; i += AT_ONCE)
    await measureTrees(
      sql,
      at,
      measured
        .slice(i, i + AT_ONCE)
        .map(({ there, row }) => ({ id: there.id, diameterM: Math.hypot(...row.stemsM!) })),
    )
  await countTreesUp(sql, site.id, trees.length)
  // A site that had no position lies where its trees do.
  if (site.latitude === null && corner !== null) await placeSite(sql, site.id, corner)
  // What is with the crew may have to be worked out again.
  for (const { there } of found.changed)
    if (there.stage === 'run') await remark({ sql, person }, { treeIds: [there.id] })
  await noteEvent(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    personId: person.id,
    verb: 'import-trees',
    about: id,
    at,
  })
  if (asked.stopped?.aborted) throw new Stopped()
  return answer
}

function readingOf(treeId: string, row: ListedTree): BroughtReading {
  return { id: uuidv7(), treeId, tape: row.tape, stemsM: row.stemsM!, typed: row.typed! }
}

/** What was taken back of a list, and what it left as somebody has used it. */
export interface ImportUndone {
  trees: number
  readings: number
  changes: number
  left: { tree: string; tag: string }[]
}

/** Seven days. */
const UNDO_MS = 7 * 86_400_000

/** Takes a list back. Problems: `unknown`; `conflict` where it was taken back before; `out-of-range` after seven days. */
export function undoImport(person: PersonRow, id: string): Promise<Result<ImportUndone>> {
  return inFirm(person.firmId, (sql) => undoIn(sql, person, id))
}

/** The same as a step of the job. */
export const undoImportVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  input: z.strictObject({ importId: isAnId('importId') }),
  about: (i) => i.importId,
  run: ({ sql, person }, input) => undoIn(sql, person, input.importId),
})

async function undoIn(sql: FirmSql, person: PersonRow, id: string): Promise<Result<ImportUndone>> {
  const list = await treeImportById(sql, id)
  if (!list) return refuse('unknown', 'import', 'There is no such list; it may be another firm’s.')
  if (list.undoneAt !== null) return refuse('conflict', 'import', 'This list was taken back already.')
  // The clock of the list is the firm’s; seven days are counted on the same.
  if (nowOf(person).getTime() - list.at.getTime() > UNDO_MS)
    return refuse('out-of-range', 'import', 'A list is taken back within seven days; this one is older.')
  await takeTime(sql)
  const rows = await undoTreeImport(sql, id, person.id)
  await noteEvent(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    personId: person.id,
    verb: 'undo-import',
    about: id,
    at: nowOf(person),
  })
  const count = (what: string) => rows.filter((r) => r.what === what).length
  const left = new Map(rows.filter((r) => r.what === 'left').map((r) => [r.id, { tree: r.id, tag: r.tag }]))
  return ok({
    trees: count('tree'),
    readings: count('reading'),
    changes: count('change'),
    left: [...left.values()],
  })
}
