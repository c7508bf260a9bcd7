import Link from 'next/link'
import { inOneLine, UNREADABLE, type Application } from '@/server/ledger/body'
import { plain, showGirth, showMl, showSpeed, showTemperature, type UnitSystem } from '@/core/quantity/format'
import type { RecordView } from '@/server/read/work'
import { Ring } from '@/ui/ring/Ring'
import { Slip } from '@/ui/slip/Slip'
import { clockTime, longDate, shortDate, writtenDate } from '@/ui/when'
import { CorrectRecord } from './CorrectRecord'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { DataTable } from '@/ui/pieces/DataTable'
import { May } from '@/ui/shell/may'
import { PrintButton } from '@/ui/pieces/PrintButton'

/** One record as it was signed: nothing on it can be changed; corrections stand beneath it. */
export function RecordPage({ view }: { view: RecordView }) {
  const { record, timeZone, units } = view
  if (record.kind === 'correction') return <CorrectionPage view={view} />
  const { body } = record
  if (!body)
    return (
      <>
        <h1>
          Record {record.seq}, {record.tag}
        </h1>
        <Note says="stop" className="mt-3 max-w-3xl" role="alert">
          {UNREADABLE} {view.trouble?.words}
        </Note>
        <Corrections view={view} />
        <Chain view={view} />
      </>
    )
  return (
    <>
      <p className="text-small text-ink2">
        <Link href="/ledger" className="underline underline-offset-2">
          ledger
        </Link>{' '}
        ·{' '}
        <Link href={`/trees/${record.treeId}`} className="underline underline-offset-2">
          {record.tag}
        </Link>
      </p>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1>
          Record {record.seq}, {body.tree.tag}
        </h1>
        <PrintButton />
      </div>
      {view.trouble && (
        <Note says="stop" className="mt-2 max-w-3xl" role="alert">
          {view.trouble.seq === record.seq
            ? `This record cannot be relied on. ${view.trouble.words}`
            : `The ledger has trouble at record ${view.trouble.seq}. ${view.trouble.words}`}
        </Note>
      )}
      <p className="text-ink2 mt-1">
        Signed by {body.applicator.name}, licence {body.applicator.licence},{' '}
        {longDate(record.signedAt, timeZone)}, {clockTime(record.signedAt, timeZone)}
      </p>
      <div className="grid gap-x-8 gap-y-6 mt-4 lg:grid-cols-[minmax(0,1fr)_minmax(280px,330px)_minmax(260px,300px)]">
        <Facts body={body} timeZone={timeZone} units={units} />
        <div>
          <Ring
            marks={view.marks}
            ports={body.ports.map((p) => ({
              bearing: p.bearing,
              stage: p.givenUp ? ('given up' as const) : ('done' as const),
              number: p.number,
            }))}
            label={`Ports of ${body.tree.tag}`}
            className="w-full"
          />
          <PortTable ports={body.ports} timeZone={timeZone} />
        </div>
        <Slip title="Working" about={`as signed`} working={body.working} />
      </div>
      <Corrections view={view} />
      <Chain view={view} />
    </>
  )
}

/** The entry's place in the chain and its seal, as it is printed with it. */
function Chain({ view }: { view: RecordView }) {
  const { record, seal } = view
  return (
    <p className="mt-6 text-small text-ink2 break-all max-w-4xl">
      Chain: this entry {record.hash}, the one before {record.prevHash}
      {seal && (
        <>
          <br />
          Seal: {seal.signature}, key {seal.key}, of {longDate(seal.sealedAt, view.timeZone)},{' '}
          {clockTime(seal.sealedAt, view.timeZone)} ({seal.sealedAt.getTime()})
        </>
      )}
    </p>
  )
}

