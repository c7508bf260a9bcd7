'use client'
import { RULE_KINDS, RULE_NAME } from '@/core/rules/ruleKinds'
import { afterPage } from '@/ui/pieces/afterPage'
import { useState } from 'react'
import type { RulesView } from '@/server/read/rules'
import { Button } from '@/ui/pieces/Button'
import { sayRule } from '@/ui/rules/sayRule'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

const LocalRuleForm = afterPage(() => import('./LocalRuleForm'), 'LocalRuleForm')
const EndRule = afterPage(() => import('./EndRule'), 'EndRule')

type Rule = RulesView['rules'][number]

/** What the places we work in ask beside the label: each rule with its words and its source. Every gate asks them. */
export function LocalRules({ view }: { view: RulesView }) {
  const may = useMay()
  const [adding, setAdding] = useState(false)
  const name = (id: string) => view.names[id] ?? id
  const standing = view.rules.filter((r) => r.endedAt === null)
  const ended = view.rules.filter((r) => r.endedAt !== null)
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Local rules</h1>
          <p className="text-ink2 mt-1 max-w-3xl">
            What law, authority or contract ask where we work, beside the label. Copied by us with its source;
            the source decides. Work that a rule closes cannot be signed or begun.
          </p>
        </div>
        {may('set-local-rule') && !adding && (
          <Button now onClick={() => setAdding(true)}>
            Copy a rule
          </Button>
        )}
      </div>
      {adding && <LocalRuleForm view={view} onDone={() => setAdding(false)} />}
      {standing.length === 0 && !adding && (
        <p className="mt-5">
          No rule is kept. Begin with the closed seasons of your district and with what must be reported.
        </p>
      )}
      {RULE_KINDS.map((kind) => {
        const own = standing.filter((r) => r.rule.kind === kind)
        return own.length === 0 ? null : (
          <section key={kind} className="mt-5">
            <h2>{RULE_NAME[kind]}</h2>
            <ul className="border-t border-line mt-1">
              {own.map((r) => (
                <RuleLine key={r.id} rule={r} says={sayRule(r.rule, name)} timeZone={view.timeZone} />
              ))}
            </ul>
          </section>
        )
      })}
      {ended.length > 0 && (
        <details className="mt-6">
          <summary className="cursor-pointer py-1 underline underline-offset-2">
            {ended.length} ended, kept to be read
          </summary>
          <ul className="border-t border-line mt-1">
            {ended.map((r) => (
              <li key={r.id} className="border-b border-line py-2">
                <b>{r.name}</b>: {sayRule(r.rule, name)}. {r.source}.{' '}
                <span className="text-ink2">
                  Held from {shortDate(r.madeAt, view.timeZone)}; ended by {r.endedBy},{' '}
                  {shortDate(r.endedAt!, view.timeZone)}: {r.endedWhy}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  )
}

function RuleLine({ rule, says, timeZone }: { rule: Rule; says: string; timeZone: string }) {
  const may = useMay()
  const [ending, setEnding] = useState(false)
  return (
    <li className="border-b border-line py-2.5 grid gap-x-5 gap-y-1 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.4fr)_auto] items-baseline">
      <span>
        <b className="block">{says}</b>
        <span className="text-small text-ink2">{rule.district ? `in ${rule.district}` : 'everywhere'}</span>
      </span>
      <span>
        {rule.name}: {rule.text}
        <span className="block text-small text-ink2">
          {rule.source} · copied by {rule.madeBy}, {shortDate(rule.madeAt, timeZone)}
        </span>
      </span>
      {may('end-local-rule') && !ending && (
        <Button quiet onClick={() => setEnding(true)}>
          End it<span className="sr-only">: {rule.name}</span>
        </Button>
      )}
      {ending && <EndRule id={rule.id} onLeave={() => setEnding(false)} />}
    </li>
  )
}
