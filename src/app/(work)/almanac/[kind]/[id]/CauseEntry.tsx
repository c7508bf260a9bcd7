import { OwnOfCause } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { notFound } from 'next/navigation'
import { causeName } from '@/almanac/causes'
import { findingName } from '@/almanac/findings'
import { hostName } from '@/almanac/hosts'
import type { FirmAlmanac } from '@/almanac/own'
import type { OwnEntry } from '@/almanac/ownEntry'
import { PRACTICE } from '@/almanac/practice'
import type { Frequency, ProductClass } from '@/core/diagnose/almanac'
import { CLASS_WORD } from '@/almanac/classWord'
import { testsFor } from '@/almanac/laboratory'
import { LOOKS } from '@/almanac/looks'
import { OFTEN_WORD } from '@/almanac/oftenWord'
import { SCIENTIFIC } from '@/almanac/scientific'
import { FindingFigure } from '@/ui/figures/FindingFigure'
import type { SURENESS } from '@/almanac/sureness'
import type { AlmanacView } from '@/server/read/almanac'
import { waysOf } from '@/almanac/ways'
import { Ways } from '@/ui/ways/Ways'
import { District } from './District'
import { OftenChoice } from './OftenChoice'
import { HowSure, SureTag } from './SureTag'
import { MONTHS } from '@/core/time/yearly'
import { Note } from '@/ui/pieces/Note'
import { May } from '@/ui/shell/may'

const ORDER: Frequency[] = ['always', 'usual', 'sometimes', 'seldom', 'never']
const WORKS = {
  yes: 'There is something that works.',
  partly: 'What can be done helps in part.',
  no: 'Nothing cures it.',
  'not needed': 'It needs no treatment.',
}
/** Everything the almanac says of a cause. */
export function CauseEntry({ id, view, almanac }: { id: string; view: AlmanacView; almanac: FirmAlmanac }) {
  const cause = almanac.causes.find((c) => c.id === id)
  if (!cause) notFound()
  const practice = PRACTICE[id]
  const entries = view.own.map((o) => o.entry)
  const own = new Map(
    view.own.flatMap((o) =>
      o.entry.kind === 'frequency' && o.entry.cause === id ? [[o.entry.finding, o] as const] : [],
    ),
  )
  const signs = Object.entries(cause.findings).sort((a, b) => ORDER.indexOf(a[1]) - ORDER.indexOf(b[1]))
  return (
    <>
      <h1 className="mt-1">
        {cause.name} {id.startsWith('own-') && <span className="tag tag-rust">own</span>}
      </h1>
      <p className="text-ink2">
        {SCIENTIFIC[id] && <i>{SCIENTIFIC[id]} · </i>}
        {cause.kind} · {cause.hosts === '*' ? 'any tree' : cause.hosts.map((h) => hostName(h)).join('; ')}
      </p>
      <p className="mt-3 text-lead max-w-3xl">{cause.oneLine}</p>
      <Looks id={id} defining={cause.defining ?? []} />
      <District cause={id} view={view} />
      <div className="grid gap-x-8 gap-y-5 mt-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          <h2 className="border-b border-ink2 pb-1 flex justify-between items-baseline gap-3">
            What it shows{' '}
            <span className="text-small font-text font-normal text-ink2">
              how often: <SureTag of="often" />
            </span>
          </h2>
          <ul>
            {signs.map(([finding, often]) => (
              <li
                key={finding}
                className="flex justify-between gap-3 py-1 border-b border-line2 items-center"
              >
                <Link href={`/almanac/finding/${finding}`} className="hover:underline">
                  {findingName(finding)}
                </Link>
                <May
                  step="set-own-entry"
                  otherwise={
                    <span>
                      {OFTEN_WORD[often]}
                      {own.has(finding) && <span className="tag tag-rust ml-2">own</span>}
                    </span>
                  }
                >
                  <OftenChoice
                    cause={id}
                    finding={finding}
                    name={findingName(finding)}
                    often={often}
                    own={own.get(finding) ?? null}
                  />
                </May>
              </li>
            ))}
          </ul>
          <p className="label mt-3">
            Seen in <SureTag of="months" />
          </p>
          <p
            className="flex gap-[3px]"
            role="img"
            aria-label={cause.months ? cause.months.map((m) => MONTHS[m - 1]).join(', ') : 'any month'}
          >
            {MONTHS.map((m, i) => {
              const on = !cause.months || cause.months.includes(i + 1)
              return (
                <span
                  key={i}
                  aria-hidden="true"
                  className={`w-6 h-6 grid place-items-center text-small border ${on ? 'bg-moss-soft border-moss font-bold' : 'border-line text-ink2'}`}
                >
                  {m[0]}
                </span>
              )
            })}
          </p>
          {practice?.degreeDays && (
            <p className="mt-1.5 text-ink2">
              {practice.degreeDays[0]} to {practice.degreeDays[1].toLocaleString('en-US')} °F·d above 50 °F
              from 1 January: {practice.degreeDays[2]} <SureTag of="degreeDays" />
            </p>
          )}
          {(cause.lookAlikes.length > 0 || cause.livesOn) && (
            <>
              <h2 className="mt-5 border-b border-ink2 pb-1">Looks like, lives with</h2>
              <ul>
                {cause.lookAlikes.map((l) => (
                  <li key={l.cause} className="py-1.5 border-b border-line2">
                    <Link href={`/almanac/cause/${l.cause}`} className="font-bold hover:underline">
                      {causeName(l.cause)}
                    </Link>{' '}
                    {l.check}
                  </li>
                ))}
                {cause.livesOn && (
                  <li className="py-1.5 text-ink2">
                    Lives on:{' '}
                    {cause.livesOn.map((c, i) => (
                      <span key={c}>
                        {i > 0 && ', '}
                        <Link href={`/almanac/cause/${c}`} className="underline">
                          {causeName(c).toLowerCase()}
                        </Link>
                      </span>
                    ))}
                  </li>
                )}
              </ul>
            </>
          )}
        </section>
        <section className="grid gap-3 content-start">
          <Note says="good">{cause.act}</Note>
          <Note says="stop">{cause.doNot}</Note>
          <Tests cause={id} own={entries} />
          <Ways ways={waysOf(id, entries)} />
          <OwnOfCause cause={id} view={view} />
          {cause.reportable && <Note>Reportable where it is regulated: ask the authority first.</Note>}
          {practice && (
            <p>
              <b>{WORKS[practice.works]}</b> {cause.expect} Look again after{' '}
              {practice.lookAgain
                .map((d) => (d === 1 ? '1 day' : d < 60 ? `${d} days` : `${Math.round(d / 30.4)} months`))
                .join(', ')}
              .
            </p>
          )}
          <p>
            <b>Spreads:</b> {cause.spread}
          </p>
          {practice && (
            <p className="text-straw">
              <b>Safety:</b> {practice.safety}
            </p>
          )}
          {Object.keys(cause.refuses).length > 0 && (
            <div>
              <h2 className="text-base">Cannot touch it</h2>
              <ul className="text-small">
                {Object.entries(cause.refuses).map(([cls, why]) => (
                  <li key={cls} className="py-0.5">
                    <b>{CLASS_WORD[cls as ProductClass]}:</b> {why}
                  </li>
                ))}
              </ul>
            </div>
          )}
          {practice && (
            <p className="text-ink2 text-small">Source: {practice.source}. The label comes first.</p>
          )}
        </section>
      </div>
      <HowSure of={sureOf(id, practice?.degreeDays !== undefined, entries)} />
    </>
  )
}

