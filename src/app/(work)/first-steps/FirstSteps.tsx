'use client'
import { Check } from 'lucide-react'
import { useRouter } from 'next/navigation'
import type { FirstStepsView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'

/** The first hour: what comes after what, each ticked off by itself, the next one with its button. */
export function FirstSteps({ view }: { view: FirstStepsView }) {
  const router = useRouter()
  const may = useMay()
  const put = useVerb('put-first-steps-away')
  const { done, client, site } = view
  const steps: { key: keyof typeof done; title: string; says: string; go: string; href: string }[] = [
    {
      key: 'client',
      title: 'Your first client',
      says: 'Whom you work for, and whom to ring.',
      go: 'Enter a client',
      href: '/clients/new',
    },
    {
      key: 'site',
      title: 'Their first site',
      says: 'Where the trees stand: address, how to get in, where water is.',
      go: 'Enter a site',
      href: client && !site ? `/clients/${client}/new-site` : '/clients',
    },
    {
      key: 'trees',
      title: 'Its trees',
      says: 'One by one on the plan, or all at once from a file you have.',
      go: 'Add trees',
      href: site ? `/grounds/${site}/trees-from-file` : '/clients',
    },
    {
      key: 'cards',
      title: 'Cards for what you put on',
      says: 'Copy each label in your hand once. Examples show how, and are no labels.',
      go: 'Enter a card',
      href: '/shelf/new',
    },
    {
      key: 'people',
      title: 'Your people',
      says: 'A link each; they choose their own password.',
      go: 'Ask somebody in',
      href: '/settings/people',
    },
    {
      key: 'crew',
      title: 'A crew',
      says: 'Who goes out together, with which truck, at what hours.',
      go: 'Write a crew down',
      href: '/week/crews',
    },
    {
      key: 'examined',
      title: 'The first examination',
      says: 'Walk up to a tree and tick what you see.',
      go: 'Choose a tree',
      href: site ? `/grounds/${site}` : '/grounds',
    },
  ]
  const next = steps.find((s) => !done[s.key])
  const ticked = steps.filter((s) => done[s.key]).length
  return (
    <div className="max-w-2xl">
      <h1>{next ? 'First steps' : `${view.firm} is ready`}</h1>
      <p className="text-ink2 mt-1">
        {next
          ? `${ticked} of ${steps.length} are done. Each ticks itself off; the order is yours.`
          : 'All of it is done. This page can be put away.'}
      </p>
      <ol className="border-t border-line mt-4">
        {steps.map((s) => (
          <li key={s.key} className="border-b border-line py-3 flex flex-wrap items-center gap-x-4 gap-y-2">
            <span
              className={`size-7 shrink-0 grid place-items-center border-2 rounded-full ${done[s.key] ? 'bg-moss border-moss text-white' : 'border-ink2'}`}
              aria-hidden="true"
            >
              {done[s.key] && <Check size={18} />}
            </span>
            <span className="mr-auto min-w-[220px] flex-1">
              <b>{s.title}</b>
              {done[s.key] && <span className="sr-only">, done</span>}
              <span className="block text-ink2">{s.says}</span>
            </span>
            <ButtonLink href={s.href} now={s === next} quiet={s !== next}>
              {done[s.key] ? 'Open' : `${s.go}${s === next ? ' →' : ''}`}
            </ButtonLink>
          </li>
        ))}
      </ol>
      {may('put-first-steps-away') && (
        <Button
          quiet
          className="mt-4"
          disabled={put.busy}
          onClick={async () => {
            if (await put.send({ away: !view.away })) router.push('/')
          }}
        >
          {view.away ? 'Show it on Today again' : 'Put this page away'}
        </Button>
      )}
      <ProblemNote problem={put.problem} />
    </div>
  )
}
