'use client'
import { useState } from 'react'
import { MONEY_BOUNDS, PRESSURES, type SiteMoney } from '@/core/decide/siteMoney'
import type { Problem } from '@/core/problem'
import type { DecideSiteView } from '@/server/read/decideSite'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

export type TypedMoney = Record<keyof typeof MONEY_BOUNDS, string> & Pick<SiteMoney, 'pressure'>

/** The figures of a site as they are typed. */
export function typedMoney(money: SiteMoney): TypedMoney {
  return {
    ...(Object.fromEntries(
      Object.keys(MONEY_BOUNDS).map((k) => [k, String(money[k as keyof typeof MONEY_BOUNDS])]),
    ) as Record<keyof typeof MONEY_BOUNDS, string>),
    pressure: money.pressure,
  }
}

/** What was typed as figures; what is no number is none, and is refused at its field. */
export function readMoney(typed: TypedMoney): SiteMoney {
  return {
    ...(Object.fromEntries(
      Object.keys(MONEY_BOUNDS).map((k) => {
        const text = typed[k as keyof typeof MONEY_BOUNDS].trim()
        return [k, text === '' ? NaN : Number(text)]
      }),
    ) as Record<keyof typeof MONEY_BOUNDS, number>),
    pressure: typed.pressure,
  }
}

const GROUPS: readonly [title: string, lines: readonly [keyof typeof MONEY_BOUNDS, string][]][] = [
  [
    'A visit',
    [
      ['visitLeast', 'At the least, $'],
      ['visitPerInch', 'For every inch, $'],
      ['everyYears', 'Years between'],
    ],
  ],
  [
    'Removal',
    [
      ['removeLeast', 'At the least, $'],
      ['removePerInch', 'For every inch, $'],
      ['emergencyTimes', 'Unasked, times'],
    ],
  ],
  [
    'A new tree',
    [
      ['replace', 'Planted, $'],
      ['replaceYears', 'Years till as good'],
    ],
  ],
  ['The old tree', [['worthPerInch', 'Worth an inch a year, $']]],
  [
    'Reckoned',
    [
      ['years', 'Over years'],
      ['discountPercent', 'Discount, % a year'],
    ],
  ],
  [
    'Work at a tree',
    [
      ['minutesLeast', 'Minutes at the least'],
      ['minutesPerInch', 'Minutes an inch'],
    ],
  ],
]

/** What the money of a site rests on, each figure to be changed; kept for the site. */
export function MoneyFields({
  view,
  typed,
  onTyped,
  problem,
}: {
  view: DecideSiteView
  typed: TypedMoney
  onTyped: (typed: TypedMoney) => void
  problem: Problem | null
}) {
  const may = useMay()
  const verb = useVerb('set-site-money', { makes: 'id' })
  const [kept, setKept] = useState<string | null>(null)
  const now = JSON.stringify(typed)
  const changed = now !== JSON.stringify(typedMoney(view.money)) && kept !== now
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  return (
    <details className="no-print bg-paper border border-line p-3">
      <summary className="cursor-pointer font-bold py-1">What the money rests on</summary>
      <p className="text-small text-ink2 mt-1">
        {view.moneyBy
          ? `Set by ${view.moneyBy.by}, ${shortDate(view.moneyBy.at, view.timeZone)}. An inch is an inch through the trunk.`
          : 'House figures, to be made the site’s own. An inch is an inch through the trunk.'}
      </p>
      <div className="mt-2">
        <Choice
          label="Pressure in the district"
          options={PRESSURES.map((p) => [p, p] as const)}
          value={typed.pressure}
          onValue={(pressure) => onTyped({ ...typed, pressure })}
        />
      </div>
      {GROUPS.map(([title, lines]) => (
        <fieldset key={title} className="mt-3">
          <legend className="font-bold text-small">{title}</legend>
          <div className="grid grid-cols-2 gap-2">
            {lines.map(([field, label]) => (
              <Field
                key={field}
                label={label}
                inputMode="decimal"
                value={typed[field]}
                onChange={(e) => onTyped({ ...typed, [field]: e.target.value })}
                problem={at(field)}
              />
            ))}
          </div>
        </fieldset>
      ))}
      {may('set-site-money') && (
        <Button
          className="mt-3"
          disabled={!changed || verb.busy || problem !== null}
          onClick={async () => {
            if ((await verb.send({ siteId: view.site.id, money: readMoney(typed) })) !== null) setKept(now)
          }}
        >
          {changed ? 'Keep these for the site' : 'Kept for the site'}
        </Button>
      )}
      <ProblemNote problem={verb.problem} />
    </details>
  )
}
