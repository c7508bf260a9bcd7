'use client'
import { Link } from '@/ui/pieces/Link'
import { useMemo, useState } from 'react'
import { findingName } from '@/almanac/findings'
import { hostName } from '@/almanac/hosts'
import { withOwn, type FirmAlmanac } from '@/almanac/own'
import type { OwnEntry } from '@/almanac/ownEntry'
import { stateOf, type Seen } from '@/core/diagnose/almanac'
import { showWeight } from '@/core/diagnose/showWeight'
import { chanceThere, type Weighed } from '@/core/diagnose/weigh'
import { Choice } from '@/ui/fields/Choice'
import { Note } from '@/ui/pieces/Note'
import { DataTable } from '@/ui/pieces/DataTable'
import { timesLess } from '@/core/diagnose/showWeight'

const STATE_WORD = {
  there: 'there',
  'not-there': 'not there',
  unsure: 'unsure',
  'not-looked': 'not looked at',
}

/** Why a cause does not lead, or is not weighed at all; and two causes side by side, finding by finding. */
export function WhyNot({
  host,
  month,
  seen,
  weighed,
  own: entries,
}: {
  host: string
  month: number
  seen: Seen
  weighed: readonly Weighed[]
  own: readonly OwnEntry[]
}) {
  const almanac = useMemo(() => withOwn(entries), [entries])
  const [asked, setAsked] = useState('')
  const [pair, setPair] = useState<[string, string]>([weighed[0]?.cause ?? '', weighed[1]?.cause ?? ''])
  const all = [...almanac.causes].sort((a, b) => (a.name < b.name ? -1 : 1))
  const own = all.filter((c) => weighed.some((w) => w.cause === c.id))
  return (
    <div className="grid gap-6 mt-8 lg:grid-cols-2">
      <section>
        <h2>Why is this cause not here?</h2>
        <div className="max-w-sm mt-2">
          <Choice
            label="Cause"
            options={[['', 'choose a cause'], ...all.map((c) => [c.id, c.name] as const)]}
            value={asked}
            onValue={setAsked}
          />
        </div>
        {asked && <Why cause={asked} host={host} month={month} weighed={weighed} almanac={almanac} />}
      </section>
      <section>
        <h2>Two side by side</h2>
        <div className="grid grid-cols-2 gap-3 mt-2">
          {([0, 1] as const).map((i) => (
            <Choice
              key={i}
              label={i === 0 ? 'One' : 'The other'}
              options={[['', 'choose'], ...own.map((c) => [c.id, c.name] as const)]}
              value={own.some((c) => c.id === pair[i]) ? pair[i] : ''}
              onValue={(v) => setPair(i === 0 ? [v, pair[1]] : [pair[0], v])}
            />
          ))}
        </div>
        <SideBySide pair={pair} seen={seen} almanac={almanac} />
      </section>
    </div>
  )
}

function Why({
  cause: id,
  host,
  month,
  weighed,
  almanac,
}: {
  cause: string
  host: string
  month: number
  weighed: readonly Weighed[]
  almanac: FirmAlmanac
}) {
  const cause = almanac.causes.find((c) => c.id === id)!
  const own = weighed.find((w) => w.cause === id)
  const rank = weighed.findIndex((w) => w.cause === id) + 1
  const link = (
    <Link href={`/almanac/cause/${id}`} className="underline">
      {cause.name}
    </Link>
  )
  if (!own)
    return (
      <Note className="mt-3" role="status">
        {link} is not weighed: it is not known on {hostName(host).toLowerCase()}, only on{' '}
        {cause.hosts === '*' ? 'any tree' : cause.hosts.map((h) => hostName(h).toLowerCase()).join(', ')}.
      </Note>
    )
  return (
    <Note as="div" className="mt-3" role="status">
      <p>
        {link} stands at place {rank} of {weighed.length} with {showWeight(own.probability)}.
        {own.outOfSeason && ` It is not seen in month ${month}, which takes most of its weight.`}
      </p>
      {own.against.length > 0 && (
        <p className="mt-1">
          Against it:{' '}
          {own.against
            .slice(0, 5)
            .map(
              (e) => `${findingName(e.finding).toLowerCase()} ${STATE_WORD[e.state]} (${timesLess(e.bits)})`,
            )
            .join(', ')}
          .
        </p>
      )}
      {own.notLooked.length > 0 && (
        <p className="mt-1">
          Nobody has looked for: {own.notLooked.map((f) => findingName(f).toLowerCase()).join(', ')}.
        </p>
      )}
      {own.against.length === 0 && own.notLooked.length === 0 && (
        <p className="mt-1">Nothing speaks against it; others simply explain more.</p>
      )}
    </Note>
  )
}

function SideBySide({ pair, seen, almanac }: { pair: [string, string]; seen: Seen; almanac: FirmAlmanac }) {
  const [one, other] = pair.map((id) => almanac.causes.find((c) => c.id === id))
  if (!one || !other || one === other)
    return <p className="text-ink2 mt-3">Choose two causes to see which findings part them.</p>
  const rows = [...new Set([...Object.keys(one.findings), ...Object.keys(other.findings)])]
    .flatMap((id) => almanac.findings.get(id) ?? [])
    .map((f) => ({ f, a: chanceThere(f, one), b: chanceThere(f, other) }))
    .sort((x, y) => Math.abs(y.a - y.b) - Math.abs(x.a - x.b))
    .slice(0, 10)
  return (
    <DataTable
      caption={`${one.name} beside ${other.name}`}
      className="mt-3"
      columns={[
        { head: 'Finding, what parts most first' },
        { head: one.name, figures: true },
        { head: other.name, figures: true },
        { head: 'Here', figures: true },
      ]}
      rows={rows.map(({ f, a, b }) => ({
        key: f.id,
        name: (
          <Link href={`/almanac/finding/${f.id}`} className="hover:underline">
            {f.name}
          </Link>
        ),
        cells: [
          ...[a, b].map((chance, i) => {
            const text = `${Math.round(chance * 100)} of 100`
            return chance === Math.max(a, b) && Math.abs(a - b) > 0.2 ? <b key={i}>{text}</b> : text
          }),
          STATE_WORD[stateOf(seen, f.id)],
        ],
      }))}
    />
  )
}
