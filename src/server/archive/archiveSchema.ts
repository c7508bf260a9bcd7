import type { KeptColumn } from '@/db/queries/archive'
import { FORMAT, KEPT, LEFT_COLUMNS, fileOf } from './kinds'

type Schema = { [key: string]: Schema | Schema[] | string | string[] | number | boolean }

/** What a column holds in a line; timestamps carry their offset, intervals and lists are as the database writes them. */
const TYPES: Record<string, Schema> = {
  uuid: { type: 'string', format: 'uuid' },
  text: { type: 'string' },
  date: { type: 'string' },
  timestamptz: { type: 'string' },
  interval: { type: 'string' },
  bool: { type: 'boolean' },
  int2: { type: 'integer' },
  int4: { type: 'integer' },
  int8: { type: 'integer' },
  float8: { type: 'number' },
  jsonb: {},
  _text: { type: 'array' },
  _uuid: { type: 'array' },
  _int2: { type: 'array' },
  _float8: { type: 'array' },
}

/** What every line of every file of an archive looks like, as a JSON Schema for each file. */
export function archiveSchema(tables: ReadonlyMap<string, readonly KeptColumn[]>): {
  $schema: string
  title: string
  version: number
  files: Record<string, Schema>
} {
  const files: Record<string, Schema> = {}
  for (const kind of Object.keys(KEPT).sort()) {
    const columns = tables
      .get(kind)!
      .filter((c) => c.name !== 'firm_id' && !LEFT_COLUMNS[kind]?.includes(c.name))
    files[fileOf(kind)] = {
      description: KEPT[kind]!,
      type: 'object',
      properties: Object.fromEntries(columns.map((c) => [c.name, nullable(TYPES[c.type]!, c.nullable)])),
      required: columns.map((c) => c.name),
      additionalProperties: false,
    }
  }
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Elmhorn archive, version ${FORMAT.version}: the lines of each file`,
    version: FORMAT.version,
    files,
  }
}

const nullable = (type: Schema, may: boolean): Schema =>
  may && type.type !== undefined ? { anyOf: [type, { type: 'null' }] } : type
