'use client'
import { ACTION_WORDS } from '@/almanac/actionWords'
import { Link } from '@/ui/pieces/Link'
import { useMemo, useState } from 'react'
import { causeName } from '@/almanac/causes'
import { findingName } from '@/almanac/findings'
import { hostName } from '@/almanac/hosts'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import type { OwnEntry } from '@/almanac/ownEntry'
import { bestPath, causesIn, practiceCase, type Scored } from '@/almanac/practiceCase'
import { WALK, type ActionClass } from '@/core/diagnose/almanac'
import { showWeight } from '@/core/diagnose/showWeight'
import { causesOf, HEALTHY } from '@/core/diagnose/weigh'
import { plain } from '@/core/quantity/format'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { FindingFigure } from '@/ui/figures/FindingFigure'
import { DrawCase } from '../../DrawCase'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Toggle } from '@/ui/fields/Toggle'

/** One made-up tree: look, each look costs minutes; answer; see the best way. */
export function Case({ caseId, own }: { caseId: string; own: readonly OwnEntry[] }) {
  const almanac = useMemo(() => withOwn(own), [own])
  const one = useMemo(() => practiceCase(caseId, almanac)!, [caseId, almanac])
  const [checks, setChecks] = useState<string[]>([])
  const [place, setPlace] = useState<string>('crown')
  const [answer, setAnswer] = useState('')
  const [action, setAction] = useState<ActionClass | ''>('')
  const [scored, setScored] = useState<Scored | null>(null)
  const verb = useVerb('finish-practice', { makes: 'id' })
  const minutes = checks.reduce((s, f) => s + almanac.findings.get(f)!.minutes, 0)
  const lookable = [...one.truth.keys()].map((f) => almanac.findings.get(f)!)
  const places = WALK.filter((p) => lookable.some((f) => f.place === p))
  const causes = causesOf(one.host, almanac.causes).sort((a, b) => (a.name < b.name ? -1 : 1))
  const here = lookable.filter((f) => f.place === place && f.id !== one.complaint)

  async function finish(event: React.FormEvent) {
    event.preventDefault()
    const result = await verb.send({ caseId, checks, answer, action: action || null })
    if (result) setScored(result)
  }

  return (
    <>
      <p className="text-ink2">
        <Link href="/practice" className="underline">
          Practice
        </Link>{' '}
        · {hostName(one.host)}
      </p>
      <h1>{one.title}</h1>
      <p className="mt-1 text-lead max-w-2xl">{one.story}</p>
      {scored && (
        <Result one={one} almanac={almanac} scored={scored} answer={answer} action={action as ActionClass} />
      )}
      <div className="grid gap-8 mt-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,360px)]">
        <section>
          <Toggle
            label="Where to look"
            hideLabel
            className="flex flex-wrap gap-1.5 capitalize"
            options={places.map((p) => [p, p] as const)}
            value={place}
            onChange={setPlace}
          />
          <ul className="mt-3 border-t border-line">
            {here.map((f) => {
              const looked = checks.includes(f.id)
              return (
                <li key={f.id} className="border-b border-line py-1.5 flex items-center gap-3">
                  {!looked && <FindingFigure finding={f.id} size={52} />}
                  <span className="flex-1 min-w-0">
                    <b>{f.name}</b>
                    <span className="block text-ink2 text-small">{f.question}</span>
                  </span>
                  {looked ? (
                    <span className={`tag ${one.truth.get(f.id) ? 'tag-rust' : 'tag-moss'}`}>
                      {one.truth.get(f.id) ? 'there' : 'not there'}
                    </span>
                  ) : (
                    <Button
                      disabled={scored !== null}
                      onClick={() => setChecks([...checks, f.id])}
                      aria-label={`Look, ${f.minutes} min: ${f.name}`}
                    >
                      Look, {f.minutes} min
                    </Button>
                  )}
                </li>
              )
            })}
          </ul>
        </section>
        <section>
          <div className="bg-paper border border-line p-4">
            <p className="label">Spent</p>
            <p className="font-head font-bold text-figure leading-none">
              {plain(minutes, 1)} <span className="text-base font-text font-normal text-ink2">min</span>
            </p>
            <ul className="mt-3 text-small" aria-live="polite">
              <li>
                <b>{findingName(one.complaint)}</b>: there, says the client
              </li>
              {checks.map((f) => (
                <li key={f}>
                  {findingName(f)}: <b>{one.truth.get(f) ? 'there' : 'not there'}</b>
                </li>
              ))}
            </ul>
            {scored === null && (
              <form onSubmit={finish} className="grid gap-3 mt-4">
                <Choice
                  label="It is"
                  options={[
                    ['', 'choose'],
                    ...[...causes, { id: HEALTHY, name: 'Nothing, it is healthy' }].map(
                      (c) => [c.id, c.name] as const,
                    ),
                  ]}
                  value={answer}
                  onValue={setAnswer}
                />
                <Choice
                  label="To be done"
                  options={[['', 'choose'], ...(Object.entries(ACTION_WORDS) as [ActionClass, string][])]}
                  value={action}
                  onValue={setAction}
                />
                <Button type="submit" now disabled={verb.busy || !answer || !action}>
                  That is my answer
                </Button>
                <ProblemNote problem={verb.problem} />
              </form>
            )}
          </div>
        </section>
      </div>
    </>
  )
}

