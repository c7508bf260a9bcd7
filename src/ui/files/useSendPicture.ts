'use client'
import { useRef } from 'react'
import { ok, refuse, type Problem, type Result } from '@/core/problem'
import { newId } from '../fields/newId'

/**
 * Sends pictures of this device, each to the address of its id. One whose answer was lost keeps its id: taken in again it is the same
 * picture. Problems are those of the server, and `connection` where it cannot be reached.
 */
export function useSendPicture<Kept>(
  addressOf: (id: string) => string,
): (file: File) => Promise<Result<{ id: string; kept: Kept }>> {
  const unanswered = useRef(new Map<string, string>())
  return async (file) => {
    const picture = `${file.name} ${file.size} ${file.lastModified}`
    const id = unanswered.current.get(picture) ?? newId()
    unanswered.current.set(picture, id)
    try {
      const answer = await fetch(addressOf(id), {
        method: 'POST',
        headers: { 'content-type': file.type || 'application/octet-stream' },
        body: file,
      })
      const body = (await answer.json()) as { error: Problem } | { value: Kept }
      unanswered.current.delete(picture)
      return 'error' in body ? { ok: false, problem: body.error } : ok({ id, kept: body.value })
    } catch {
      return refuse(
        'conflict',
        'connection',
        'The server cannot be reached. The picture is still on your device; take it in again when you are in reach.',
      )
    }
  }
}
