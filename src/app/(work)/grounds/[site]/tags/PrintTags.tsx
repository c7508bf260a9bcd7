'use client'
import { useState } from 'react'
import { codeSide, EDGE, LABEL_SHEETS, labelsOn, placeOf, readUsed } from '@/core/tags/labelSheets'
import type { TagsView } from '@/server/read/tags'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'

/** Tags of a site as sheets of labels: the square code leads a camera to the tree, the letters are for the eye. */
export function PrintTags({ view }: { view: TagsView }) {
  const { site, blocks } = view
  const [size, setSize] = useState<string>(LABEL_SHEETS[0]!.id)
  const [block, setBlock] = useState('')
  const [used, setUsed] = useState('0')
  const sheet = LABEL_SHEETS.find((s) => s.id === size)!
  const each = labelsOn(sheet)
  const skip = readUsed(sheet, used.trim())
  const trees = block === '' ? site.trees : (blocks.find((b) => b.name === block)?.trees ?? 0)
  const sheets = skip === null ? null : Math.ceil((trees + skip) / each)
  const query = new URLSearchParams({ site: site.id, size, skip: String(skip ?? 0), ...(block && { block }) })
  return (
    <>
      <SiteHeading
        site={site}
        title="Tags to print"
        below="A square code that leads the phone’s camera to the tree, and the tag in letters."
      />
      {!view.hasAddress && (
        <Note says="stop" className="mt-3 max-w-3xl">
          Whoever keeps the machine has not said where Elmhorn is reached from outside (PUBLIC_URL). The codes
          lead to the address that stands in your browser now.
        </Note>
      )}
      <div className="grid gap-8 mt-4 md:grid-cols-[minmax(0,360px)_minmax(0,1fr)]">
        <div className="grid gap-3 content-start">
          <Choice
            label="Labels"
            value={size}
            onValue={setSize}
            options={LABEL_SHEETS.map((s) => [s.id, s.says] as const)}
          />
          {blocks.length > 0 && (
            <Choice
              label="Trees"
              value={block}
              onValue={setBlock}
              options={[
                ['', `all, ${site.trees}`] as const,
                ...blocks.map((b) => [b.name, `${b.name}, ${b.trees}`] as const),
              ]}
            />
          )}
          <Field
            label="Labels of the first sheet used already"
            inputMode="numeric"
            value={used}
            onChange={(e) => setUsed(e.target.value)}
            problem={
              skip === null
                ? `Labels used already are a whole number from 0 to ${each - 1}; type how many are gone from the sheet.`
                : null
            }
          />
          {trees === 0 ? (
            <p>No tree stands here yet.</p>
          ) : (
            <a
              className="btn btn-now justify-self-start"
              href={skip === null ? undefined : `/api/v1/tags.pdf?${query}`}
              aria-disabled={skip === null}
              target="_blank"
              rel="noreferrer"
            >
              Make the {sheets === 1 ? 'sheet' : 'sheets'} (PDF)
            </a>
          )}
          <p className="text-ink2 text-small">
            {trees} {trees === 1 ? 'tag' : 'tags'}
            {sheets === null ? '' : `, ${sheets} ${sheets === 1 ? 'sheet' : 'sheets'}`}. Print at 100 %, not
            fitted to the page.
          </p>
        </div>
        <svg
          viewBox={`0 0 ${sheet.paper.width} ${sheet.paper.height}`}
          className="w-full max-w-[260px] border border-line bg-sheet"
          role="img"
          aria-label={`The first sheet: ${each} labels, ${skip ?? 0} used already, ${Math.min(trees, each - (skip ?? 0))} printed`}
        >
          {Array.from({ length: each }, (_, n) => {
            const at = placeOf(sheet, n)
            const printed = n >= (skip ?? 0) && n < (skip ?? 0) + trees
            const side = codeSide(sheet)
            return (
              <g key={n}>
                <rect
                  x={at.x + 0.6}
                  y={at.y + 0.6}
                  width={sheet.label.width - 1.2}
                  height={sheet.label.height - 1.2}
                  rx={1.5}
                  className={printed ? 'fill-paper stroke-ink2' : 'fill-none stroke-line'}
                  strokeWidth={0.5}
                  strokeDasharray={printed ? undefined : '2 2'}
                />
                {printed && (
                  <>
                    <rect
                      x={at.x + EDGE}
                      y={at.y + EDGE}
                      width={side}
                      height={side}
                      className="fill-ink"
                      opacity={0.75}
                    />
                    <rect
                      x={at.x + side + 6}
                      y={at.y + 4}
                      width={(sheet.label.width - side) * 0.5}
                      height={5}
                      className="fill-ink"
                    />
                  </>
                )}
              </g>
            )
          })}
        </svg>
      </div>
    </>
  )
}
