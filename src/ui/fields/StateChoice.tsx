'use client'
import type { FindingState } from '@/core/diagnose/almanac'

const STATES: { state: FindingState; word: string; key: string; on: string }[] = [
  { state: 'there', word: 'There', key: '1', on: 'bg-rust text-white border-rust' },
  { state: 'not-there', word: 'Not there', key: '2', on: 'bg-moss text-white border-moss' },
  { state: 'unsure', word: 'Unsure', key: '3', on: 'bg-straw text-white border-straw' },
  { state: 'not-looked', word: 'Not looked', key: '4', on: 'bg-line2 text-ink border-ink2' },
]

/** The four states of a finding, one press each; arrows move through them as in any group of radio buttons. */
export function StateChoice({
  name,
  state,
  disabled,
  onFocus,
  onSet,
}: {
  name: string
  state: FindingState
  disabled: boolean
  onFocus: () => void
  onSet: (state: FindingState) => void
}) {
  function arrows(event: React.KeyboardEvent<HTMLButtonElement>) {
    const by =
      event.key === 'ArrowRight' || event.key === 'ArrowDown'
        ? 1
        : event.key === 'ArrowLeft' || event.key === 'ArrowUp'
          ? -1
          : 0
    if (by === 0) return
    event.preventDefault()
    const next = (STATES.findIndex((s) => s.state === state) + by + STATES.length) % STATES.length
    onSet(STATES[next]!.state)
    ;(event.currentTarget.parentElement?.children[next] as HTMLElement | undefined)?.focus()
  }
  return (
    <div role="radiogroup" aria-label={name} className="grid grid-cols-2 sm:grid-cols-4 gap-[3px]">
      {STATES.map((s) => (
        <button
          key={s.state}
          type="button"
          role="radio"
          aria-checked={state === s.state}
          disabled={disabled}
          tabIndex={state === s.state ? 0 : -1}
          onFocus={onFocus}
          onKeyDown={arrows}
          onClick={() => onSet(s.state)}
          title={`${s.word} ( ${s.key} )`}
          className={`min-h-[38px] max-sm:min-h-[48px] px-2.5 border rounded-sm text-small whitespace-nowrap ${state === s.state ? `${s.on} font-bold` : 'border-line bg-paper text-ink2'} disabled:opacity-100`}
        >
          {s.word}
        </button>
      ))}
    </div>
  )
}
