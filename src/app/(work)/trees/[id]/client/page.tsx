import { Link } from '@/ui/pieces/Link'
import { notFound } from 'next/navigation'
import { clientView } from '@/server/read/client'
import { sayApart } from '@/core/methods/sayTime'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { longDate, writtenDate } from '@/ui/when'

export const metadata = { title: 'For the client' }

/** What the client is told and does, on one page to be handed over: what was found and decided and why, and each step of their own. */
export default async function ClientPage({ params }: { params: Promise<{ id: string }> }) {
  const view = await clientView((await params).id)
  if (!view) notFound()
  const { tree, steps, told } = view
  return (
    <>
      <p className="text-small text-ink2 no-print">
        <Link href={`/trees/${tree.id}`} className="underline underline-offset-2">
          {tree.tag}
        </Link>
      </p>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>
          {tree.tag}, {tree.siteName}
        </h1>
        <PrintButton />
      </div>
      {told && (
        <section className="mt-3 max-w-2xl">
          <p className="text-ink2">
            From {view.firm}, {told.signedBy}, {longDate(told.signedAt, view.timeZone)}
          </p>
          <h2 className="mt-3">What we found: {told.found}</h2>
          {told.means && <p className="mt-1">{told.means}</p>}
          <h2 className="mt-3">What we do: {told.does}</h2>
          {told.words && <p className="mt-1">{told.words}</p>}
          {told.reasons.map((r) => (
            <p key={r} className="mt-1">
              {r}
            </p>
          ))}
          {told.doNot && (
            <>
              <h2 className="mt-3">What not to do</h2>
              <p className="mt-1">{told.doNot}</p>
            </>
          )}
          {told.next && (
            <p className="mt-3">
              Next, on <b>{writtenDate(told.next.dueOn)}</b>: {told.next.what.toLowerCase()}.
            </p>
          )}
        </section>
      )}
      {steps.length === 0 ? (
        !told && <p className="mt-4">Nothing has been decided for this tree yet.</p>
      ) : (
        <>
          <h2 className="mt-6">What you do</h2>
          <ol className="mt-4 max-w-2xl grid gap-5">
            {steps.map((step, n) => (
              <li key={step.id}>
                <h2>
                  {n + 1}. {step.name}: {step.says}
                </h2>
                {step.repeats && (
                  <p className="mt-1">
                    {step.times} times,{' '}
                    {step.repeats.yearly
                      ? `once each ${step.repeats.yearly.called}`
                      : step.repeats.most === 1
                        ? 'one each day'
                        : `${sayApart(step.repeats)} apart`}
                    .
                  </p>
                )}
                {step.tasks.map((task) => (
                  <p key={task.name} className="mt-1">
                    <b>{task.name}.</b> {task.text}
                  </p>
                ))}
                <p className="text-small text-ink2 mt-1">Wear {step.worn.join(', ')}.</p>
              </li>
            ))}
          </ol>
        </>
      )}
      {(told || steps.length > 0) && (
        <p className="mt-6 max-w-2xl">
          Put nothing on the tree or the soil besides, no spray and no feed, before you have asked us. If the
          tree looks worse, or anything on it breaks, keep away from beneath it and ring us.
        </p>
      )}
    </>
  )
}
