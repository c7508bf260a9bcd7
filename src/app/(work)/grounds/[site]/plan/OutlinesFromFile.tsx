'use client'
import { useState } from 'react'
import type { FiledOutline } from '@/core/place/outlineFile'
import { sizeOf } from '@/core/place/measured'
import { OUTLINE, OUTLINE_KINDS, type OutlineKind } from '@/core/place/outlineKinds'
import type { DrawPlanView } from '@/server/read/plan'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { ChooseFile } from '@/ui/files/ChooseFile'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { saySize } from './saySize'

/** The largest file that is read on a device, bytes. */
const LARGEST_FILE = 5_000_000

interface Row extends FiledOutline {
  id: string
  setback: string
}

/** Outlines from a GeoJSON file: read on this device, shown with what each is taken for, then drawn together. */
export function OutlinesFromFile({ view, onDone }: { view: DrawPlanView; onDone: () => void }) {
  const draw = useVerb('draw-outlines')
  const [rows, setRows] = useState<Row[] | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  if (!view.site.corner)
    return (
      <p className="text-ink2">
        A file has degrees: say first where the lower left corner of the plan lies, under{' '}
        <Link href={`/grounds/${view.site.id}/about`} className="underline underline-offset-2">
          about the site
        </Link>
        .
      </p>
    )
  const { corner } = view.site
  async function open(file: File) {
    setRows(null)
    setSaid(null)
    if (file.size > LARGEST_FILE)
      return setSaid(`${file.name} is larger than 5 MB; cut it to what the plan needs.`)
    const { readOutlineFile } = await import('@/core/place/outlineFile')
    let parsed: unknown
    try {
      parsed = JSON.parse(await file.text())
    } catch {
      return setSaid(`${file.name} is no GeoJSON: it cannot be read as JSON.`)
    }
    const read = readOutlineFile(parsed, corner)
    if (!read.ok) return setSaid(`${file.name}: ${read.problem.message}`)
    setRows(read.value.outlines.map((o) => ({ ...o, id: newId(), setback: '' })))
    if (read.value.leftAside > 0)
      setSaid(
        `${read.value.leftAside} ${read.value.leftAside === 1 ? 'shape' : 'shapes'} left aside: nothing says what they are.`,
      )
  }
  const set = (id: string, part: Partial<Row>) =>
    setRows((all) => all && all.map((r) => (r.id === id ? { ...r, ...part } : r)))
  const open0 = rows?.filter((r) => r.kind === null).length ?? 0
  return (
    <div className="grid gap-3">
      <div>
        <ChooseFile accept=".geojson,.json,application/geo+json" onFile={(file) => void open(file)}>
          Choose a GeoJSON file
        </ChooseFile>
        <p role="status" className="mt-1">
          {said}
        </p>
      </div>
      {rows && (
        <>
          <ul className="border-t border-line">
            {rows.map((r, i) => {
              const size = sizeOf(r.geometry)
              const shapes = OUTLINE_KINDS.filter((k) => OUTLINE[k].shapes.includes(r.geometry.type))
              return (
                <li key={r.id} className="border-b border-line py-2 flex flex-wrap gap-3 items-end">
                  <span className="min-w-40">
                    {r.name ?? `Outline ${i + 1}`}
                    <span className="block text-small text-ink2">
                      {size ? saySize(size, view.units) : 'a spot'}
                    </span>
                  </span>
                  <label className="grid">
                    <span className="label">What it is</span>
                    <select
                      className="field"
                      aria-label={`What ${r.name ?? `outline ${i + 1}`} is`}
                      value={r.kind ?? ''}
                      onChange={(e) => set(r.id, { kind: (e.target.value || null) as OutlineKind | null })}
                    >
                      <option value="">choose</option>
                      {shapes.map((k) => (
                        <option key={k} value={k}>
                          {OUTLINE[k].name}
                        </option>
                      ))}
                    </select>
                  </label>
                  {r.kind !== null && OUTLINE[r.kind].setback && (
                    <label className="grid">
                      <span className="label">Kept from it</span>
                      <input
                        className="field w-28"
                        placeholder={view.units === 'us' ? '100 ft' : '30 m'}
                        value={r.setback}
                        onChange={(e) => set(r.id, { setback: e.target.value })}
                      />
                    </label>
                  )}
                  <Button quiet onClick={() => setRows((all) => all && all.filter((o) => o.id !== r.id))}>
                    Leave out
                  </Button>
                </li>
              )
            })}
          </ul>
          <ProblemNote problem={draw.problem && { ...draw.problem, message: saidOf(draw.problem, rows) }} />
          <div>
            <Button
              now
              disabled={draw.busy || rows.length === 0 || open0 > 0}
              onClick={async () => {
                const outlines = rows.map(({ id, kind, name, setback, geometry }) => ({
                  id,
                  kind: kind!,
                  name,
                  setback: setback.trim() === '' ? null : setback,
                  geometry,
                }))
                if (await draw.send({ siteId: view.site.id, outlines })) onDone()
              }}
            >
              {open0 > 0
                ? `Say first what ${open0} ${open0 === 1 ? 'is' : 'are'}`
                : `Draw ${rows.length} ${rows.length === 1 ? 'outline' : 'outlines'}`}
            </Button>
          </div>
        </>
      )}
    </div>
  )
}

/** What is refused, with the outline it is refused of. */
function saidOf(problem: { field: string; message: string }, rows: readonly Row[]): string {
  const at = /^outlines\[(\d+)\]/.exec(problem.field)?.[1]
  const row = at === undefined ? undefined : rows[Number(at)]
  return row ? `${row.name ?? `Outline ${Number(at) + 1}`}: ${problem.message}` : problem.message
}
