'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { Slip } from '@/ui/slip/Slip'
import { Answers } from './Answers'
import { Drawing } from './Drawing'
import type { Typed } from '@/ui/fields/paths'
import type { OwnEntry } from '@/almanac/ownEntry'
import { diagnoseSheet } from './diagnoseSheet'
import { gateSheet } from './gateSheet'
import { questionOf, startOf, withUnits, type Sheet } from './sheet'
import { SheetForm } from './SheetForm'
import { isPathOf, sheetNamed, SHEETS } from './sheets'
import { SpreadChart } from './SpreadChart'
import { useReckoning } from './useReckoning'
import { keepForOffline } from './keepForOffline'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Select } from '../fields/Choice'
import { PrintButton } from '../pieces/PrintButton'

interface Open {
  sheet: Sheet
  typed: Typed
  /** The tree whose prescription is open elsewhere, if the link carried one. */
  tree: { id: string; tag: string } | null
}

const MOST_OF_AN_ADDRESS = 6000

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

/** What an address opens: its sheet, with what it carries typed in. Lists it names take the place of those at first. */
function openFrom(search: string): Open {
  const carried = new URLSearchParams(search)
  const sheet = sheetNamed(carried.get('for'))
  const own = [...carried].filter(([path]) => isPathOf(sheet, path)).slice(0, 2000)
  const lists = new Set(own.filter(([p]) => p.includes('[')).map(([p]) => p.slice(0, p.indexOf('['))))
  const typed: Record<string, string> = {}
  for (const [path, text] of Object.entries(startOf(sheet)))
    if (!path.includes('[') || !lists.has(path.slice(0, path.indexOf('[')))) typed[path] = text
  for (const [path, text] of own) typed[path] = text.slice(0, 200)
  const id = carried.get('tree') ?? ''
  return {
    sheet,
    typed,
    tree: UUID.test(id) ? { id, tag: (carried.get('tag') ?? 'the tree').slice(0, 40) } : null,
  }
}

function addressOf({ sheet, typed, tree }: Open): string {
  const carried = new URLSearchParams({ for: sheet.name })
  for (const [path, text] of Object.entries(typed)) carried.set(path, text)
  if (tree) {
    carried.set('tree', tree.id)
    carried.set('tag', tree.tag)
  }
  return `?${carried.toString()}`
}

/** What of a sheet a trunk-injection prescription can take: the girth at the ports and the rate. */
function forPrescription({ sheet, typed }: Open): URLSearchParams | null {
  const girth = sheet.name === 'injection' || sheet.name === 'ports' ? typed['portGirth'] : null
  if (!girth) return null
  const sent = new URLSearchParams({ portGirth: girth })
  if (sheet.name === 'injection' && typed['product'] !== 'capsule')
    sent.set('choice', typed['choice'] || 'low')
  return sent
}

