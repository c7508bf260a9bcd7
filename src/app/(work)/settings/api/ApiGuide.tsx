'use client'
import { useState } from 'react'
import type { Guide, GuideEntry, GuideField } from '@/calc/guide'
import { Button } from '@/ui/pieces/Button'
import { Select } from '@/ui/fields/Choice'
import { TextArea } from '@/ui/fields/TextArea'
import { DataTable } from '@/ui/pieces/DataTable'

/** The API as a person reads it: one entry at a time, its fields, and a form to try it as whoever is signed in. */
export function ApiGuide({ guide }: { guide: Guide }) {
  const [name, setName] = useState(guide.entries[1]?.name ?? '')
  const entry = guide.entries.find((e) => e.name === name) ?? guide.entries[0]!
  return (
    <>
      <h2 className="text-title">{guide.title}</h2>
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
        <Select
          className="lg:hidden"
          aria-label="Entry"
          value={entry.name}
          onValue={setName}
          options={guide.entries.map((e) => [e.name, e.title] as const)}
        />
        <div className="min-w-0">
          <h2 className="text-lead">{entry.title}</h2>
          <p className="font-mono text-small mt-1">POST {entry.path}</p>
          <p className="mt-2 max-w-prose">{entry.says}</p>
          <Try key={entry.name} entry={entry} />
          <Fields title="What is asked" fields={entry.request} />
          <Fields title="What is answered" fields={entry.answer} />
          <h3 className="mt-6 font-bold">What is refused</h3>
          <DataTable
            caption="What is refused"
            className="mt-1"
            columns={[{ head: '' }, { head: '' }]}
            rows={guide.refusals.map((r) => ({ key: r.status, name: <b>{r.status}</b>, cells: [r.says] }))}
          />
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
        <TextArea
          label="Try it, as you are signed in"
          className="font-mono leading-snug"
          rows={16}
          value={body}
          onChange={(e) => setBody(e.target.value)}
          spellCheck={false}
        />
        <Button type="submit" now className="mt-2" disabled={busy}>
          Ask
        </Button>
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
          role="group"
          aria-labelledby="try-answer"
          className={`bg-paper border p-3 text-small leading-snug overflow-auto min-h-24 max-h-[24rem] ${answer && answer.status !== 200 ? 'border-plum' : 'border-line'}`}
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
        <DataTable
          caption={title}
          className="mt-1"
          columns={[{ head: 'Field' }, { head: 'Is' }, { head: 'Means' }]}
          rows={fields.map((f) => ({
            key: f.path,
            name: <span className="font-mono font-semibold whitespace-nowrap">{f.path}</span>,
            cells: [
              <>
                {f.type}
                {!f.required && <span className="text-ink2">, may be left out</span>}
              </>,
              f.says,
            ],
          }))}
        />
      </div>
    </>
  )
}
