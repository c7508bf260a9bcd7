'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { sayForWhom, type ForWhom } from '@/core/schools/house'
import { howDone, type School } from '@/core/schools/school'
import type { AlmanacView } from '@/server/read/almanac'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

type Rule = AlmanacView['rules'][number]

const nobody: ForWhom = { district: null, clientId: null, treeId: null }
const whoOf = ({ district, clientId, treeId }: Rule): ForWhom => ({ district, clientId, treeId })

/** How this house does it: in all its work, in a district, for a client or at a tree. The nearest holds. */
export function HouseRule({
  school,
  rules,
  view,
}: {
  school: School
  rules: readonly Rule[]
  view: AlmanacView
}) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('set-house-rule', { makes: 'id' })
  const everywhere = rules.find((r) => !r.district && !r.clientId && !r.treeId) ?? null
  const [way, setWay] = useState<School['standard']>(everywhere?.rule ?? school.standard)
  const [words, setWords] = useState(everywhere?.words ?? '')
  const [where, setWhere] = useState<'all' | 'district' | 'client'>('all')
  const [district, setDistrict] = useState(view.districts[0] ?? '')
  const [clientId, setClientId] = useState(view.clients[0]?.id ?? '')
  const set = async (rule: School['standard'] | 'none', whom: ForWhom, said: string | null) => {
    if ((await verb.send({ matter: school.id, rule, words: said, ...whom })) !== null) router.refresh()
  }
  return (
    <section className="mt-5 max-w-2xl">
      <h2>Our house rules</h2>
      {rules.length === 0 ? (
        <p className="mt-1 text-ink2">None is set; the default holds: {school.why}</p>
      ) : (
        <ul className="border-t border-line mt-1">
          {rules.map((r) => (
            <li
              key={`${r.district} ${r.clientId} ${r.treeId}`}
              className="border-b border-line py-2 flex flex-wrap justify-between gap-x-4 gap-y-1 items-baseline"
            >
              <span>
                <b>{howDone(school, r.rule)}</b> {r.forName ? `for ${r.forName}` : sayForWhom(r)}
                {r.words && `: ${r.words}`}{' '}
                <span className="text-ink2">
                  set by {r.by}, {shortDate(r.at, view.timeZone)}
                </span>
              </span>
              {may('set-house-rule') && (
                <Button quiet disabled={verb.busy} onClick={() => void set('none', whoOf(r), null)}>
                  Take it back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {rules.length > 1 && (
        <p className="text-small text-ink2 mt-1">
          A tree’s own rule goes before its client’s, that before the district’s, that before the rest.
        </p>
      )}
      {may('set-house-rule') && (
        <form
          className="grid gap-3 mt-3"
          onSubmit={(e) => {
            e.preventDefault()
            void set(
              way,
              {
                ...nobody,
                ...(where === 'district' && { district }),
                ...(where === 'client' && { clientId }),
              },
              words.trim() || null,
            )
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
          <Choice
            label="It holds"
            options={[
              ['all', 'in all our work'],
              ['district', 'in one district'],
              ...(view.clients.length > 0 ? [['client', 'for one client'] as const] : []),
            ]}
            value={where}
            onValue={(w) => setWhere(w)}
          />
          {where === 'district' && (
            <Field
              label="District"
              list="districts"
              value={district}
              onChange={(e) => setDistrict(e.target.value)}
              hint="as it stands at the sites"
            >
              <datalist id="districts">
                {view.districts.map((d) => (
                  <option key={d} value={d} />
                ))}
              </datalist>
            </Field>
          )}
          {where === 'client' && (
            <Choice
              label="Client"
              options={view.clients.map((c) => [c.id, c.name] as const)}
              value={clientId}
              onValue={setClientId}
            />
          )}
          <Field label="Why" value={words} onChange={(e) => setWords(e.target.value)} />
          <Button type="submit" className="justify-self-start" disabled={verb.busy}>
            Set our rule
          </Button>
          <ProblemNote problem={verb.problem} />
        </form>
      )}
    </section>
  )
}
