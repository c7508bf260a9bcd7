'use client'
import { useState } from 'react'
import type { Guide, GuideEntry, GuideField } from './readGuide'

/** The API as a person reads it: one entry at a time, its fields, and a form to try it as whoever is signed in. */
export function ApiGuide({ guide }: { guide: Guide }) {
  const [name, setName] = useState(guide.entries[1]?.name ?? '')
  const entry = guide.entries.find((e) => e.name === name) ?? guide.entries[0]!
  return (
    <>
      <h1>{guide.title}</h1>
      <p className="mt-2 max-w-prose">{guide.says}</p>
      <p className="mt-2">
        The whole description for programs:{' '}
        <a className="underline" href="/api/v1/openapi.json">
          /api/v1/openapi.json
        </a>{' '}
        (OpenAPI 3.1)
      </p>
      <div className="grid gap-6 mt-5 lg:grid-cols-[168px_minmax(0,1fr)]">
        <nav aria-label="Entries" className="max-lg:hidden">
          <ul>
            {guide.entries.map((e) => (
              <li key={e.name}>
                <button
                  type="button"
                  onClick={() => setName(e.name)}
                  aria-current={e === entry ? 'true' : undefined}
                  className={`w-full text-left pl-2.5 py-[5px] border-l-[3px] ${e === entry ? 'border-rust font-bold bg-sheet' : 'border-line hover:border-ink2'}`}
                >
                  {e.title}
                </button>
              </li>
            ))}
          </ul>
        </nav>
        <select
          className="field lg:hidden"
          aria-label="Entry"
          value={entry.name}
          onChange={(e) => setName(e.target.value)}
        >
          {guide.entries.map((e) => (
            <option key={e.name} value={e.name}>
              {e.title}
            </option>
          ))}
        </select>
        <div className="min-w-0">
          <h2 className="text-[1.35rem]">{entry.title}</h2>
          <p className="font-mono text-[0.95rem] mt-1">POST {entry.path}</p>
          <p className="mt-2 max-w-prose">{entry.says}</p>
          <Try key={entry.name} entry={entry} />
          <Fields title="What is asked" fields={entry.request} />
          <Fields title="What is answered" fields={entry.answer} />
          <h3 className="mt-6 font-bold">What is refused</h3>
          <table className="w-full mt-1 text-[0.92rem]">
            <tbody>
              {guide.refusals.map((r) => (
                <tr key={r.status} className="border-b border-line2">
                  <th className="text-left w-16 py-1">{r.status}</th>
                  <td>{r.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </>
  )
}

function Try({ entry }: { entry: GuideEntry }) {
  const [body, setBody] = useState(entry.example)
  const [answer, setAnswer] = useState<{ status: number; text: string; ms: number } | null>(null)
  const [busy, setBusy] = useState(false)

  async function send(event: React.FormEvent) {
    event.preventDefault()
    setBusy(true)
    const began = performance.now()
    try {
      const r = await fetch(entry.path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      })
      const text = JSON.stringify(await r.json(), null, 2)
      setAnswer({ status: r.status, text, ms: performance.now() - began })
    } catch {
      setAnswer({ status: 0, text: 'The server cannot be reached; try again.', ms: 0 })
    }
    setBusy(false)
  }

  return (
    <form onSubmit={send} className="mt-4 grid gap-3 xl:grid-cols-2">
      <div>
        <label className="label" htmlFor="try-body">
          Try it, as you are signed in
        </label>
        <textarea
          id="try-body"
          className="field font-mono text-[0.86rem] leading-snug w-full"
          rows={16}
          value={body}
          onChange={(e) => setBody(e.target.value)}
          spellCheck={false}
        />
        <button type="submit" className="btn btn-now mt-2" disabled={busy}>
          Ask
        </button>
      </div>
      <div className="min-w-0">
        <p className="label" id="try-answer">
          {answer === null
            ? 'The answer comes here'
            : answer.status === 0
              ? 'No answer'
              : `${answer.status}, after ${answer.ms.toFixed(0)} ms`}
        </p>
        <pre
          tabIndex={0}
          aria-labelledby="try-answer"
          className={`bg-paper border p-3 text-[0.86rem] leading-snug overflow-auto min-h-24 max-h-[24rem] ${answer && answer.status !== 200 ? 'border-plum' : 'border-line'}`}
        >
          {answer?.text ?? ''}
        </pre>
      </div>
    </form>
  )
}

function Fields({ title, fields }: { title: string; fields: GuideField[] }) {
  return (
    <>
      <h3 className="mt-6 font-bold">{title}</h3>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={title}>
        <table className="w-full mt-1 text-[0.92rem]">
          <thead>
            <tr className="text-left text-ink2 border-b border-line">
              <th className="font-normal py-1 pr-3">Field</th>
              <th className="font-normal pr-3">Is</th>
              <th className="font-normal">Means</th>
            </tr>
          </thead>
          <tbody>
            {fields.map((f) => (
              <tr key={f.path} className="border-b border-line2 align-top">
                <th className="text-left font-mono font-semibold py-1 pr-3 whitespace-nowrap">{f.path}</th>
                <td className="pr-3">
                  {f.type}
                  {!f.required && <span className="text-ink2">, may be left out</span>}
                </td>
                <td>{f.says}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  )
}
