import Link from 'next/link'
import { notFound } from 'next/navigation'
import { clientView } from '@/server/read/client'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { longDate } from '@/ui/when'

export const metadata = { title: 'For the client' }

/** What the client does, on one page to be handed over: each step with when it is done again, and who is asked. */
export default async function ClientPage({ params }: { params: Promise<{ id: string }> }) {
  const view = await clientView((await params).id)
  if (!view) notFound()
  const { tree, steps } = view
  return (
    <>
      <p className="text-small text-ink2 no-print">
        <Link href={`/trees/${tree.id}`} className="underline underline-offset-2">
          {tree.tag}
        </Link>
      </p>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>
          {tree.tag}, {tree.siteName}: what you do
        </h1>
        <PrintButton />
      </div>
      {steps.length === 0 ? (
        <p className="mt-4">Nothing of this tree’s work is the client’s.</p>
      ) : (
        <>
          <p className="text-ink2 mt-1">
            From {view.firm}, {view.signedBy}
            {view.signedAt && `, ${longDate(view.signedAt, view.timeZone)}`}
          </p>
          <ol className="mt-4 max-w-2xl grid gap-5">
            {steps.map((step, n) => (
              <li key={step.id}>
                <h2>
                  {n + 1}. {step.name}: {step.says}
                </h2>
                {step.repeats && (
                  <p className="mt-1">
                    {step.times} times,{' '}
                    {step.repeats.most === 1
                      ? 'one each day'
                      : step.repeats.least === step.repeats.most
                        ? `${step.repeats.most} days apart`
                        : `${step.repeats.least} to ${step.repeats.most} days apart`}
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
          <p className="mt-6 max-w-2xl">
            Put nothing on the tree or the soil besides, no spray and no feed, before you have asked us. If
            the tree looks worse, or anything on it breaks, keep away from beneath it and ring us.
          </p>
        </>
      )}
    </>
  )
}
