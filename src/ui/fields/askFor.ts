import type { AsJson } from '@/core/asJson'

/** What the server has at an address of its own; null where it refuses, is out of reach, or is not waited for any more (`signal`). */
export async function askFor<T>(path: string, signal?: AbortSignal): Promise<AsJson<T> | null> {
  try {
    const answer = await fetch(path, { signal })
    return answer.ok ? ((await answer.json()) as { value: AsJson<T> }).value : null
  } catch {
    return null
  }
}
