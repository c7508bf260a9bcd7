'use client'
import type { RingMark } from '@/core/ports/marks'
import { isDate } from '@/core/time/calendar'
import { Button } from '@/ui/pieces/Button'
import { Select } from '../fields/Choice'

const KINDS: { kind: RingMark['kind']; word: string; width: number }[] = [
  { kind: 'flare', word: 'flare', width: 40 },
  { kind: 'dead', word: 'dead wood', width: 20 },
  { kind: 'thin', word: 'thin side', width: 60 },
  { kind: 'girdling', word: 'girdling root', width: 20 },
  { kind: 'hole', word: 'earlier hole', width: 0 },
]

/** The marks as numbers, for typing bearings; each can be taken away, new ones are put at the widest free place. */
export function MarkList({
  marks,
  today,
  chosen,
  onChoose,
  onChange,
}: {
  marks: readonly RingMark[]
  today: string
  chosen: number | null
  onChoose: (index: number) => void
  onChange: (marks: RingMark[]) => void
}) {
  const set = (i: number, part: Partial<RingMark>) =>
    onChange(marks.map((m, j) => (j === i ? { ...m, ...part } : m)))
  const degrees = (text: string) => {
    const n = Math.round(Number(text))
    return text.trim() !== '' && Number.isFinite(n) ? ((n % 360) + 360) % 360 : null
  }
  function add(kind: RingMark['kind'], width: number) {
    const from = freeBearing(marks, kind)
    onChange([
      ...marks,
      { kind, from, to: (from + width) % 360, severity: kind === 'thin' ? 0.5 : null, notedOn: today },
    ])
    onChoose(marks.length)
  }
  return (
    <div>
      <div className="flex flex-wrap gap-1.5">
        {KINDS.map((k) => (
          <Button
            key={k.kind}

            className="desk:!min-h-[34px] !px-2.5 text-small"
            onClick={() => add(k.kind, k.width)}
          >
            + {k.word}
          </Button>
        ))}
      </div>
      <ul className="mt-2 border-t border-line max-h-[330px] overflow-y-auto">
        {marks.map((m, i) => {
          const word = KINDS.find((k) => k.kind === m.kind)!.word
          return (
            <li
              key={i}
              className={`grid grid-cols-[88px_1fr_auto] gap-2 items-center py-1.5 pl-2 border-b border-line border-l-[3px] ${chosen === i ? 'border-l-rust bg-sheet' : 'border-l-transparent'}`}
              onFocus={() => onChoose(i)}
            >
              <span className="text-small">{word}</span>
              <span className="flex items-center gap-1 flex-wrap">
                <Degrees
                  name={`${word} ${i + 1}, ${m.kind === 'hole' ? 'bearing' : 'from'}`}
                  value={m.from}
                  onValue={(v) => set(i, m.kind === 'hole' ? { from: v, to: v } : { from: v })}
                  read={degrees}
                />
                {m.kind !== 'hole' && (
                  <>
                    <span>to</span>
                    <Degrees
                      name={`${word} ${i + 1}, to`}
                      value={m.to}
                      onValue={(v) => set(i, { to: v })}
                      read={degrees}
                    />
                  </>
                )}
                {m.kind === 'thin' && (
                  <Select
                    aria-label={`${word} ${i + 1}, how thin`}
                    className="!w-auto desk:!min-h-[32px] !px-1"
                    value={m.severity ?? 0.5}
                    onValue={(severity) => set(i, { severity })}
                    options={[0.2, 0.4, 0.5, 0.6, 0.8, 1].map((s) => [s, `${s * 100} % gone`] as const)}
                  />
                )}
                {m.kind === 'hole' && (
                  <input
                    type="date"
                    aria-label={`${word} ${i + 1}, drilled on`}
                    className="field !w-[132px] desk:!min-h-[32px] !px-1"
                    max={today}
                    value={m.notedOn}
                    onChange={(e) =>
                      isDate(e.target.value) && e.target.value <= today && set(i, { notedOn: e.target.value })
                    }
                  />
                )}
              </span>
              <button
                type="button"
                className="underline underline-offset-2 text-small p-1"
                aria-label={`Take ${word} ${i + 1} away`}
                onClick={() => onChange(marks.filter((_, j) => j !== i))}
              >
                take away
              </button>
            </li>
          )
        })}
        {marks.length === 0 && (
          <li className="py-3 text-ink2">
            Nothing on the ring yet. Walk round the trunk and add the flares first.
          </li>
        )}
      </ul>
    </div>
  )
}

function Degrees({
  name,
  value,
  onValue,
  read,
}: {
  name: string
  value: number
  onValue: (v: number) => void
  read: (text: string) => number | null
}) {
  return (
    <input
      key={value}
      aria-label={name}
      inputMode="numeric"
      className="field !w-[52px] desk:!min-h-[32px] !px-1 text-right"
      defaultValue={Math.round(value)}
      onBlur={(e) => {
        const v = read(e.target.value)
        if (v === null) e.target.value = String(Math.round(value))
        else if (v !== value) onValue(v)
      }}
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
  )
}

/** The middle of the widest stretch without a mark of this kind. */
function freeBearing(marks: readonly RingMark[], kind: RingMark['kind']): number {
  const taken = marks
    .filter((m) => m.kind === kind)
    .map((m) => m.from)
    .sort((a, b) => a - b)
  if (taken.length === 0) return kind === 'flare' ? 340 : 90
  let best = { from: taken[0]!, gap: 0 }
  taken.forEach((b, i) => {
    const gap = ((taken[(i + 1) % taken.length]! - b + 359) % 360) + 1
    if (gap > best.gap) best = { from: b, gap }
  })
  return Math.round(best.from + best.gap / 2) % 360
}
