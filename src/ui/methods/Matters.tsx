import { Link } from '@/ui/pieces/Link'
import { sayForWhom, type MatterAt } from '@/core/schools/house'
import { howDone } from '@/core/schools/school'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'

/** What was chosen for a matter otherwise than the house does it, as it is typed. */
export interface ChosenMatter {
  way: 'one' | 'other'
  words: string
  keepFor: 'tree' | 'client' | null
}

/** What was chosen, by matter; what is not in it is done as the house does it. */
export type ChosenMatters = Readonly<Record<string, ChosenMatter>>

/** What was chosen, as it is sent. */
export function mattersSent(chosen: ChosenMatters) {
  return Object.entries(chosen).map(([matter, c]) => ({ matter, ...c }))
}

/** The matters on which practitioners differ that this work touches: how the house does each, and why. */
export function Matters({ matters }: { matters: readonly MatterAt[] }) {
  if (matters.length === 0) return null
  return (
    <Note as="ul" says="water" className="mt-3 max-w-3xl">
      {matters.map(({ school, rule }) => (
        <li key={school.id}>
          <Link href={`/almanac/school/${school.id}`} className="underline">
            {school.matter}
          </Link>
          : <b>{howDone(school, rule?.rule)}</b>{' '}
          {rule
            ? `(house rule ${sayForWhom(rule)}, ${rule.by}${rule.words ? `: ${rule.words}` : ''})`
            : '(by default)'}
        </li>
      ))}
    </Note>
  )
}

const AS_HOUSE = 'house'

/** How each matter is done in one prescription: as the house does it, or otherwise with a reason that is printed with it. */
export function MatterChoices({
  matters,
  chosen,
  onChosen,
  oneTree,
}: {
  matters: readonly MatterAt[]
  chosen: ChosenMatters
  onChosen: (chosen: ChosenMatters) => void
  /** It is for one tree: what is chosen may be kept for it. */
  oneTree: boolean
}) {
  if (matters.length === 0) return null
  const set = (matter: string, c: ChosenMatter | null) =>
    onChosen(
      c === null
        ? Object.fromEntries(Object.entries(chosen).filter(([m]) => m !== matter))
        : { ...chosen, [matter]: c },
    )
  return (
    <details className="no-print mt-3 border-t border-line pt-2" open={Object.keys(chosen).length > 0}>
      <summary className="cursor-pointer py-1">
        <span className="font-bold">How we do it here</span>{' '}
        <span className="text-ink2">
          {matters.length} {matters.length === 1 ? 'matter' : 'matters'} on which good practice differs
        </span>
      </summary>
      <div className="grid gap-3 mt-2">
        {matters.map(({ school, rule }) => {
          const own = chosen[school.id]
          return (
            <div key={school.id}>
              <Choice
                label={school.matter}
                options={[
                  [AS_HOUSE, `${howDone(school, rule?.rule)} (${rule ? 'house rule' : 'by default'})`],
                  ['one', school.one],
                  ['other', school.other],
                ]}
                value={own?.way ?? AS_HOUSE}
                onValue={(way) =>
                  set(
                    school.id,
                    way === AS_HOUSE
                      ? null
                      : {
                          way: way,
                          words: own?.words ?? '',
                          keepFor: own?.keepFor ?? null,
                        },
                  )
                }
                hint={
                  own
                    ? `Right when: ${own.way === 'one' ? school.oneWhen : school.otherWhen}`
                    : rule
                      ? `${sayForWhom(rule)}, ${rule.by}${rule.words ? `: ${rule.words}` : ''}`
                      : school.why
                }
              />
              {own && (
                <div className="grid gap-2 mt-2 pl-3 border-l-2 border-line">
                  <Field
                    label="Why it is done so"
                    value={own.words}
                    onChange={(e) => set(school.id, { ...own, words: e.target.value })}
                  />
                  <Choice
                    label="It holds"
                    options={[
                      ['once', 'for this work only'],
                      ...(oneTree ? [['tree', 'for this tree from now on'] as const] : []),
                      ['client', 'for this client from now on'],
                    ]}
                    value={own.keepFor ?? 'once'}
                    onValue={(k) => set(school.id, { ...own, keepFor: k === 'once' ? null : k })}
                  />
                </div>
              )}
            </div>
          )
        })}
      </div>
    </details>
  )
}
