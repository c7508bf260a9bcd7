'use client'
import { useRouter } from 'next/navigation'
import { sayForWhom, type ForWhom } from '@/core/schools/house'
import { howDone, type School } from '@/core/schools/school'
import type { AlmanacView } from '@/server/read/almanac'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { useWatch } from 'react-hook-form'
import { houseRuleAsks } from '@/asks/rules'

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
  const by = useStep('set-house-rule', 'id')
  const back = useVerb('set-house-rule', { makes: 'id' })
  const everywhere = rules.find((r) => !r.district && !r.clientId && !r.treeId) ?? null
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
                <Button
                  quiet
                  disabled={back.busy}
                  onClick={async () => {
                    const none = { matter: school.id, rule: 'none', words: null, ...whoOf(r) } as const
                    if ((await back.send(none)) !== null) router.refresh()
                  }}
                >
                  Take it back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <ProblemNote problem={back.problem} />
      {rules.length > 1 && (
        <p className="text-small text-ink2 mt-1">
          A tree’s own rule goes before its client’s, that before the district’s, that before the rest.
        </p>
      )}
      {may('set-house-rule') && (
        <AskedForm
          asks={houseRuleAsks}
          start={{
            rule: everywhere?.rule ?? school.standard,
            where: 'all',
            district: view.districts[0] ?? '',
            clientId: view.clients[0]?.id ?? null,
            words: everywhere?.words ?? '',
          }}
          sends={({ where, rule, words, district, clientId }) =>
            ok({
              matter: school.id,
              rule,
              words,
              ...nobody,
              ...(where === 'district' && { district }),
              ...(where === 'client' && { clientId }),
            })
          }
          by={by}
          onDone={() => router.refresh()}
          keep="Set our rule"
          quiet
          className="grid gap-3 mt-3"
        >
          <Asked
            at="rule"
            options={[
              ['one', school.one],
              ['other', school.other],
              ['by case', 'by case'],
            ]}
          />
          <Where view={view} />
          <Asked at="words" />
        </AskedForm>
      )}
    </section>
  )
}

/** Where the rule holds: everywhere, in a district, for a client. */
function Where({ view }: { view: AlmanacView }) {
  const where = useWatch({ name: 'where' }) as string
  return (
    <>
      <Asked
        at="where"
        options={[
          ['all', 'in all our work'],
          ['district', 'in one district'],
          ...(view.clients.length > 0 ? [['client', 'for one client'] as const] : []),
        ]}
      />
      {where === 'district' && <Asked at="district" among={view.districts} />}
      {where === 'client' && (
        <Asked at="clientId" options={view.clients.map((c) => [c.id, c.name] as const)} />
      )}
    </>
  )
}
