'use client'
import { useRouter } from 'next/navigation'
import type { z } from 'zod'
import type { VerbName } from '@/server/verbs'
import { Asked } from './Asked'
import { AskedForm } from './AskedForm'
import { useStep } from './useStep'

/** A step that asks nothing but the reason for it, in one field; the page is loaded anew when it is done. */
export function AskedWhy<S extends z.ZodObject>({
  step,
  asks,
  of,
  at = 'words',
  label,
  keep,
  start = '',
  inline = false,
  leave,
  onLeave,
}: {
  step: VerbName
  asks: S
  /** What it is done to. */
  of: Record<string, unknown>
  /** Where the reason stands in what is asked. */
  at?: string
  label?: string
  /** On the button. */
  keep: string
  start?: string
  inline?: boolean
  leave?: string
  onLeave?: () => void
}) {
  const router = useRouter()
  return (
    <AskedForm
      asks={asks}
      start={{ [at]: start } as never}
      fixed={of}
      by={useStep(step)}
      onDone={() => router.refresh()}
      keep={keep}
      quiet
      inline={inline}
      onLeave={onLeave}
      leave={leave}
      className={inline ? undefined : 'grid gap-2 mt-1 max-w-lg'}
    >
      <Asked at={at} label={label} autoFocus={onLeave !== undefined} />
    </AskedForm>
  )
}
