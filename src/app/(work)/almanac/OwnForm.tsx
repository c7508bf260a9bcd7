'use client'
import { useRouter } from 'next/navigation'
import type { ChangeEvent, ReactNode } from 'react'
import type { Asks } from '@/server/verbs'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** Sends an entry of the firm's own and goes back to the page it now stands on. */
export function useOwnEntry(onDone: () => void) {
  const router = useRouter()
  const verb = useVerb('set-own-entry', { makes: 'id' })
  return {
    ...verb,
    /** What is wrong at a field, to be told beside it. */
    at: (field: string) => (verb.problem?.field.endsWith(field) ? verb.problem.message : null),
    keep: async (entry: Asks<'set-own-entry'>['entry']) => {
      if ((await verb.send({ entry })) === null) return
      router.refresh()
      onDone()
    },
  }
}

/** A field of a form that is all words: what stands in it, what changes it, what is wrong with it. */
export const wordsOf =
  <K extends string>(
    typed: Record<K, string>,
    set: (typed: Record<K, string>) => void,
    at: (field: string) => string | null,
  ) =>
  (field: K) => ({
    value: typed[field],
    onChange: (e: ChangeEvent<HTMLInputElement>) => set({ ...typed, [field]: e.target.value }),
    problem: at(field),
  })

/** A form that adds an entry of the firm's own; a problem of a field that stands in it is told there, any other at its foot. */
export function OwnForm({
  title,
  verb,
  fields,
  onSend,
  onDone,
  children,
}: {
  title: string
  verb: ReturnType<typeof useOwnEntry>
  /** Its fields, by their names. */
  fields: readonly string[]
  onSend: () => Promise<void>
  onDone: () => void
  children: ReactNode
}) {
  return (
    <form
      className="bg-sheet border border-line p-4 max-w-3xl grid gap-3"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void onSend()
      }}
    >
      <h2>{title}</h2>
      {children}
      <div className="flex gap-2">
        <Button type="submit" now disabled={verb.busy}>
          Add it, marked as ours
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
      {verb.problem && !fields.some((f) => verb.problem!.field.endsWith(f)) && (
        <ProblemNote problem={verb.problem} />
      )}
    </form>
  )
}
