'use client'
import type { FindingState } from '@/core/diagnose/almanac'

const STATES: { state: FindingState; word: string; key: string }[] = [
  { state: 'there', word: 'There', key: '1' },
  { state: 'not-there', word: 'Not there', key: '2' },
  { state: 'unsure', word: 'Unsure', key: '3' },
  { state: 'not-looked', word: 'Not looked', key: '4' },
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
          className={`state state-${s.state}`}
        >
          {s.word}
        </button>
      ))}
    </div>
  )
}
