'use client'
import { useRouter } from 'next/navigation'
import type { ReactNode } from 'react'
import type { z } from 'zod'
import { ok, type Result } from '@/core/problem'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'

type Values = Record<string, unknown>

/** A form that adds an entry of the firm's own and goes back to the page it now stands on. */
export function OwnForm<S extends z.ZodObject>({
  title,
  asks,
  start,
  is,
  entry = ok,
  onDone,
  children,
}: {
  title: string
  asks: S
  start: Partial<Record<keyof z.input<S>, unknown>>
  /** What the entry is, and is not typed. */
  is: Values
  /** What is typed as the entry has it, where that is another shape. */
  entry?: (typed: Values) => Result<Values>
  onDone: () => void
  children: ReactNode
}) {
  const router = useRouter()
  const step = useStep('set-own-entry', 'id')
  return (
    <AskedForm
      asks={asks}
      start={start}
      fixed={is}
      sends={entry}
      at={(field) => field.replace(/^entry\./, '')}
      by={{ ...step, send: (entry) => step.send({ entry }) }}
      onDone={() => {
        router.refresh()
        onDone()
      }}
      keep="Add it, marked as ours"
      onLeave={onDone}
      className="bg-sheet border border-line p-4 max-w-3xl grid gap-3"
    >
      <h2>{title}</h2>
      {children}
    </AskedForm>
  )
}