function Facts({ body, timeZone, units }: { body: Application; timeZone: string; units: UnitSystem }) {
  const w = body.weather
  const rows: [string, string][] = [
    ['Where', `${body.place.site}, ${body.place.town}`],
    [
      'Tree',
      `${body.tree.tag}, ${body.tree.kind}, ${showGirth(body.tree.diameterM, units)} through${body.tree.readOn ? `, read ${writtenDate(body.tree.readOn)}` : ''}`,
    ],
    ['Target', body.target],
    ['Method', `${body.method}, ${body.hardware}`],
    [
      'Product',
      `${body.product.name} (${body.product.actives.map((a) => `${a.name} ${a.strength}`).join(', ')})`,
    ],
    ['Registration, lot', `${body.product.registration}, lot ${body.product.lot}, card ${body.product.card}`],
    [
      'Applied',
      `${showMl(body.volumeM3)} at the ${body.rate} rate, of ${showMl(body.planned.volumeM3)} planned`,
    ],
    ['Ports', `${body.ports.length}, holes: ${body.hole}`],
    ['Counted back in', `${body.countedIn}`],
    [
      'Time',
      `${clockTime(Date.parse(body.startedAt), timeZone)} to ${clockTime(Date.parse(body.endedAt), timeZone)}`,
    ],
    [
      'Weather',
      `${showTemperature(w.temperatureC, units)}, wind ${showSpeed(w.windMs, units)} ${w.windFrom}, ${w.sky}, soil ${w.soil}`,
    ],
    [
      'Closed until',
      body.reentryUntil
        ? `${shortDate(Date.parse(body.reentryUntil), timeZone)}, ${clockTime(Date.parse(body.reentryUntil), timeZone)}`
        : 'not closed, nothing went in',
    ],
    ['Notices', body.notices],
    ['Otherwise than planned', otherwise(body)],
  ]
  if (body.outcome !== 'treated')
    rows.unshift([
      'Outcome',
      `${body.outcome}: ${showMl(body.volumeM3)} of at least ${showMl(body.leastM3 ?? body.planned.volumeM3)} by the label; back with the arborist`,
    ])
  return (
    <dl className="border-t border-line">
      {rows.map(([name, value]) => (
        <div key={name} className="grid grid-cols-[150px_minmax(0,1fr)] gap-3 border-b border-line2 py-1.5">
          <dt className="text-ink2">{name}</dt>
          <dd className="font-bold break-words">{value}</dd>
        </div>
      ))}
    </dl>
  )
}

/** What went otherwise: as it happened at the ports, then in the signer's own words. */
function otherwise(body: Application): string {
  return [...body.deviations, ...(body.deviationWords ? [body.deviationWords] : [])].join(' ') || 'nothing'
}

function PortTable({ ports, timeZone }: { ports: Application['ports']; timeZone: string }) {
  return (
    <DataTable
      caption="Ports, one by one"
      className="mt-2"
      columns={[
        { head: 'Port' },
        { head: 'Bearing' },
        { head: 'Went in', figures: true },
        { head: 'From', figures: true },
        { head: 'Took', figures: true },
      ]}
      rows={ports.map((p) => ({
        key: p.number,
        name: p.number,
        cells: [
          `${p.bearing}°`,
          showMl(p.volumeM3),
          p.startedAt ? clockTime(Date.parse(p.startedAt), timeZone) : 'not set',
          p.startedAt && p.stoppedAt
            ? `${plain((Date.parse(p.stoppedAt) - Date.parse(p.startedAt)) / 60_000, 0)} min`
            : '–',
        ],
      }))}
    />
  )
}

function Corrections({ view }: { view: RecordView }) {
  return (
    <section className="mt-8 max-w-3xl">
      <h2>Corrections</h2>
      <ul className="border-t border-line mt-1">
        {view.corrections.map((c) => (
          <li key={c.id} className="py-2 border-b border-line">
            <b>{inOneLine(c)}</b>
            <span className="block text-small">
              {c.kind === 'correction' && c.body?.reason}{' '}
              <span className="text-ink2">
                · {c.signedBy}, {shortDate(c.signedAt, view.timeZone)}, record {c.seq}
              </span>
            </span>
          </li>
        ))}
        {view.corrections.length === 0 && (
          <li className="py-2 text-ink2 border-b border-line">None. This record stands as it was signed.</li>
        )}
      </ul>
      <May step="correct-record">
        <CorrectRecord recordId={view.record.id} />
      </May>
    </section>
  )
}

function CorrectionPage({ view }: { view: RecordView }) {
  const { record, corrected } = view
  return (
    <>
      <h1>Record {record.seq}, a correction</h1>
      <p className="text-ink2 mt-1">
        Signed by {record.signedBy}, {longDate(record.signedAt, view.timeZone)}
      </p>
      <p className="mt-4 max-w-2xl text-lead">{inOneLine(record)}</p>
      {record.kind === 'correction' && record.body && (
        <p className="mt-2 max-w-2xl">Because: {record.body.reason}</p>
      )}
      {corrected && (
        <ButtonLink href={`/ledger/${corrected.id}`} className="mt-4">
          Open record {corrected.seq}, which it corrects
        </ButtonLink>
      )}
    </>
  )
}
