import { HouseRule } from '@/app/withPage'
import { notFound } from 'next/navigation'
import { METHODS } from '@/almanac/methods'
import { CAUTIONS, SCHOOLS } from '@/almanac/schools'
import type { AlmanacView } from '@/server/read/almanac'
import { Note } from '@/ui/pieces/Note'

/** A method as a card. */
export function MethodEntry({ id }: { id: string }) {
  const m = METHODS.find((x) => x.id === id)
  if (!m) notFound()
  return (
    <>
      <h1 className="mt-1">{m.name}</h1>
      <p className="mt-2 text-lead max-w-3xl">{m.use}</p>
      <Note says="stop" className="mt-3 max-w-3xl">
        <b>Not when.</b> {m.notWhen}
      </Note>
      <ol className="mt-4 max-w-3xl border-t border-line">
        {m.steps.map((s, i) => (
          <li key={i} className="py-1.5 border-b border-line2 grid grid-cols-[28px_minmax(0,1fr)]">
            <span className="font-head font-bold">{i + 1}</span>
            {s}
          </li>
        ))}
      </ol>
      <dl className="mt-4 grid gap-x-4 gap-y-1 sm:grid-cols-[120px_minmax(0,1fr)] max-w-3xl">
        {[
          ['Bring', m.kit],
          ['Wear', m.gear],
          ['Mind', m.mind],
          ['Afterwards', m.after],
          ['Again', m.again],
        ].map(([name, text]) => (
          <div key={name} className="contents">
            <dt className="text-ink2">{name}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}

/** A matter on which practitioners differ, both ways, and how this house does it. */
export function SchoolEntry({ id, view }: { id: string; view: AlmanacView }) {
  const s = SCHOOLS.find((x) => x.id === id)
  if (!s) notFound()
  return (
    <>
      <h1 className="mt-1">{s.matter}</h1>
      <div className="grid sm:grid-cols-2 gap-4 mt-4 max-w-4xl">
        {[
          { way: s.one, when: s.oneWhen },
          { way: s.other, when: s.otherWhen },
        ].map((x) => (
          <div key={x.way} className="bg-sheet border border-line p-4">
            <h2>{x.way}</h2>
            <p className="mt-1.5">
              <b>Right when:</b> {x.when}
            </p>
          </div>
        ))}
      </div>
      <p className="mt-4">
        <b>By default:</b> {s.why}
      </p>
      <HouseRule school={s} rules={view.rules.filter((r) => r.matter === id)} view={view} />
    </>
  )
}

export function CautionEntry({ id }: { id: string }) {
  const c = CAUTIONS.find((x) => x.id === id)
  if (!c) notFound()
  return (
    <>
      <h1 className="mt-1">{c.name}</h1>
      <p className="mt-3 text-lead max-w-2xl">{c.text}</p>
    </>
  )
}