function Result({
  one,
  almanac,
  scored,
  answer,
  action,
}: {
  one: NonNullable<ReturnType<typeof practiceCase>>
  almanac: FirmAlmanac
  scored: Scored
  answer: string
  action: ActionClass
}) {
  const there = causesIn(almanac, one.causes)
  const path = bestPath(one, almanac)
  return (
    <section
      ref={(el) => el?.scrollIntoView({ block: 'nearest' })}
      className="mt-4 border-y-4 border-ink py-4"
      aria-label="Result"
      role="status"
    >
      <div className="grid gap-6 lg:grid-cols-2">
        <div>
          <p className="font-head font-bold text-figure leading-none">
            {scored.score} <span className="text-lead font-text font-normal text-ink2">of 100</span>
          </p>
          <ul className="mt-3 grid gap-2">
            <Note as="li" says={scored.causeRight ? 'good' : 'stop'}>
              {scored.causeRight ? 'Right. ' : `You said ${causeName(answer).toLowerCase()}. `}
              {there.length === 0 && 'Nothing was wrong with it: any tree shows such a sign now and then.'}
              {there.map((c) => (
                <span key={c.id} className="block">
                  At work was{' '}
                  <Link href={`/almanac/cause/${c.id}`} className="underline font-bold">
                    {c.name.toLowerCase()}
                  </Link>
                  . {c.oneLine}
                </span>
              ))}
            </Note>
            <Note as="li" says={scored.actionRight ? 'good' : 'stop'}>
              {scored.actionRight ? 'And the right work. ' : `Your choice was: ${ACTION_WORDS[action]}. `}
              {there.length === 0 && <b>Nothing is to be done.</b>}
              {there.map((c) => (
                <span key={c.id} className="block">
                  <b>{ACTION_WORDS[c.action]}</b>: {c.act} {c.doNot}
                </span>
              ))}
            </Note>
            <Note as="li">
              {plain(scored.minutes, 1)} minutes; the best way took {plain(scored.bestMinutes, 1)}. With what
              you had seen, {causeName(scored.leading.cause).toLowerCase()} led with{' '}
              {showWeight(scored.leading.probability)}.
            </Note>
          </ul>
        </div>
        <div>
          <h2>The best way there</h2>
          <p className="text-small text-ink2">
            Each look is the one that could change the work most for its minutes; where none could, asking
            stops.
          </p>
          <ol className="mt-1 border-t border-line">
            {path.map((s, i) => (
              <li key={s.finding} className="flex justify-between gap-3 py-1.5 border-b border-line2">
                <span>
                  {i + 1}. {findingName(s.finding)}: <b>{s.state === 'there' ? 'there' : 'not there'}</b>
                </span>
                <span className="text-ink2 whitespace-nowrap">{s.minutes} min</span>
              </li>
            ))}
            {path.length === 0 && <li className="py-1.5">The complaint alone tells it.</li>}
          </ol>
          <div className="flex gap-3 items-end">
            <DrawCase words="Next case" />
            <ButtonLink href="/practice">All cases</ButtonLink>
          </div>
        </div>
      </div>
    </section>
  )
}
