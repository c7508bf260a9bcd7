'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { TreeField } from '@/core/treeList/fields'
import type { ImportLooked } from '@/server/trees/importTrees'

/** How the file is understood: what columns are, what was mended. */
export interface Understood {
  columns: Record<string, TreeField | null>
  rows: Record<string, { out: true } | { column: string; text: string }>
  kinds: Record<string, string>
}
const NOTHING: Understood = { columns: {}, rows: {}, kinds: {} }

const LOST: Problem = {
  code: 'conflict',
  field: 'connection',
  message: 'The server cannot be reached. The file is still chosen; try again when you are in reach.',
}

/** A file of trees on its way: looked at again with every change, then taken, with how far it is. */
export function useTreeFile(siteId: string) {
  const [file, setFile] = useState<File | null>(null)
  const [understood, setUnderstood] = useState<Understood>(NOTHING)
  const [looked, setLooked] = useState<ImportLooked | null>(null)
  const [problem, setProblem] = useState<Problem | null>(null)
  const [busy, setBusy] = useState<'look' | 'take' | null>(null)
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null)
  const [taken, setTaken] = useState<ImportLooked | null>(null)
  const running = useRef<AbortController | null>(null)

  const send = useCallback(
    async (chosen: File, how: Understood, mode: 'look' | 'take') => {
      running.current?.abort()
      const own = new AbortController()
      running.current = own
      setBusy(mode)
      setProblem(null)
      setProgress(null)
      const form = new FormData()
      form.append(
        'how',
        JSON.stringify({
          mode,
          name: chosen.name,
          kind: /json$/i.test(chosen.name) ? 'geojson' : 'csv',
          ...how,
        }),
      )
      form.append('file', chosen)
      try {
        const answer = await fetch(`/api/sites/${siteId}/trees-from-file`, {
          method: 'POST',
          body: form,
          signal: own.signal,
        })
        const told = await lastOf(answer, setProgress)
        if ('value' in told) {
          if (mode === 'look') setLooked(told.value)
          else setTaken(told.value)
        } else setProblem(told.error)
      } catch {
        if (own.signal.aborted) return
        setProblem(LOST)
      }
      if (running.current === own) setBusy(null)
    },
    [siteId],
  )

  return {
    file,
    understood,
    looked,
    problem,
    busy,
    progress,
    taken,
    choose: (chosen: File) => {
      setFile(chosen)
      setUnderstood(NOTHING)
      setLooked(null)
      setTaken(null)
      void send(chosen, NOTHING, 'look')
    },
    change: (part: Partial<Understood>) => {
      const next = { ...understood, ...part }
      setUnderstood(next)
      if (file) void send(file, next, 'look')
    },
    take: () => file && void send(file, understood, 'take'),
    stop: () => {
      running.current?.abort()
      setBusy(null)
      setProgress(null)
    },
    anew: () => {
      setFile(null)
      setLooked(null)
      setTaken(null)
      setProblem(null)
    },
  }
}
export type TreeFile = ReturnType<typeof useTreeFile>

type Told = { value: ImportLooked } | { error: Problem }

/** What is told at last; what comes before says how far it is. */
async function lastOf(
  answer: Response,
  onProgress: (p: { done: number; of: number }) => void,
): Promise<Told> {
  if (!answer.headers.get('content-type')?.includes('ndjson')) return (await answer.json()) as Told
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) throw new Error('broken off')
    text += value
    const lines = text.split('\n')
    text = lines.pop()!
    for (const line of lines) {
      const told = JSON.parse(line) as Told | { done: number; of: number }
      if ('done' in told) onProgress(told)
      else return told
    }
  }
}
