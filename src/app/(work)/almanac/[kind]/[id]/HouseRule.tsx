'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { School } from '@/almanac/schools'
import type { AlmanacView } from '@/server/read/almanac'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** How this house does it. */
export function HouseRule({
  school,
  rule,
  view,
}: {
  school: School
  rule: AlmanacView['rules'][number] | null
  view: AlmanacView
}) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('set-house-rule', { makes: 'id' })
  const [way, setWay] = useState(rule?.rule ?? school.standard)
  const [words, setWords] = useState(rule?.words ?? '')
  const said = rule && (rule.rule === 'one' ? school.one : rule.rule === 'other' ? school.other : 'by case')
  return (
    <section className="mt-5 max-w-2xl">
      <h2>Our house rule</h2>
      <p className="mt-1">
        {rule ? (
          <>
            <b>{said}</b>
            {rule.words && `: ${rule.words}`}{' '}
            <span className="text-ink2">
              set by {rule.by}, {shortDate(rule.at, view.timeZone)}
            </span>
          </>
        ) : (
          <span className="text-ink2">None is set; the default holds.</span>
        )}
      </p>
      {may('set-house-rule') && (
        <form
          className="grid gap-3 mt-3"
          onSubmit={async (e) => {
            e.preventDefault()
            const sent = { matter: school.id, rule: way, words: words.trim() || null }
            if ((await verb.send(sent)) !== null) router.refresh()
          }}
        >
          <Choice
            label="We do it"
            options={[
              ['one', school.one],
              ['other', school.other],
              ['by case', 'by case'],
            ]}
            value={way}
            onValue={setWay}
          />
          <Field label="Where, for whom, why" value={words} onChange={(e) => setWords(e.target.value)} />
          <Button type="submit" className="justify-self-start" disabled={verb.busy}>
            Set our rule
          </Button>
          <ProblemNote problem={verb.problem} />
        </form>
      )}
    </section>
  )
}
