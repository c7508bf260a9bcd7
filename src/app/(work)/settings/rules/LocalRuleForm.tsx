'use client'
import { RULE_KINDS, RULE_NAME, type RuleKind } from '@/core/rules/ruleKinds'
import { METHODS, METHOD_NAME } from '@/core/methods/names'
import { CAUSES } from '@/almanac/causes'
import { HOSTS } from '@/almanac/hosts'
import { useRouter } from 'next/navigation'
import { type Method } from '@/core/card/card'
import { type LocalRule } from '@/core/rules/localRule'
import type { RulesView } from '@/server/read/rules'
import { DayOfYear } from '@/ui/fields/DayOfYear'
import { Names } from '@/ui/fields/Names'
import { Toggle } from '@/ui/fields/Toggle'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked, useAsked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { useWatch } from 'react-hook-form'
import { localRuleAsks } from '@/asks/rules'

/** Everything a form can hold; a kind takes what it needs. */
interface Typed {
  kind: RuleKind
  methods: Method[]
  anyHost: 'any' | 'some'
  hosts: string[]
  causes: string[]
  actives: string
  groups: string
  allYear: 'yes' | 'no'
  from: string
  to: string
  distance: string
  days: string
  whom: string
}

const NAMED_METHODS = METHODS.map((m) => ({ id: m, name: METHOD_NAME[m] }))

/** Which lines each kind asks. */
const ASKS: Record<RuleKind, readonly (keyof Typed)[]> = {
  'closed-season': ['methods', 'hosts', 'from'],
  restricted: ['actives', 'hosts', 'allYear'],
  bloom: ['groups', 'hosts', 'from'],
  setback: ['distance', 'methods'],
  notice: ['days', 'whom', 'methods'],
  amateur: ['methods'],
  report: ['causes', 'whom', 'days'],
}

const parts = (text: string) =>
  text
    .split(',')
    .map((t) => t.trim())
    .filter((t) => t !== '')
const whole = (text: string) => (/^\d+$/.test(text.trim()) ? Number(text) : (text as unknown as number))

/** What was typed, as it is sent; what cannot be read goes on as it is, so that the rule names it. */
function ruleOf(t: Typed): LocalRule {
  const hosts = t.anyHost === 'any' ? ('any' as const) : t.hosts
  const { kind, methods, from, to, whom } = t
  switch (kind) {
    case 'closed-season':
      return { kind, methods, hosts, from, to }
    case 'restricted':
      return { kind, actives: parts(t.actives), hosts, ...(t.allYear === 'no' && { from, to }) }
    case 'bloom':
      return { kind, groups: parts(t.groups), hosts, from, to }
    case 'setback':
      return { kind, distance: t.distance, methods }
    case 'notice':
      return { kind, days: whole(t.days), whom, methods }
    case 'amateur':
      return { kind, methods }
    case 'report':
      return { kind, causes: t.causes, whom, days: whole(t.days) }
  }
}

const NOTHING_TYPED: Typed = {
  kind: 'closed-season',
  methods: [],
  anyHost: 'some',
  hosts: [],
  causes: [],
  actives: '',
  groups: '',
  allYear: 'yes',
  from: '04-01',
  to: '07-31',
  distance: '',
  days: '',
  whom: '',
}

type Named = readonly { id: string; name: string }[]

/** A rule of a place, copied with its words and its source. */
export function LocalRuleForm({ view, onDone }: { view: RulesView; onDone: () => void }) {
  const router = useRouter()
  return (
    <AskedForm
      asks={localRuleAsks}
      start={{ name: '', text: '', source: '', district: '', rule: NOTHING_TYPED }}
      sends={({ rule, ...said }) => ok({ ...said, rule: ruleOf(rule as Typed) })}
      by={useStep('set-local-rule', 'id')}
      onDone={() => {
        router.refresh()
        onDone()
      }}
      keep="Keep this rule"
      keeping="Keeping it"
      onLeave={onDone}
      className="mt-4 bg-sheet border border-line p-4 grid gap-4 max-w-5xl"
    >
      <div className="grid gap-4 lg:grid-cols-2">
        <div className="grid gap-3 content-start">
          <LinesOfRule hosts={[...HOSTS, ...view.ownHosts]} causes={[...CAUSES, ...view.ownCauses]} />
        </div>
        <div className="grid gap-3 content-start">
          <Asked at="name" />
          <Asked at="text" />
          <Asked at="source" />
          <Asked at="district" among={view.districts} />
        </div>
      </div>
    </AskedForm>
  )
}

/** The lines that its kind of rule asks. */
function LinesOfRule({ hosts, causes }: { hosts: Named; causes: Named }) {
  const { kind, anyHost, allYear } = useWatch({ name: 'rule' }) as Typed
  const asks = ASKS[kind]
  return (
    <>
      <Asked at="rule.kind" options={RULE_KINDS.map((k) => [k, RULE_NAME[k]] as const)} />
      {asks.includes('actives') && <Asked at="rule.actives" />}
      {asks.includes('groups') && <Asked at="rule.groups" />}
      {asks.includes('distance') && <Asked at="rule.distance" />}
      {asks.includes('methods') && <SomeOf at="rule.methods" options={NAMED_METHODS} />}
      {asks.includes('hosts') && (
        <>
          <OneOf
            at="rule.anyHost"
            options={[
              ['some', 'these kinds'],
              ['any', 'any kind'],
            ]}
          />
          {anyHost === 'some' && <SomeOf at="rule.hosts" options={hosts} />}
        </>
      )}
      {asks.includes('causes') && <SomeOf at="rule.causes" options={causes} />}
      {asks.includes('whom') && <Asked at="rule.whom" />}
      {asks.includes('days') && (
        <Asked at="rule.days" label={kind === 'report' ? 'Within days' : 'Days before the work'} />
      )}
      {asks.includes('allYear') && (
        <OneOf
          at="rule.allYear"
          options={[
            ['yes', 'all year'],
            ['no', 'between two days'],
          ]}
        />
      )}
      {(asks.includes('from') || (asks.includes('allYear') && allYear === 'no')) && (
        <div className="grid grid-cols-2 gap-3">
          <ADay at="rule.from" />
          <ADay at="rule.to" />
        </div>
      )}
    </>
  )
}

function SomeOf({ at, options }: { at: string; options: Named }) {
  const { about, value, set, problem } = useAsked<string[]>(at)
  return <Names label={about.label} options={options} value={value} onValue={set} problem={problem} />
}

function OneOf({ at, options }: { at: string; options: readonly (readonly [string, string])[] }) {
  const { about, value, set } = useAsked<string>(at)
  return <Toggle label={about.label} options={options} value={value} onChange={set} />
}

function ADay({ at }: { at: string }) {
  const { about, value, set, problem } = useAsked<string>(at)
  return <DayOfYear label={about.label} value={value} onValue={set} problem={problem} />
}
