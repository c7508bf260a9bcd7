import { KeptPhoto } from '@/ui/pieces/KeptPhoto'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import { CorrectRecord } from './CorrectRecord'
import { Link } from '@/ui/pieces/Link'
import { amountOf, inOneLine, UNREADABLE, type Application, type Correction } from '@/server/ledger/body'
import { capital } from '@/core/capital'
import { sayOutcome } from '@/core/methods/outcome'
import { showProduct } from '@/core/methods/showProduct'
import { marksOn } from '@/core/ports/marks'
import { plain, showGirth, showMl, showSpeed, showTemperature, type UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import type { RecordView } from '@/server/read/work'
import { Ring } from '@/ui/ring/Ring'
import { StemRings } from '@/ui/ring/StemRings'
import { Slip } from '@/ui/slip/Slip'
import { clockTime, longDate, shortDate, writtenDate } from '@/ui/when'
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
  const one = body?.subjects.length === 1 ? body.subjects[0]! : null
  const title = `Record ${record.seq}, ${one ? one.tree.tag : body ? `${body.subjects.length} trees at ${body.place.block ? `${body.place.block}, ` : ''}${body.place.site}` : (record.tag ?? record.siteName)}`
  if (!body)
    return (
      <>
        <h1>{title}</h1>
        <Note says="stop" className="mt-3 max-w-3xl" role="alert">
          {UNREADABLE} {view.trouble?.words}
        </Note>
        <Pictures view={view} />
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
        {record.treeId === null ? (
          <Link href={`/grounds/${record.siteId}`} className="underline underline-offset-2">
            {record.siteName}
          </Link>
        ) : (
          <Link href={`/trees/${record.treeId}`} className="underline underline-offset-2">
            {record.tag}
          </Link>
        )}
      </p>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1>{title}</h1>
        <PrintButton />
      </div>
      {view.trouble && (
        <Note says="stop" className="mt-2 max-w-3xl" role="alert">
          {view.trouble.seq === record.seq
            ? `This record cannot be relied on. ${view.trouble.words}`
            : `The ledger has trouble at record ${view.trouble.seq}. ${view.trouble.words}`}
        </Note>
      )}
      {view.calledBack && (
        <Note says="stop" className="mt-2 max-w-3xl">
          Lot {body.product.lot} was called back on {writtenDate(view.calledBack.on)}: {view.calledBack.why}
        </Note>
      )}
      <p className="text-ink2 mt-1">
        Signed by {body.applicator.name}, licence {body.applicator.licence},{' '}
        {longDate(record.signedAt, timeZone)}, {clockTime(record.signedAt, timeZone)}
      </p>
      {one ? (
        <div className="grid gap-x-8 gap-y-6 mt-4 lg:grid-cols-[minmax(0,1fr)_minmax(280px,330px)_minmax(260px,300px)]">
          <Facts body={body} timeZone={timeZone} units={units} />
          <div>
            {one.ports.length > 0 ? (
              <>
                <PortRings of={one} marks={view.marks} />
                <PortTable ports={one.ports} timeZone={timeZone} />
              </>
            ) : (
              <TaskTable tasks={one.tasks} timeZone={timeZone} />
            )}
          </div>
          <Slip title="Working" about="as signed" working={one.working} />
        </div>
      ) : (
        <div className="grid gap-x-8 gap-y-6 mt-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
          <Facts body={body} timeZone={timeZone} units={units} />
          <SubjectTable body={body} timeZone={timeZone} units={units} />
        </div>
      )}
      <Corrections view={view} />
      <Chain view={view} />
    </>
  )
}

