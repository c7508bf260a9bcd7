'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { LEVELS, refersOn, type SafetyScreen as Screen } from '@/core/decide/safetyScreen'
import type { DecideView } from '@/server/read/tree'
import { Choice } from '@/ui/fields/Choice'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked, AskedBy } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { useWatch } from 'react-hook-form'
import { screenSafetyAsks } from '@/asks/trees'

const PARTS = ['defect', 'target', 'consequence'] as const

/** What could break, over whom, and what would come of it: a look before anything is decided, not a rating. */
export function SafetyScreen({ view }: { view: DecideView }) {
  const { screen, tree } = view
  const may = useMay()
  const router = useRouter()
  const by = useStep('screen-safety', 'id')
  const [open, setOpen] = useState(false)
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
        <AskedForm
          asks={screenSafetyAsks}
          start={{
            defect: screen?.defect ?? 1,
            target: screen?.target ?? 1,
            consequence: screen?.consequence ?? 1,
            defectWords: screen?.defectWords ?? '',
            targetWords: screen?.targetWords ?? '',
            consequenceWords: screen?.consequenceWords ?? '',
          }}
          fixed={{ treeId: tree.id }}
          by={by}
          onDone={() => {
            setOpen(false)
            router.refresh()
          }}
          keep="Keep the screen"
          quiet
          onLeave={() => setOpen(false)}
          className="grid gap-3 mt-2"
        >
          {PARTS.map((part) => (
            <div key={part} className="grid gap-1.5">
              <AskedBy<1 | 2 | 3> at={part}>
                {({ about, value, set, problem }) => (
                  <Choice
                    label={about.label}
                    options={([1, 2, 3] as const).map((l) => [l, LEVELS[part][l]] as const)}
                    value={value}
                    onValue={set}
                    problem={problem}
                  />
                )}
              </AskedBy>
              <Asked at={`${part}Words`} />
            </div>
          ))}
          <WhoDecides />
        </AskedForm>
      )}
    </section>
  )
}

/** Whether it may be decided here, by what is chosen so far. */
function WhoDecides() {
  const refers = refersOn(useWatch() as unknown as Screen)
  return (
    <Note says={refers ? 'stop' : 'know'}>
      {refers
        ? 'From here on a qualified risk assessor decides; nothing is drilled or climbed before.'
        : 'It may be decided here. This look rates no risk; in doubt refer it.'}
    </Note>
  )
}