/** The calculators for the tailgate: pick what you want to know, type a few numbers, see the answer and its working. */
export function Reckon({
  units,
  search,
  own: entries,
}: {
  units: 'us' | 'metric'
  search: string
  /** What the firm has added to the almanac. */
  own: readonly OwnEntry[]
}) {
  const [open, setOpen] = useState<Open>(() => openFrom(search))
  const [copied, setCopied] = useState<string | null>(null)
  const { typed, tree } = open
  // What chooses among entries of the almanac knows those of the firm.
  const ofFirm = useMemo(() => [diagnoseSheet(entries), gateSheet(entries)], [entries])
  const sheet = ofFirm.find((s) => s.name === open.sheet.name) ?? open.sheet
  const read = useMemo(() => withUnits(sheet, typed, units), [sheet, typed, units])
  const question = useMemo(() => questionOf(sheet, read), [sheet, read])
  const { reckoned, drawing, draw, stop } = useReckoning(sheet.name, question, entries)
  const own = reckoned && (units === 'us' ? reckoned.us : reckoned.si)
  const answer = own?.ok ? own.value : null

  const whole = addressOf({ sheet, typed: read, tree })
  // What a server would not take as an address any more stays on this page alone.
  const tooLong = whole.length > MOST_OF_AN_ADDRESS
  const address = tooLong ? addressOf({ sheet, typed: {}, tree }) : whole

  useEffect(() => keepForOffline(), [])
  // The address always carries what stands on the sheet, so that it can be copied, kept and sent.
  useEffect(() => {
    if (address !== window.location.search) window.history.replaceState(null, '', address)
  }, [address])

  const change = useCallback((next: Typed) => setOpen((o) => ({ ...o, typed: next })), [])
  const pick = (name: string) =>
    setOpen((o) => ({ sheet: sheetNamed(name), typed: startOf(sheetNamed(name)), tree: o.tree }))
  const sent = forPrescription({ sheet, typed: read, tree })

  async function copy() {
    await navigator.clipboard?.writeText(window.location.href).catch(() => {})
    setCopied(address)
  }

  return (
    <div className="grid gap-x-7 gap-y-4 lg:grid-cols-[168px_minmax(0,1fr)_minmax(0,330px)]">
      <nav aria-label="What to reckon" className="no-print max-lg:hidden">
        <h1 className="mb-2">Reckon</h1>
        <ul>
          {SHEETS.map((s) => (
            <li key={s.name}>
              <button
                type="button"
                onClick={() => pick(s.name)}
                aria-current={s === open.sheet ? 'true' : undefined}
                className={`w-full text-left pl-2.5 py-[5px] border-l-[3px] ${s === open.sheet ? 'border-rust font-bold bg-sheet' : 'border-line hover:border-ink2'}`}
              >
                {s.title}
              </button>
            </li>
          ))}
        </ul>
      </nav>
      <div className="lg:hidden no-print">
        <h1 className="mb-1">Reckon</h1>
        <Select
          aria-label="What to reckon"
          value={sheet.name}
          onValue={pick}
          options={SHEETS.map((x) => [x.name, x.title] as const)}
        />
      </div>
      <div className="min-w-0">
        <h2 className="text-lead mb-3">{sheet.question}</h2>
        <div className="bg-sheet border border-line p-4 mb-4">
          <Answers sheet={sheet} reckoned={reckoned} units={units} />
        </div>
        <div className="lg:hidden mb-4">
          <Drawing name={sheet.name} typed={read} answer={answer} units={units} />
        </div>
        <SheetForm
          key={sheet.name}
          sheet={sheet}
          typed={typed}
          read={read}
          problem={own && !own.ok ? own.problem : null}
          onChange={change}
        />
        {sheet.name === 'worth' && answer && (
          <SpreadChart drawing={drawing} onDraw={() => draw(10_000)} onStop={stop} />
        )}
        <div className="flex flex-wrap items-center gap-2 mt-5 no-print">
          {tree && sent && (
            <ButtonLink now href={`/trees/${tree.id}/prescribe?${sent.toString()}`}>
              Use for {tree.tag}’s prescription →
            </ButtonLink>
          )}
          <Button onClick={copy} disabled={tooLong}>
            {tooLong
              ? 'More rows than a link can carry'
              : copied === address
                ? 'Link copied'
                : 'Copy a link with these numbers'}
          </Button>
          <PrintButton />
          <Button onClick={() => pick(sheet.name)}>Start over</Button>
        </div>
        {!tree && sent && (
          <p className="text-ink2 mt-2 no-print">
            To send a result on, open a tree’s Prescribe and press “Reckon” there.
          </p>
        )}
        <p className="text-ink2 mt-2">
          The label in your hand, local law and the licensed person on site come before any figure here.
        </p>
      </div>
      <div className="min-w-0 grid gap-4 content-start">
        <div className="max-lg:hidden">
          <Drawing name={sheet.name} typed={read} answer={answer} units={units} />
        </div>
        {answer && <Slip working={answer.working} title="Working" about={sheet.title} id="slip" />}
      </div>
    </div>
  )
}