/** Photographs of the work, as they were taken; they are beside the record, not in its seal. */
function Pictures({ view: { photos, timeZone } }: { view: RecordView }) {
  if (photos.length === 0) return null
  return (
    <section aria-label="Photographs" className="mt-6">
      <h2>Photographs</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3 mt-2">
        {photos.map((p, i) => (
          <li key={p.id}>
            <KeptPhoto id={p.id} alt={`Photograph ${i + 1}, ${p.tag}`} />
            <span className="text-small text-ink2">
              {p.tag}, {p.by}, {shortDate(p.takenAt, timeZone)}, {clockTime(p.takenAt, timeZone)}
            </span>
          </li>
        ))}
      </ul>
    </section>
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
  const show = (amount: number) => showProduct(amount, body.kind, body.method, units)
  const one = body.subjects.length === 1 ? body.subjects[0]! : null
  const ports = body.subjects.reduce((n, s) => n + s.ports.length, 0)
  const sum = (of: (s: Subject) => number | null) => body.subjects.reduce((n, s) => n + (of(s) ?? 0), 0)
  const [water, active] = [sum((s) => s.waterM3), sum((s) => s.activeKg)]
  const less = body.subjects.filter((s) => s.outcome !== 'treated')
  const hand = isHand(body.method)
  const rows: [string, string][] = [
    ...(less.length > 0
      ? [
          [
            'Outcome',
            one
              ? hand
                ? `${sayOutcome(one.outcome, body.method)}; back with the arborist`
                : `${one.outcome}: ${show(one.amount)} of at least ${show(one.least ?? one.planned)} by the label; back with the arborist`
              : `${less.map((s) => `${s.tree.tag} ${sayOutcome(s.outcome, body.method)}`).join(', ')}; back with the arborist`,
          ] as [string, string],
        ]
      : []),
    ['Where', [body.place.block, body.place.site, body.place.town].filter(Boolean).join(', ')],
    [
      one ? 'Tree' : 'Trees',
      one
        ? `${one.tree.tag}, ${one.tree.kind}, ${showGirth(one.tree.diameterM, units)} through${one.tree.readOn ? `, read ${writtenDate(one.tree.readOn)}` : ''}`
        : `${body.subjects.length}, listed beside`,
    ],
    ['Target', body.target],
    ...(one?.released
      ? [
          ['Released on site', `only if ${one.released.onlyIf}; found: ${one.released.found}`] as [
            string,
            string,
          ],
        ]
      : []),
    ...(one?.said ? [['Done', capital(one.said)] as [string, string]] : []),
    ...(one?.seen ?? []).map((s) => [`${s.label}, as it was begun`, s.value] as [string, string]),
    ...(one?.tasks ?? []).flatMap((t) =>
      t.noted ? [[t.noted.label, t.noted.value] as [string, string]] : [],
    ),
    ['Method', `${METHOD_NAME[body.method].toLowerCase()}, ${body.equipment}`],
    ...(body.tankWith ? [['In one tank with', body.tankWith.join('; ')] as [string, string]] : []),
    ...(hand
      ? [['Done by', `the house card ${body.product.name}, ${body.product.card}`] as [string, string]]
      : ([
          [
            'Product',
            `${body.product.name} (${body.product.actives.map((a) => `${a.name} ${a.strength}`).join(', ')})`,
          ],
          [
            'Registration, lot',
            `${body.product.registration}, lot ${body.product.lot}, card ${body.product.card}`,
          ],
          [
            'Applied',
            `${show(amountOf(body))} at the ${body.rate} rate, of ${show(sum((s) => s.planned))} planned`,
          ],
        ] as [string, string][])),
    ...(water > 0 ? [['Water', shown(water, 'gal', units)] as [string, string]] : []),
    ...(active > 0 ? [['Active on the ground', shown(active, 'lb', units, 4)] as [string, string]] : []),
    ...(ports > 0 ? [['Ports', `${ports}, holes: ${body.hole}`] as [string, string]] : []),
    ...(body.countedIn !== null ? [['Counted back in', `${body.countedIn}`] as [string, string]] : []),
    ...(body.mark ? [['Marked', body.mark] as [string, string]] : []),
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
        : hand || amountOf(body) === 0
          ? `not closed, nothing went ${hand ? 'on' : 'in'}`
          : 'not closed by the card',
    ],
    ['Notices', body.notices],
    ['Otherwise than planned', otherwise(body)],
  ]
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

type Subject = Application['subjects'][number]

/** What went otherwise: as it happened at the trees, then in the signer's own words. */
function otherwise(body: Application): string {
  const several = body.subjects.length > 1
  const found = body.subjects.flatMap((s) => s.deviations.map((d) => (several ? `${s.tree.tag}: ${d}` : d)))
  return [...found, ...(body.deviationWords ? [body.deviationWords] : [])].join(' ') || 'nothing'
}

/** What each of several trees got. */
function SubjectTable({ body, timeZone, units }: { body: Application; timeZone: string; units: UnitSystem }) {
  const show = (amount: number) => showProduct(amount, body.kind, body.method, units)
  const ended = (s: Subject) =>
    Math.max(
      0,
      ...s.tasks.map((t) => (t.endedAt ? Date.parse(t.endedAt) : 0)),
      ...s.ports.map((p) => (p.outAt ? Date.parse(p.outAt) : 0)),
    )
  return (
    <DataTable
      caption="Trees, one by one"
      columns={[
        { head: 'Tree' },
        { head: 'Through', figures: true },
        { head: isHand(body.method) ? 'Work' : 'Got', figures: true },
        { head: 'Water', figures: true },
        { head: 'Active', figures: true },
        { head: 'Done', figures: true },
      ]}
      rows={body.subjects.map((s) => ({
        key: s.tree.tag,
        name: `${s.tree.tag}, ${s.tree.kind}`,
        cells: [
          showGirth(s.tree.diameterM, units),
          isHand(body.method)
            ? sayOutcome(s.outcome, body.method)
            : s.outcome === 'treated'
              ? show(s.amount)
              : `${show(s.amount)}, ${s.outcome}`,
          s.waterM3 === null ? '–' : shown(s.waterM3, 'gal', units),
          s.activeKg === null ? '–' : shown(s.activeKg, 'lb', units, 4),
          ended(s) > 0 ? clockTime(ended(s), timeZone) : '–',
        ],
      }))}
    />
  )
}

function TaskTable({ tasks, timeZone }: { tasks: Subject['tasks']; timeZone: string }) {
  return (
    <DataTable
      caption="What was done, in order"
      columns={[{ head: 'Step' }, { head: 'Done', figures: true }, { head: 'At', figures: true }]}
      rows={tasks.map((t) => ({
        key: t.name,
        name: t.name,
        cells: [howDone(t), t.endedAt ? clockTime(Date.parse(t.endedAt), timeZone) : '–'],
      }))}
    />
  )
}

/** Where the ports of a tree were, on its trunk or on each of its stems. */
function PortRings({ of, marks }: { of: Subject; marks: RecordView['marks'] }) {
  const ports = of.ports.map((p) => ({
    bearing: p.bearing,
    stem: p.stem,
    stage: p.givenUp ? ('given up' as const) : ('done' as const),
    number: p.number,
  }))
  return of.tree.stems ? (
    <StemRings
      stems={of.tree.stems.map((_, i) => ({
        stem: i + 1,
        label: `Ports of ${of.tree.tag}, stem ${i + 1}`,
      }))}
      marks={marks}
      holes={[]}
      ports={ports}
    />
  ) : (
    <Ring marks={marksOn(marks, null)} ports={ports} label={`Ports of ${of.tree.tag}`} className="w-full" />
  )
}

function PortTable({ ports, timeZone }: { ports: Subject['ports']; timeZone: string }) {
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
          p.stem === undefined ? `${p.bearing}°` : `stem ${p.stem}, ${p.bearing}°`,
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
            <b>{inOneLine(c, view.units)}</b>
            <span className="block text-small">
              {c.kind === 'correction' && c.body && <CorrectedAmounts body={c.body} units={view.units} />}
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
        <CorrectRecord
          recordId={view.record.id}
          amounts={
            view.record.kind === 'application' && view.record.body && isHand(view.record.body.method)
              ? []
              : view.amounts
          }
        />
      </May>
    </section>
  )
}

/** What a correction says trees really got. */
function CorrectedAmounts({ body, units }: { body: Correction; units: UnitSystem }) {
  if (!body.amounts) return null
  return (
    <span className="block">
      {body.amounts
        .map((a) => {
          const show = (amount: number) => showProduct(amount, a.kind, a.method, units)
          return `${a.tag}: ${show(a.amount)} instead of ${show(a.was)}`
        })
        .join('; ')}
    </span>
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
      <p className="mt-4 max-w-2xl text-lead">{inOneLine(record, view.units)}</p>
      {record.kind === 'correction' && record.body && (
        <>
          <CorrectedAmounts body={record.body} units={view.units} />
          <p className="mt-2 max-w-2xl">Because: {record.body.reason}</p>
        </>
      )}
      {corrected && (
        <ButtonLink href={`/ledger/${corrected.id}`} className="mt-4">
          Open record {corrected.seq}, which it corrects
        </ButtonLink>
      )}
    </>
  )
}

function howDone(t: Subject['tasks'][number]): string {
  if (t.givenUp !== null) return `not done: ${t.givenUp}`
  const done = t.times > 1 ? `${t.done} of ${t.times}` : 'done'
  return t.row === undefined ? done : `${done}, ticked for ${t.row} trees by one press`
}
