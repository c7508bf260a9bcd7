import Link from 'next/link'
import type { Working } from '@/core/working/working'
import { plain, showGirth, showMl, showSpeed, showTemperature, type UnitSystem } from '@/core/quantity/format'
import type { RecordView } from '@/server/read/work'
import { Ring } from '@/ui/ring/Ring'
import { Slip } from '@/ui/slip/Slip'
import { clockTime, longDate, shortDate, writtenDate } from '@/ui/when'
import { CorrectRecord } from './CorrectRecord'

interface PortLine {
  number: number
  bearing: number
  volumeM3: number
  leftM3: number
  drilledAt: string | null
  startedAt: string | null
  stoppedAt: string | null
  givenUp: string | null
}

interface Application {
  applicator: { name: string; licence: string }
  firm: string
  place: { site: string; town: string }
  tree: { tag: string; kind: string; diameterM: number; readOn: string | null; portGirthM: number }
  target: string
  method: string
  hardware: string
  product: {
    name: string
    registration: string
    card: string
    lot: string
    actives: { name: string; strength: string }[]
  }
  rate: string
  volumeM3: number
  planned: { volumeM3: number; ports: number }
  ports: PortLine[]
  hole: string
  startedAt: string
  endedAt: string
  countedIn: number
  weather: { temperatureC: number; windMs: number; windFrom: string; sky: string; soil: string }
  /** Null where nothing went in. */
  reentryUntil: string | null
  notices: string
  /** Worked out from what happened; a text of the person's own in records of the first version. */
  deviations: string[] | string | null
  deviationWords?: string | null
  outcome?: 'treated' | 'partly treated' | 'not treated'
  leastM3?: number
  working: Working
}

/** One record as it was signed: nothing on it can be changed; corrections stand beneath it. */
export function RecordPage({ view }: { view: RecordView }) {
  const { record, timeZone, units } = view
  if (record.kind === 'correction') return <CorrectionPage view={view} />
  const body = record.body as unknown as Application
  return (
    <>
      <p className="text-[0.88rem] text-ink2">
        <Link href="/ledger" className="underline underline-offset-2">
          ledger
        </Link>{' '}
        ·{' '}
        <Link href={`/trees/${record.treeId}`} className="underline underline-offset-2">
          {record.tag}
        </Link>
      </p>
      <h1>
        Record {record.seq}, {body.tree.tag}
      </h1>
      {view.trouble && (
        <p className="note note-stop mt-2 max-w-3xl" role="alert">
          {view.trouble.seq === record.seq
            ? `This record cannot be relied on. ${view.trouble.words}`
            : `The ledger has trouble at record ${view.trouble.seq}. ${view.trouble.words}`}
        </p>
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
    <p className="mt-6 text-[0.84rem] text-ink2 break-all max-w-4xl">
      Chain: this entry {record.hash}, the one before {record.prevHash}
      {seal && (
        <>
          <br />
          Seal: {seal.signature}, key {seal.key}, {seal.sealedAt.toISOString()}
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
  if (body.outcome && body.outcome !== 'treated')
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
  const happened = Array.isArray(body.deviations) ? body.deviations : []
  const own = Array.isArray(body.deviations) ? body.deviationWords : body.deviations
  return [...happened, ...(own ? [own] : [])].join(' ') || 'nothing'
}

function PortTable({ ports, timeZone }: { ports: PortLine[]; timeZone: string }) {
  return (
    <table className="w-full text-[0.9rem] mt-2">
      <thead>
        <tr className="text-left text-ink2">
          <th className="font-normal">Port</th>
          <th className="font-normal">Bearing</th>
          <th className="font-normal text-right">Went in</th>
          <th className="font-normal text-right">From</th>
          <th className="font-normal text-right">Took</th>
        </tr>
      </thead>
      <tbody>
        {ports.map((p) => (
          <tr key={p.number} className="border-t border-line2">
            <td>{p.number}</td>
            <td>{p.bearing}°</td>
            <td className="text-right">{showMl(p.volumeM3)}</td>
            <td className="text-right">
              {p.startedAt ? clockTime(Date.parse(p.startedAt), timeZone) : 'not set'}
            </td>
            <td className="text-right">
              {p.startedAt && p.stoppedAt
                ? `${plain((Date.parse(p.stoppedAt) - Date.parse(p.startedAt)) / 60_000, 0)} min`
                : '–'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Corrections({ view }: { view: RecordView }) {
  return (
    <section className="mt-8 max-w-3xl">
      <h2>Corrections</h2>
      <ul className="border-t border-line mt-1">
        {view.corrections.map((c) => (
          <li key={c.id} className="py-2 border-b border-line">
            <b>{String(c.body.correction)}</b>
            <span className="block text-[0.92rem]">
              {String(c.body.reason)}{' '}
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
      {(view.role === 'arborist' || view.role === 'crew lead') && <CorrectRecord recordId={view.record.id} />}
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
      <p className="mt-4 max-w-2xl text-[1.1rem]">{String(record.body.correction)}</p>
      <p className="mt-2 max-w-2xl">Because: {String(record.body.reason)}</p>
      {corrected && (
        <Link href={`/ledger/${corrected.id}`} className="btn mt-4">
          Open record {corrected.seq}, which it corrects
        </Link>
      )}
    </>
  )
}
