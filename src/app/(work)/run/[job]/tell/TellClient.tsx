'use client'
import { useState } from 'react'
import type { TellView } from '@/server/read/tell'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { TextArea } from '@/ui/fields/TextArea'
import { useVerb } from '@/ui/fields/useVerb'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { clockTime, shortDate, writtenDate } from '@/ui/when'

const KIND: Record<NonNullable<TellView['kind']>, string> = {
  day: 'Which day we come',
  tomorrow: 'We come tomorrow',
  done: 'It is done',
}

/** What a client is told of a job: in their language, in words that can be changed, and what was told before. */
export function TellClient({ view }: { view: TellView }) {
  const may = useMay()('tell-client')
  const go = useGo()
  const { job, client, kind } = view
  const [messages, setMessages] = useState(view.messages)
  const { send, busy, problem } = useVerb('tell-client', { makes: 'id' })
  const change = (i: number, to: { subject?: string; text?: string }) =>
    setMessages(messages.map((m, n) => (n === i ? { ...m, ...to } : m)))
  const at = `/run/${job.id}/tell`
  return (
    <div className="max-w-2xl">
      <p className="text-small text-ink2">
        <Link href={`/run/${job.id}`} className="underline underline-offset-2 hand:py-3">
          {job.siteName}, {writtenDate(job.onDate)}
        </Link>
      </p>
      <h1>Tell {client.name}</h1>
      {view.kinds.length > 1 && (
        <p className="flex flex-wrap gap-2 mt-2">
          {view.kinds.map((k) => (
            <ButtonLink key={k} href={`${at}?kind=${k}`} chosen={k === kind}>
              {KIND[k]}
            </ButtonLink>
          ))}
        </p>
      )}
      {client.notices !== 'e-mail' ? (
        <Note className="mt-3">
          {client.notices === 'none'
            ? `${client.name} wants to be told nothing.`
            : `${client.name} wants to be told by ${client.notices}.`}{' '}
          {client.contacts.map((c) => [c.name, c.telephone].filter(Boolean).join(', ')).join(' · ')}
        </Note>
      ) : kind === null ? (
        <p className="mt-3 text-ink2">Nothing is to be told of this work now.</p>
      ) : messages.length === 0 ? (
        <p className="mt-3 text-ink2">
          {view.told.length > 0
            ? 'Everybody was told.'
            : `No contact of ${client.name} has an e-mail address.`}
        </p>
      ) : (
        may && (
          <>
            {!view.goesOut && (
              <Note says="stop" className="mt-3">
                This house has no way to send mail yet: neither a mail server nor a folder for it is named.
                What you send is kept here and goes to nobody.
              </Note>
            )}
            {messages.map((m, i) => (
              <fieldset
                key={m.address}
                className="mt-4 border border-line bg-sheet p-3 grid gap-2"
                lang={m.language}
              >
                <legend className="px-1 font-bold">
                  {m.name}, {m.address}
                </legend>
                <Field
                  label="Subject"
                  value={m.subject}
                  onChange={(e) => change(i, { subject: e.target.value })}
                />
                <TextArea
                  label="Message"
                  rows={8}
                  value={m.text}
                  onChange={(e) => change(i, { text: e.target.value })}
                />
              </fieldset>
            ))}
            <ProblemNote problem={problem} />
            <Button
              now
              className="mt-3"
              disabled={busy}
              onClick={async () => {
                if ((await send({ jobId: job.id, kind, messages })) !== null) go(at)
              }}
            >
              {messages.length === 1 ? 'Send it' : `Send all ${messages.length}`}
            </Button>
          </>
        )
      )}
      {view.told.length > 0 && (
        <section className="mt-6">
          <h2>Told</h2>
          <ul className="border-t border-line mt-1">
            {view.told.map((m) => (
              <li key={m.id} className="border-b border-line">
                <details>
                  <summary className="cursor-pointer py-2 hand:py-3">
                    {shortDate(m.at, view.timeZone)}, {clockTime(m.at, view.timeZone)}: <b>{m.subject}</b> to{' '}
                    {m.name}, by {m.by}
                  </summary>
                  <p className="whitespace-pre-line text-small pb-2" lang={m.language}>
                    {m.body}
                  </p>
                </details>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
