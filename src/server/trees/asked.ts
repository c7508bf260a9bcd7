import { ok, refuse, type Result } from '@/core/problem'
import { TREE_FIELDS, type TreeField } from '@/core/treeList/fields'
import { HANG_UP, problemResponse, readBytes } from '../http'
import type { ImportAsked } from './importTrees'

/** A file is at most so large. */
export const MOST_BYTES = 50_000_000

/** How a list is to be understood, from a query. Problems in the codes of the calculators, naming the field. */
export function importAsked(
  query: URLSearchParams,
): Result<Pick<ImportAsked, 'mode' | 'all' | 'units' | 'columns'>> {
  const strange = [...query.keys()].find((k) => !['site', 'mode', 'all', 'units', 'columns'].includes(k))
  if (strange !== undefined)
    return refuse(
      'unknown',
      strange.slice(0, 60),
      `There is no field "${strange.slice(0, 60)}" here; leave it out.`,
    )
  const mode = query.get('mode')
  if (mode === null) return refuse('missing', 'mode', 'Say mode=look, which changes nothing, or mode=take.')
  if (mode !== 'look' && mode !== 'take')
    return refuse('unknown', 'mode', 'mode is look, which changes nothing, or take.')
  const all = query.get('all') ?? '0'
  if (all !== '0' && all !== '1') return refuse('unknown', 'all', 'all is 1 or left out.')
  const units = query.get('units')
  if (units !== null && units !== 'us' && units !== 'si')
    return refuse('unknown', 'units', 'units is us or si.')
  const columns = readColumns(query.get('columns'))
  if (!columns.ok) return columns
  return ok({
    mode,
    all: all === '1',
    ...(units !== null && { units: units === 'si' ? ('metric' as const) : ('us' as const) }),
    columns: columns.value,
  })
}

/** What columns are, as `{"DBH_IN":"diameter","Notes":null}`. */
function readColumns(text: string | null): Result<Record<string, TreeField | null>> {
  if (text === null || text === '') return ok({})
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    read = null
  }
  if (typeof read !== 'object' || read === null || Array.isArray(read))
    return refuse(
      'bad-quantity',
      'columns',
      'columns is an object such as {"DBH_IN":"diameter","Notes":null}.',
    )
  for (const [header, field] of Object.entries(read))
    if (field !== null && !TREE_FIELDS.includes(field as TreeField))
      return refuse(
        'unknown',
        `columns.${header.slice(0, 60)}`,
        `"${String(field).slice(0, 40)}" is no field of a tree; it is one of ${TREE_FIELDS.join(', ')}, or null.`,
      )
  return ok(read as Record<string, TreeField | null>)
}

/** The body with the list: 415 for another kind of file, 413 for one that is too large. */
export async function importBody(
  request: Request,
): Promise<Pick<ImportAsked, 'bytes' | 'kind'> | { response: Response }> {
  const type = (request.headers.get('content-type') ?? '').split(';', 1)[0]!.trim().toLowerCase()
  const kind =
    type === 'text/csv' || type === 'text/plain'
      ? 'csv'
      : type === 'application/geo+json' || type === 'application/json'
        ? 'geojson'
        : null
  if (kind === null)
    return {
      response: problemResponse(
        {
          code: 'bad-quantity',
          field: 'body',
          message: 'Send the list as text/csv or application/geo+json.',
        },
        415,
      ),
    }
  const read = await readBytes(request, MOST_BYTES)
  if ('over' in read)
    return {
      response: read.over
        ? problemResponse(
            {
              code: 'out-of-range',
              field: 'body',
              message: 'The file is larger than 50 MB; save it as several.',
            },
            413,
            HANG_UP,
          )
        : problemResponse(
            { code: 'bad-quantity', field: 'body', message: 'The file broke off on its way; send it again.' },
            400,
          ),
    }
  return { bytes: read.bytes, kind }
}
