'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { METHODS, type Method } from '@/core/card/card'
import { METHOD_NAME } from '@/core/card/say'
import { RULE_KINDS, RULE_NAME, type LocalRule, type RuleKind } from '@/core/rules/localRule'
import type { RulesView } from '@/server/read/rules'
import { Choice } from '@/ui/fields/Choice'
import { DayOfYear } from '@/ui/fields/DayOfYear'
import { Field } from '@/ui/fields/Field'
import { Names } from '@/ui/fields/Names'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { TextArea } from '@/ui/fields/TextArea'
import { Toggle } from '@/ui/fields/Toggle'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** Everything a form can hold; a kind takes what it needs. */
interface Typed {
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
function ruleOf(kind: RuleKind, t: Typed): LocalRule {
  const hosts = t.anyHost === 'any' ? ('any' as const) : t.hosts
  const { methods, from, to, whom } = t
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

/** A rule of a place, copied with its words and its source. */
export function LocalRuleForm({
  view,
  hosts,
  causes,
  onDone,
}: {
  view: RulesView
  hosts: readonly { id: string; name: string }[]
  causes: readonly { id: string; name: string }[]
  onDone: () => void
}) {
  const router = useRouter()
  const verb = useVerb('set-local-rule', { makes: 'id' })
  const [kind, setKind] = useState<RuleKind>('closed-season')
  const [said, setSaid] = useState({ name: '', text: '', source: '', district: '' })
  const [typed, setTyped] = useState<Typed>({
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
  })
  const set = (part: Partial<Typed>) => setTyped({ ...typed, ...part })
  const asks = ASKS[kind]
  const at = (field: string) =>
    verb.problem && (verb.problem.field === field || verb.problem.field.startsWith(`${field}[`))
      ? verb.problem.message
      : null
  const known = [
    ...['name', 'text', 'source', 'district'],
    ...['hosts', 'methods', 'causes', 'actives', 'groups', 'distance', 'days', 'whom', 'from', 'to'].map(
      (line) => `rule.${line}`,
    ),
  ]
  const shownBeside = known.some((k) => at(k) !== null)
  return (
    <form
      className="mt-4 bg-sheet border border-line p-4 grid gap-4 lg:grid-cols-2 max-w-5xl"
      onSubmit={async (e) => {
        e.preventDefault()
        const sent = { ...said, district: said.district.trim() || null, rule: ruleOf(kind, typed) }
        if ((await verb.send(sent)) === null) return
        router.refresh()
        onDone()
      }}
    >
      <div className="grid gap-3 content-start">
        <Choice
          label="What it is about"
          options={RULE_KINDS.map((k) => [k, RULE_NAME[k]] as const)}
          value={kind}
          onValue={setKind}
        />
        {asks.includes('actives') && (
          <Field
            label="Active ingredients"
            hint="with commas"
            value={typed.actives}
            onChange={(e) => set({ actives: e.target.value })}
            problem={at('rule.actives')}
          />
        )}
        {asks.includes('groups') && (
          <Field
            label="Groups of actives"
            hint="as on the label, with commas: 4A, 4D"
            value={typed.groups}
            onChange={(e) => set({ groups: e.target.value })}
            problem={at('rule.groups')}
          />
        )}
        {asks.includes('distance') && (
          <Field
            label="Distance"
            hint="with its unit: 100 ft"
            value={typed.distance}
            onChange={(e) => set({ distance: e.target.value })}
            problem={at('rule.distance')}
          />
        )}
        {asks.includes('methods') && (
          <Names
            label="Methods"
            options={NAMED_METHODS}
            value={typed.methods}
            onValue={(m) => set({ methods: m as Method[] })}
            problem={at('rule.methods')}
          />
        )}
        {asks.includes('hosts') && (
          <>
            <Toggle
              label="Kinds of tree"
              options={[
                ['some', 'these kinds'],
                ['any', 'any kind'],
              ]}
              value={typed.anyHost}
              onChange={(anyHost) => set({ anyHost })}
            />
            {typed.anyHost === 'some' && (
              <Names
                label="Which kinds"
                options={hosts}
                value={typed.hosts}
                onValue={(h) => set({ hosts: h })}
                problem={at('rule.hosts')}
              />
            )}
          </>
        )}
        {asks.includes('causes') && (
          <Names
            label="Causes"
            options={causes}
            value={typed.causes}
            onValue={(c) => set({ causes: c })}
            problem={at('rule.causes')}
          />
        )}
        {asks.includes('whom') && (
          <Field
            label="Who is told"
            value={typed.whom}
            onChange={(e) => set({ whom: e.target.value })}
            problem={at('rule.whom')}
          />
        )}
        {asks.includes('days') && (
          <Field
            label={kind === 'report' ? 'Within days' : 'Days before the work'}
            inputMode="numeric"
            value={typed.days}
            onChange={(e) => set({ days: e.target.value })}
            problem={at('rule.days')}
          />
        )}
        {asks.includes('allYear') && (
          <Toggle
            label="When"
            options={[
              ['yes', 'all year'],
              ['no', 'between two days'],
            ]}
            value={typed.allYear}
            onChange={(allYear) => set({ allYear })}
          />
        )}
        {(asks.includes('from') || (asks.includes('allYear') && typed.allYear === 'no')) && (
          <div className="grid grid-cols-2 gap-3">
            <DayOfYear
              label="First day"
              value={typed.from}
              onValue={(from) => set({ from })}
              problem={at('rule.from')}
            />
            <DayOfYear
              label="Last day"
              value={typed.to}
              onValue={(to) => set({ to })}
              problem={at('rule.to')}
            />
          </div>
        )}
      </div>
      <div className="grid gap-3 content-start">
        <Field
          label="Its name"
          value={said.name}
          onChange={(e) => setSaid({ ...said, name: e.target.value })}
          problem={at('name')}
        />
        <TextArea
          label="What it says"
          value={said.text}
          onChange={(e) => setSaid({ ...said, text: e.target.value })}
          problem={at('text')}
        />
        <Field
          label="Where it stands"
          hint="bylaw, order, contract, letter; with its date"
          value={said.source}
          onChange={(e) => setSaid({ ...said, source: e.target.value })}
          problem={at('source')}
        />
        <Field
          label="District (empty: everywhere)"
          hint="as it stands at the sites"
          list="districts"
          value={said.district}
          onChange={(e) => setSaid({ ...said, district: e.target.value })}
          problem={at('district')}
        >
          <datalist id="districts">
            {view.districts.map((d) => (
              <option key={d} value={d} />
            ))}
          </datalist>
        </Field>
        <ProblemNote problem={shownBeside ? null : verb.problem} />
        <span className="flex gap-2">
          <Button type="submit" now disabled={verb.busy}>
            {verb.busy ? 'Keeping it' : 'Keep this rule'}
          </Button>
          <Button quiet onClick={onDone}>
            Leave it
          </Button>
        </span>
      </div>
    </form>
  )
}
