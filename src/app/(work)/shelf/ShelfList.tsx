'use client'
import { METHOD_NAME } from '@/core/methods/names'
import { Link } from '@/ui/pieces/Link'
import { useDeferredValue, useState } from 'react'
import type { Method } from '@/core/card/card'
import type { ShelfView } from '@/server/read/shelf'
import { Field } from '@/ui/fields/Field'
import { Toggle } from '@/ui/fields/Toggle'
import { ButtonLink } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

type Shown = ShelfView['cards'][number]

const METHODS = Object.keys(METHOD_NAME) as Method[]

/** Whether a card is called by these words: its name, what is in it, what it is against. */
function isCalled(card: Shown, words: string): boolean {
  const all = [card.name, card.code, card.formulation, ...card.actives, ...card.targets]
    .join(' ')
    .toLowerCase()
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((w) => all.includes(w))
}

/** What the firm may put on trees, searched as you type. */
export function ShelfList({ view }: { view: ShelfView }) {
  const may = useMay()
  const [typed, setTyped] = useState('')
  const [method, setMethod] = useState<Method | 'all'>('all')
  const words = useDeferredValue(typed)
  const shown = view.cards.filter(
    (c) => (method === 'all' || c.methods.includes(method)) && isCalled(c, words.trim()),
  )
  return (
    <>
      <div className="flex flex-wrap justify-between gap-3 items-start">
        <div>
          <h1>
            Shelf, {view.cards.length} {view.cards.length === 1 ? 'card' : 'cards'}
          </h1>
          <p className="text-ink2 mt-1">
            What a label says, as the firm copied it. The label in your hand is the law.
          </p>
        </div>
        {may('enter-card') && (
          <ButtonLink href="/shelf/new" now>
            Enter a card
          </ButtonLink>
        )}
      </div>
      <div className="flex flex-wrap gap-3 items-end mt-4">
        <div className="w-72 max-w-full">
          <Field
            label="Find a card"
            type="search"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            placeholder="scab, imidacloprid, soap …"
            autoComplete="off"
          />
        </div>
        <Toggle
          label="Way of putting it on"
          hideLabel
          className="flex flex-wrap gap-1.5"
          options={[
            ['all', 'every way'] as const,
            ...METHODS.map((m) => [m, METHOD_NAME[m].toLowerCase()] as const),
          ]}
          value={method}
          onChange={setMethod}
        />
      </div>
      <p className="sr-only" role="status">
        {shown.length} cards
      </p>
      <ul className="mt-4 border-t border-line max-w-5xl">
        {shown.map((c) => (
          <li key={c.code} className="border-b border-line">
            <Link
              href={`/shelf/${c.code}`}
              className="grid sm:grid-cols-[200px_minmax(0,1fr)_auto] gap-x-4 py-2.5 items-baseline no-underline hover:bg-sheet"
            >
              <span>
                <b>{c.name}</b>
                <span className="block text-ink2 text-small">version {c.version}</span>
              </span>
              <span>
                {c.actives.length > 0 ? c.actives.join(', ') : c.formulation}
                <span className="block text-ink2 text-small">
                  {c.methods.map((m) => METHOD_NAME[m].toLowerCase()).join(', ')} ·{' '}
                  {c.targets.slice(0, 4).join(', ')}
                  {c.targets.length > 4 && ` and ${c.targets.length - 4} more`}
                </span>
              </span>
              <LotTag card={c} />
            </Link>
          </li>
        ))}
      </ul>
      {shown.length === 0 && (
        <p className="mt-4">
          No card is called that.{' '}
          {typed !== '' || method !== 'all'
            ? 'Clear the words, or choose every way.'
            : 'Enter the first from its label.'}
        </p>
      )}
    </>
  )
}

function LotTag({ card }: { card: Shown }) {
  if (card.kind === 'house') return <span className="tag justify-self-start">house card</span>
  if (card.lots === 0) return <span className="tag tag-straw justify-self-start">no lot on the shelf</span>
  if (card.goodLots === 0) return <span className="tag tag-plum justify-self-start">all lots expired</span>
  return (
    <span className="tag tag-moss justify-self-start">
      {card.goodLots} {card.goodLots === 1 ? 'lot' : 'lots'}
    </span>
  )
}
