/** An address of the API beside the calculators: what it answers, to whom, and what may be asked along. */
export interface Address {
  method: 'get' | 'post'
  path: string
  id: string
  title: string
  says: string
  query: readonly (keyof typeof QUERY)[]
  /** Of these what cannot be left out. */
  needs?: readonly (keyof typeof QUERY)[]
  answers: string
  /** Whoever keeps the house alone. */
  keeps?: boolean
}

const QUERY = {
  site: { says: 'the id of a site', type: 'string' },
  after: {
    says: 'the id of the last one you have; nothing begins at the first',
    type: 'string',
  },
  limit: { says: 'how many at most, 1 to 1,000; 100 where it is not said', type: 'integer' },
  year: { says: 'a year, as 2026; this one where it is not said', type: 'integer' },
  mode: { says: '“look” changes nothing, “take” takes what is not refused', type: 'string' },
  columns: {
    says: 'a JSON object of header to field, or null to leave a column out',
    type: 'string',
  },
  units: { says: '“us” or “si”, for numbers without a unit', type: 'string' },
  size: { says: 'letter-30, letter-10, a4-24 or a4-14', type: 'string' },
  skip: { says: 'labels of the first sheet that are used already', type: 'integer' },
  block: { says: 'a block of the site; all of it where it is not said', type: 'string' },
  all: { says: '1: nothing is taken where any row is refused', type: 'integer' },
} as const

const PAGED = ['after', 'limit'] as const

/** All of them, in the order in which a firm comes to need them. */
export const ADDRESSES: readonly Address[] = [
  {
    method: 'get',
    path: '/api/v1/clients',
    id: 'clients',
    title: 'Clients',
    says: 'Clients by name, a page at a time.',
    query: PAGED,
    answers: 'application/json',
  },
  {
    method: 'post',
    path: '/api/v1/clients',
    id: 'add-client',
    title: 'A new client',
    says: '{"name"}. An Idempotency-Key that is a UUID becomes its id, so that a repeat makes no second one.',
    query: [],
    answers: 'application/json',
  },
  {
    method: 'get',
    path: '/api/v1/sites',
    id: 'sites',
    title: 'Sites',
    says: 'Sites by name, a page at a time.',
    query: PAGED,
    answers: 'application/json',
  },
  {
    method: 'post',
    path: '/api/v1/sites',
    id: 'add-site',
    title: 'A new site',
    says: '{"client", "name", "address", "latitude", "longitude"}.',
    query: [],
    answers: 'application/json',
  },
  {
    method: 'get',
    path: '/api/v1/trees',
    id: 'trees',
    title: 'Trees of a site',
    says: 'Tag, kind, position, last reading and stage of each.',
    query: ['site', ...PAGED],
    needs: ['site'],
    answers: 'application/json',
  },
  {
    method: 'post',
    path: '/api/v1/import/trees',
    id: 'import-trees',
    title: 'Trees from a list',
    says: 'The body is the list, text/csv or application/geo+json.',
    query: ['site', 'mode', 'columns', 'units', 'all'],
    needs: ['site', 'mode'],
    answers: 'application/json',
  },
  {
    method: 'post',
    path: '/api/v1/import/{id}/undo',
    id: 'undo-import',
    title: 'Take a list back',
    says: 'Within seven days; what somebody has used since is left, and named.',
    query: [],
    answers: 'application/json',
  },
  {
    method: 'get',
    path: '/api/v1/trees.csv',
    id: 'trees-csv',
    title: 'Trees, as cells',
    says: 'It can be read in again.',
    query: ['site'],
    answers: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/v1/trees.geojson',
    id: 'trees-geojson',
    title: 'Trees, as places',
    says: 'Points with what is known of each tree, lengths in metres.',
    query: ['site'],
    answers: 'application/geo+json',
  },
  {
    method: 'get',
    path: '/api/v1/readings.csv',
    id: 'readings-csv',
    title: 'Readings of trunks',
    says: 'Those that were struck out with their reason.',
    query: ['site'],
    answers: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/v1/records.csv',
    id: 'records-csv',
    title: 'The ledger, as cells',
    says: 'A row for each tree of each record.',
    query: [],
    answers: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/v1/records.jsonl',
    id: 'records-jsonl',
    title: 'The ledger as it was signed',
    says: 'A line of JSON for each record, with hash and seal.',
    query: [],
    answers: 'application/x-ndjson',
  },
  {
    method: 'get',
    path: '/api/v1/limits.csv',
    id: 'limits-csv',
    title: 'What was put on a year',
    says: 'Of each active ingredient, by site, beside its limit.',
    query: ['year'],
    answers: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/v1/tags.pdf',
    id: 'tags-pdf',
    title: 'Tags to print',
    says: 'Sheets of labels with a square code and the tag in letters.',
    query: ['site', 'size', 'skip', 'block'],
    needs: ['site'],
    answers: 'application/pdf',
  },
  {
    method: 'get',
    path: '/api/v1/archive',
    id: 'archive',
    title: 'Everything',
    says: 'All a firm has entered, as a zip of lines and photographs.',
    query: [],
    answers: 'application/zip',
    keeps: true,
  },
]

const REFUSED = {
  '401': 'There is no token, or it is unknown, expired or revoked.',
  '403': 'Whoever the token belongs to may not do this.',
  '404': 'There is no such thing.',
  '422': 'Something asked is wrong: `field` is what, `message` the way out.',
  '429': 'Asked too often, or many files are being written: `Retry-After` says how many seconds to wait.',
}

/** The addresses as an OpenAPI document names them. */
export function describedAddresses(): Record<string, Record<string, unknown>> {
  const paths: Record<string, Record<string, unknown>> = {}
  for (const a of ADDRESSES) {
    paths[a.path] = {
      ...paths[a.path],
      [a.method]: {
        operationId: a.id,
        summary: a.title,
        description: a.keeps ? `${a.says} For whoever keeps the house.` : a.says,
        parameters: [
          ...a.query.map((name) => {
            const { says, type } = QUERY[name]
            return {
              name,
              in: 'query',
              required: a.needs?.includes(name) ?? false,
              description: says,
              schema: { type },
            }
          }),
          ...(a.path.includes('{id}')
            ? [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }]
            : []),
        ],
        responses: {
          [a.method === 'post' && a.id.startsWith('add-') ? '201' : '200']: {
            description: a.title,
            content: { [a.answers]: {} },
          },
          ...Object.fromEntries(
            Object.entries(REFUSED).map(([code, description]) => [
              code,
              {
                description,
                content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
              },
            ]),
          ),
        },
      },
    }
  }
  return paths
}
