'use client'
import type { AsJson } from '@/core/asJson'
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
} from '@headlessui/react'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'

interface Hit {
  kind: string
  id: string
  title: string
  detail: string
  href: string
}

/** Find a tree, a place, a person, a record or an entry of the almanac, as you type. */
export default function Find({ onClose }: { onClose: () => void }) {
  const router = useRouter()
  const [text, setText] = useState('')
  const [hits, setHits] = useState<Hit[]>([])
  const [failed, setFailed] = useState(false)

  useEffect(() => {
    const stop = new AbortController()
    async function ask() {
      try {
        const answer = await fetch(`/api/find?text=${encodeURIComponent(text)}`, { signal: stop.signal })
        const body = (await answer.json()) as { value?: AsJson<Hit[]> }
        setHits(body.value ?? [])
        setFailed(!answer.ok)
      } catch {
        if (!stop.signal.aborted) setFailed(true)
      }
    }
    const wait = setTimeout(() => void ask(), 80)
    return () => {
      clearTimeout(wait)
      stop.abort()
    }
  }, [text])

  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
      <div className="fixed inset-x-0 top-[12vh] flex justify-center p-4">
        <DialogPanel className="bg-sheet border border-line w-full max-w-lg">
          <Combobox
            onChange={(hit: Hit | null) => {
              if (!hit) return
              onClose()
              router.push(hit.href)
            }}
          >
            <ComboboxInput
              aria-label="Find a tree, place, cause, record"
              placeholder="Tag, place, client, cause, record"
              className="field border-0 border-b h-12 text-lead"
              autoFocus
              onChange={(e) => setText(e.target.value)}
            />
            <ComboboxOptions static className="max-h-[50vh] overflow-y-auto">
              {hits.map((hit) => (
                <ComboboxOption
                  key={`${hit.kind} ${hit.id}`}
                  value={hit}
                  className="px-4 py-2.5 flex justify-between gap-4 data-[focus]:bg-rust-soft cursor-pointer"
                >
                  <span className="font-bold">{hit.title}</span>
                  <span className="text-ink2">{hit.detail}</span>
                </ComboboxOption>
              ))}
            </ComboboxOptions>
            {text.trim() !== '' && hits.length === 0 && (
              <p className="px-4 py-3 text-ink2">
                {failed
                  ? 'The search does not answer just now. Try again.'
                  : 'Nothing has that name. Try a tag, a place, a client or a cause.'}
              </p>
            )}
          </Combobox>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
