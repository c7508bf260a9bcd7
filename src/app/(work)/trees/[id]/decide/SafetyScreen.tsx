'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { LEVELS, refersOn, type SafetyScreen as Screen } from '@/core/decide/safetyScreen'
import type { DecideView } from '@/server/read/tree'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

const PARTS = [
  ['defect', 'What is weak', 'in your words: which limb, which side'],
  ['target', 'What is beneath', 'who, how long, when'],
  ['consequence', 'What would come of it', 'if it came down'],
] as const

/** What could break, over whom, and what would come of it: a look before anything is decided, not a rating. */
export function SafetyScreen({ view }: { view: DecideView }) {
  const { screen, tree } = view
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('screen-safety', { makes: 'id' })
  const [open, setOpen] = useState(false)
  const [levels, setLevels] = useState<Screen>({
    defect: screen?.defect ?? 1,
    target: screen?.target ?? 1,
    consequence: screen?.consequence ?? 1,
  })
  const [words, setWords] = useState({
    defect: screen?.defectWords ?? '',
    target: screen?.targetWords ?? '',
    consequence: screen?.consequenceWords ?? '',
  })
  return (
    <section aria-label="Safety screen" className="mt-4 border-t border-line pt-3">
      <h2>Could it break over somebody?</h2>
      {screen && (
        <Note says={screen.refer ? 'stop' : 'good'} className="mt-2">
          {screen.defectWords}; beneath it {screen.targetWords}; {screen.consequenceWords}.{' '}
          {screen.refer ? 'It goes to a qualified risk assessor.' : 'Nothing that has to be assessed first.'}{' '}
          <span className="text-ink2">
            {screen.by}, {shortDate(screen.at, view.timeZone)}
          </span>
        </Note>
      )}
      {!open && may('screen-safety') && (
        <Button className="mt-2" onClick={() => setOpen(true)}>
          {screen ? 'Screen it again' : 'Screen it'}
        </Button>
      )}
      {open && (
        <form
          className="grid gap-3 mt-2"
          onSubmit={async (e) => {
            e.preventDefault()
            const done = await verb.send({
              treeId: tree.id,
              ...levels,
              defectWords: words.defect,
              targetWords: words.target,
              consequenceWords: words.consequence,
            })
            if (done === null) return
            setOpen(false)
            router.refresh()
          }}
        >
          {PARTS.map(([part, label, hint]) => (
            <div key={part} className="grid gap-1.5">
              <Choice
                label={label}
                options={([1, 2, 3] as const).map((l) => [l, LEVELS[part][l]] as const)}
                value={levels[part]}
                onValue={(l) => setLevels({ ...levels, [part]: l })}
              />
              <Field
                label={`${label}, in words`}
                hint={hint}
                value={words[part]}
                onChange={(e) => setWords({ ...words, [part]: e.target.value })}
                problem={verb.problem?.field === `${part}Words` ? verb.problem.message : null}
              />
            </div>
          ))}
          <Note says={refersOn(levels) ? 'stop' : 'know'}>
            {refersOn(levels)
              ? 'From here on a qualified risk assessor decides; nothing is drilled or climbed before.'
              : 'It may be decided here. This look rates no risk; in doubt refer it.'}
          </Note>
          <ProblemNote problem={verb.problem?.field.endsWith('Words') ? null : verb.problem} />
          <span className="flex gap-2">
            <Button type="submit" disabled={verb.busy}>
              Keep the screen
            </Button>
            <Button quiet onClick={() => setOpen(false)}>
              Leave it
            </Button>
          </span>
        </form>
      )}
    </section>
  )
}
