'use client'
import { FigureLater } from '@/ui/figures/FigureLater'
import { useState } from 'react'
import { inPlainWords } from '@/almanac/plainWords'
import type { Finding, FindingState, Place } from '@/core/diagnose/almanac'
import { Button } from '@/ui/pieces/Button'

/** So many fits are shown; more words make them fewer. */
const SHOWN = 6

/** The parts of the drawn tree, each opening its place on the walk. 120 × 150. */
const PARTS: readonly { place: Place; word: string; d: string; at: readonly [number, number] }[] = [
  {
    place: 'crown',
    word: 'crown',
    d: 'M60,6C92,6 108,28 104,50S82,74 60,74S20,72 16,50S28,6 60,6Z',
    at: [60, 26],
  },
  { place: 'leaf', word: 'leaf', d: 'M20,46C26,36 40,36 46,44C40,54 26,54 20,46Z', at: [33, 48] },
  { place: 'shoot', word: 'shoot', d: 'M74,60L92,40L97,44L80,64Z', at: [84, 32] },
  { place: 'fruit', word: 'fruit', d: 'M58,54A7,7 0 1 0 72,54A7,7 0 1 0 58,54Z', at: [65, 57] },
  { place: 'trunk', word: 'trunk', d: 'M52,74H68L70,118H50Z', at: [88, 100] },
  { place: 'base', word: 'base', d: 'M50,118H70L84,130H36Z', at: [98, 127] },
  { place: 'soil', word: 'soil', d: 'M6,130H114V144H6Z', at: [60, 140] },
]

/** What the eye has seen already, in plain words or by the part of a drawn tree, set without walking there. */
export function WhatDoYouSee({
  findings,
  writing,
  stateOf,
  onSet,
  onPlace,
}: {
  findings: readonly Finding[]
  writing: boolean
  stateOf: (id: string) => FindingState
  onSet: (id: string, state: FindingState) => void
  onPlace: (place: Place) => void
}) {
  const [said, setSaid] = useState('')
  const found = inPlainWords(findings, said)
  const places = new Set(findings.map((f) => f.place))
  return (
    <section
      aria-label="What do you see"
      className="grid grid-cols-[120px_minmax(0,1fr)] gap-x-5 mt-4 bg-sheet border border-line p-3 no-print"
    >
      <svg viewBox="0 0 120 150" className="w-full" role="group" aria-label="Parts of the tree">
        {PARTS.filter((p) => places.has(p.place)).map((p) => (
          <a
            key={p.place}
            href={`#place-${p.place}`}
            aria-label={`To the ${p.word}`}
            onClick={(e) => {
              e.preventDefault()
              onPlace(p.place)
            }}
            className="group"
          >
            <path
              d={p.d}
              className="fill-paper stroke-ink group-hover:fill-line group-focus-visible:fill-straw"
              strokeWidth="1.2"
            />
            <text
              x={p.at[0]}
              y={p.at[1]}
              fontSize="9"
              textAnchor="middle"
              className="fill-ink pointer-events-none"
            >
              {p.word}
            </text>
          </a>
        ))}
      </svg>
      <div>
        <label className="label" htmlFor="what-do-you-see">
          What do you see?
        </label>
        <input
          id="what-do-you-see"
          type="search"
          className="field w-full max-w-md"
          placeholder="holes, sticky, black twigs"
          value={said}
          autoComplete="off"
          onChange={(e) => setSaid(e.target.value)}
        />
        <ul aria-live="polite" className="mt-1.5">
          {found.slice(0, SHOWN).map((f) => (
            <li key={f.id} className="flex items-center gap-3 py-1 border-b border-line2">
              <FigureLater finding={f.id} size={44} />
              <span className="flex-1 min-w-0">
                <b>{f.name}</b> <span className="text-ink2">{f.place}</span>
              </span>
              {stateOf(f.id) === 'there' ? (
                <span className="tag tag-rust">there</span>
              ) : (
                <Button disabled={!writing} onClick={() => onSet(f.id, 'there')}>
                  I see it<span className="sr-only">: {f.name}</span>
                </Button>
              )}
            </li>
          ))}
        </ul>
        {said.trim().length > 1 && (
          <p className="text-small text-ink2 mt-1" role="status">
            {found.length === 0
              ? 'Nothing on this kind of tree goes by these words. Try one word, or walk round.'
              : found.length > SHOWN
                ? `${found.length - SHOWN} more fit; one more word makes them fewer.`
                : ''}
          </p>
        )}
      </div>
    </section>
  )
}
