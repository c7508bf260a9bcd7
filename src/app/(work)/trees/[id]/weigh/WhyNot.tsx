'use client'
import Link from 'next/link'
import { useState } from 'react'
import { findingName } from '@/almanac/findings'
import { hostName } from '@/almanac/hosts'
import type { FirmAlmanac } from '@/almanac/own'
import type { Seen } from '@/core/diagnose/almanac'
import { showWeight } from '@/core/diagnose/showWeight'
import { chanceThere, type Weighed } from '@/core/diagnose/weigh'
import { plain } from '@/core/quantity/format'
import { Choice } from '@/ui/fields/Choice'

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
  almanac,
}: {
  host: string
  month: number
  seen: Seen
  weighed: readonly Weighed[]
  almanac: FirmAlmanac
}) {
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
            onChange={(e) => setAsked(e.target.value)}
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
              onChange={(e) => setPair(i === 0 ? [e.target.value, pair[1]] : [pair[0], e.target.value])}
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
      <p className="note mt-3" role="status">
        {link} is not weighed: it is not known on {hostName(host).toLowerCase()}, only on{' '}
        {cause.hosts === '*' ? 'any tree' : cause.hosts.map((h) => hostName(h).toLowerCase()).join(', ')}.
      </p>
    )
  return (
    <div className="note mt-3" role="status">
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
              (e) =>
                `${findingName(e.finding).toLowerCase()} ${STATE_WORD[e.state]} (${plain(e.bits, 1)} bits)`,
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
    </div>
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
    <table className="w-full mt-3 text-[0.92rem]">
      <thead>
        <tr className="text-left text-ink2 border-b border-line">
          <th className="font-normal py-1">Finding, what parts most first</th>
          <th className="font-normal text-right pl-2">{one.name}</th>
          <th className="font-normal text-right pl-2">{other.name}</th>
          <th className="font-normal text-right pl-2">Here</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ f, a, b }) => (
          <tr key={f.id} className="border-b border-line2">
            <th className="text-left font-normal py-1">
              <Link href={`/almanac/finding/${f.id}`} className="hover:underline">
                {f.name}
              </Link>
            </th>
            {[a, b].map((chance, i) => (
              <td
                key={i}
                className={`text-right ${chance === Math.max(a, b) && Math.abs(a - b) > 0.2 ? 'font-bold' : ''}`}
              >
                {Math.round(chance * 100)} of 100
              </td>
            ))}
            <td className="text-right">{STATE_WORD[seen[f.id] ?? 'not-looked']}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
