import { z } from 'zod'
import { FOREIGN, HANG_UP, isOwnOrigin, notSignedIn, problemResponse, readBytes } from '@/server/http'
import { isId } from '@/server/id'
import { log } from '@/server/log'
import { currentPerson } from '@/server/session'
import { MOST_BYTES } from '@/server/trees/asked'
import { importTrees } from '@/server/trees/importTrees'
import { mayNot } from '@/server/v1/door'
import { NotDone, notDoneProblem } from '@/server/heavy/pool'
import { TREE_FIELDS } from '@/core/treeList/fields'

const How = z.strictObject({
  mode: z.enum(['look', 'take']),
  name: z.string().max(300),
  kind: z.enum(['csv', 'geojson']),
  columns: z.record(z.string().max(200), z.enum(TREE_FIELDS).nullable()),
  rows: z.record(
    z.string().regex(/^\d{1,7}$/),
    z.union([
      z.strictObject({ out: z.literal(true) }),
      z.strictObject({ column: z.string().max(200), text: z.string().max(300) }),
    ]),
  ),
  kinds: z.record(z.string().max(200), z.string().max(60)),
})

/**
 * The same list as over the API, for the screen: a form with the file and how it is understood. A look answers at once; what is taken tells a
 * line of JSON for every part of it, `{ done, of }`, and at last its answer. Breaking off ends it, and nothing is taken.
 */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const person = await currentPerson()
  if (!person) return notSignedIn()
  const no = mayNot(person, 'add-tree')
  if (no) return no
  const { id } = await params
  if (!isId(id))
    return problemResponse({ code: 'unknown', field: 'site', message: 'There is no such site.' }, 404)
  const read = await readBytes(request, MOST_BYTES + 1_000_000)
  if ('over' in read)
    return problemResponse(
      { code: 'out-of-range', field: 'file', message: 'The file is larger than 50 MB; save it as several.' },
      413,
      HANG_UP,
    )
  let file: unknown
  let how: z.infer<typeof How>
  try {
    const form = await new Response(new Uint8Array(read.bytes), {
      headers: { 'content-type': request.headers.get('content-type') ?? '' },
    }).formData()
    file = form.get('file')
    const told = form.get('how')
    how = How.parse(JSON.parse(typeof told === 'string' ? told : ''))
  } catch {
    return problemResponse(
      { code: 'bad-quantity', field: 'file', message: 'The file did not arrive whole; choose it again.' },
      400,
    )
  }
  if (!(file instanceof Blob))
    return problemResponse({ code: 'missing', field: 'file', message: 'Choose a file.' })
  const bytes = new Uint8Array(await file.arrayBuffer())
  const asked = {
    siteId: id,
    mode: how.mode,
    all: false,
    bytes,
    kind: how.kind,
    fileName: how.name,
    columns: how.columns,
    mended: { rows: how.rows, kinds: how.kinds },
    stopped: request.signal,
  }
  if (how.mode === 'look') {
    try {
      const done = await importTrees(person, asked)
      return done.ok
        ? Response.json({ value: done.value }, { headers: { 'cache-control': 'no-store' } })
        : problemResponse(done.problem)
    } catch (error) {
      const { problem, status } = said(error)
      return problemResponse(problem, status)
    }
  }
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>()
  const out = writable.getWriter()
  const tell = (line: object) => out.write(new TextEncoder().encode(`${JSON.stringify(line)}\n`))
  void importTrees(person, { ...asked, tell: (done, of) => void tell({ done, of }).catch(() => {}) })
    .then(
      (done) => tell(done.ok ? { value: done.value } : { error: done.problem }),
      (error: unknown) => tell({ error: said(error).problem }),
    )
    .then(() => out.close())
    .catch(() => {})
  return new Response(readable, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  })
}

function said(error: unknown) {
  if (error instanceof NotDone) return notDoneProblem(error)
  log.error({ file: 'trees', error: (error as Error).message })
  return {
    status: 503,
    problem: {
      code: 'conflict' as const,
      field: 'server',
      message: 'The list cannot be read just now; nothing of it was taken. Try again in a moment.',
    },
  }
}
