import { useId, useState } from 'react'
import { Labelled } from './Labelled'

/** Some of many by their names: a name is typed or chosen and joins the list; a press takes it out again. */
export function Names({
  label,
  hint,
  options,
  value,
  onValue,
  problem,
}: {
  label: string
  hint?: string
  options: readonly { id: string; name: string }[]
  value: readonly string[]
  onValue: (ids: string[]) => void
  problem?: string | null
}) {
  const list = useId()
  const [typed, setTyped] = useState('')
  const [strange, setStrange] = useState<string | null>(null)
  const nameOf = (id: string) => options.find((o) => o.id === id)?.name ?? id
  function take(text: string, sure: boolean) {
    const found = options.find((o) => o.name.toLowerCase() === text.trim().toLowerCase())
    if (found) {
      if (!value.includes(found.id)) onValue([...value, found.id])
      setTyped('')
      setStrange(null)
      return
    }
    setTyped(text)
    setStrange(sure && text.trim() !== '' ? `There is no “${text.trim()}”; choose from the list.` : null)
  }
  return (
    <div>
      <Labelled label={label} hint={hint} problem={strange ?? problem}>
        {(tied) => (
          <input
            {...tied}
            className="field"
            autoComplete="off"
            list={list}
            value={typed}
            placeholder="type a name, then Enter"
            onChange={(e) => take(e.target.value, false)}
            onBlur={(e) => take(e.target.value, true)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' || typed === '') return
              e.preventDefault()
              take(typed, true)
            }}
          />
        )}
      </Labelled>
      <datalist id={list}>
        {options
          .filter((o) => !value.includes(o.id))
          .map((o) => (
            <option key={o.id} value={o.name} />
          ))}
      </datalist>
      {value.length > 0 && (
        <ul className="flex flex-wrap gap-1.5 mt-1.5" aria-label={`${label}, chosen`}>
          {value.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="tag tag-moss min-h-[32px] px-2"
                aria-label={`Take out ${nameOf(id)}`}
                onClick={() => onValue(value.filter((v) => v !== id))}
              >
                {nameOf(id)} <span aria-hidden>×</span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