/** The kinds of figures that stand on the page of a cause. */
function sureOf(id: string, timed: boolean, own: readonly OwnEntry[]): (keyof typeof SURENESS)[] {
  return [
    'signs',
    'often',
    'months',
    ...(timed ? (['degreeDays'] as const) : []),
    ...(testsFor(id, own).length > 0 ? (['negative', 'answerDays'] as const) : []),
    ...(waysOf(id, own).length > 0 ? (['ways'] as const) : []),
    'lookAgain',
  ]
}

/** The tests that settle a cause: what to take, how long the answer takes, and what it is worth. */
function Tests({ cause, own }: { cause: string; own: readonly OwnEntry[] }) {
  const tests = testsFor(cause, own)
  if (tests.length === 0) return null
  return (
    <div>
      <h2>How to prove it</h2>
      <ul className="mt-1 border-t border-line">
        {tests.map((t) => (
          <li key={t.id} className="py-2 border-b border-line">
            <b>{t.name}</b>, {t.days === 0 ? 'answer on the spot' : `answer in about ${t.days} days`}.{' '}
            {t.take}
            <span className="block text-ink2 text-small">
              {t.note.replace(/[.]?$/, '.')} A negative misses it about {Math.round(t.misses * 100)} times in
              a hundred <SureTag of="negative" />
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** How it looks early, later, and for certain, with the drawings of what makes it certain. */
function Looks({ id, defining }: { id: string; defining: readonly string[] }) {
  const looks = LOOKS[id]
  return (
    <div className="mt-3 max-w-3xl flex flex-wrap gap-x-6 gap-y-3">
      <dl className="flex-1 min-w-[280px]">
        {looks &&
          (
            [
              ['Early', looks.early],
              ['Later', looks.later],
              ['To be sure', looks.sure],
            ] as const
          ).map(([name, text]) => (
            <div key={name} className="grid grid-cols-[96px_minmax(0,1fr)] gap-x-3 py-1 border-b border-line">
              <dt className="font-bold">{name}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        {defining.length > 0 && (
          <div className="grid grid-cols-[96px_minmax(0,1fr)] gap-x-3 py-1 border-b border-line">
            <dt className="font-bold">Certain by</dt>
            <dd>
              {defining.map((f, i) => (
                <span key={f}>
                  {i > 0 && ' · '}
                  <Link href={`/almanac/finding/${f}`} className="underline">
                    {findingName(f)}
                  </Link>
                </span>
              ))}
            </dd>
          </div>
        )}
      </dl>
      <div className="flex gap-2">
        {defining.slice(0, 3).map((f) => (
          <FindingFigure key={f} finding={f} size={112} />
        ))}
      </div>
    </div>
  )
}
